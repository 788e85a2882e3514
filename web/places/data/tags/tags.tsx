import { Button, Popover, SegmentedControl, TagsInput, TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { membersOf, needsOf, tagsShown } from '../../../../core/tags/index.ts';
import { lookUp, Id, idOf, ownName, type TagKind } from '../../../../core/mod/index.ts';
import { count } from '../../../../core/words/index.ts';
import { pointer } from '../../../../core/json/index.ts';
import { useFindings, useInspector, useMod, useSession } from '../../../api/hooks.tsx';
import { ItemIcon, itemTitle } from '../../../parts/item.tsx';
import { RenameField } from '../../../parts/rename-field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import { DataTabs } from '../data-tabs.tsx';
import { Found } from '../found.tsx';
import { NewEntry } from '../new-entry.tsx';
import { TagMatrix } from './tag-matrix.tsx';

const suggested = 'traits/missing-in-tool-tag';

/** Who is in which tag, who needs it, and what is wrong with it. */
export function Tags() {
  const mod = useMod();
  const session = useSession();
  const inspector = useInspector();
  const findings = useFindings() ?? [];
  const [search, setSearch] = useSearchParams();
  const [filter, setFilter] = useState('');
  const kind: TagKind = search.get('of') === 'items' ? 'itemTags' : 'blockTags';
  const tags = useMemo(() => tagsShown(mod, kind), [mod, kind]);
  const open = tags.includes(search.get('tag') ?? '') ? search.get('tag')! : undefined;
  const show = (part: Record<string, string | undefined>) =>
    setSearch(
      Object.fromEntries(
        Object.entries({ of: search.get('of') ?? undefined, tag: open, ...part }).filter(
          (one): one is [string, string] => one[1] !== undefined,
        ),
      ),
      { replace: true },
    );
  const missing = findings.filter((finding) => finding.rule === suggested && finding.fix).length;
  return (
    <div className="data-page">
      <DataTabs />
      <div className="tag-page">
        <div style={{ display: 'grid', gridTemplateRows: 'auto minmax(0, 1fr)', minHeight: 0 }}>
          <div
            className="bulk-bar"
            style={{ borderTop: 0, borderBottom: '1px solid var(--line)', flexWrap: 'wrap' }}
          >
            <SegmentedControl
              aria-label="Tags of"
              value={kind}
              onChange={(value) =>
                show({ of: value === 'itemTags' ? 'items' : undefined, tag: undefined })
              }
              data={[
                { value: 'blockTags', label: 'Block tags' },
                { value: 'itemTags', label: 'Item tags' },
              ]}
            />
            <TextInput
              placeholder="Filter"
              aria-label="Filter the entries"
              w={130}
              value={filter}
              onChange={(event) => setFilter(event.currentTarget.value)}
            />
            {missing > 0 && kind === 'blockTags' && (
              <button
                type="button"
                className="link"
                onClick={() =>
                  void inspector
                    .fixAll(suggested)
                    .then(
                      ({ changes, mended }) =>
                        changes.length &&
                        session.edit(
                          `Add ${count(mended, 'block')} to the tags of their tools`,
                          changes,
                        ),
                    )
                }
              >
                Add the {missing} that tools ask for
              </button>
            )}
            <span className="acts">
              <NewEntry
                what="tag"
                taken={(name) =>
                  lookUp(mod[kind], name) ? 'There is already a tag of that name.' : undefined
                }
                onName={(name) => {
                  session.edit(`Declare the tag ${name}`, [
                    { path: pointer([kind, name]), after: {} },
                  ]);
                  show({ tag: idOf(mod.header.namespace, name) });
                }}
              />
            </span>
          </div>
          {tags.length ? (
            <TagMatrix
              key={kind}
              mod={mod}
              kind={kind}
              tags={tags}
              filter={filter}
              open={open}
              onOpen={(tag) => show({ tag: tag === open ? undefined : tag })}
            />
          ) : (
            <div className="data-empty">
              <h2>No {kind === 'blockTags' ? 'block' : 'item'} tag yet</h2>
              <p className="note">
                {kind === 'blockTags'
                  ? 'A tag is a name for several blocks. Tools look into tags to know what they dig.'
                  : 'A tag is a name for several items. A recipe that takes a tag takes whatever is in ' +
                    'it.'}
              </p>
            </div>
          )}
        </div>
        <aside className="tag-side" aria-label="The tag">
          {open === undefined ? (
            <Key kind={kind} />
          ) : (
            <OneTag key={open} kind={kind} tag={open} onTag={(tag) => show({ tag })} />
          )}
        </aside>
      </div>
    </div>
  );
}

/** What the marks mean, and which other mods are needed. */
function Key({ kind }: { kind: TagKind }) {
  return (
    <>
      <h2 className="part" style={{ marginTop: 0 }}>
        What the marks say
      </h2>
      <div style={{ display: 'grid', gap: 8 }} className="tag-key">
        <span>
          <span className="tag-cell in">
            <i />
          </span>
          in the tag
        </span>
        <span>
          <span className="tag-cell through">
            <i />
          </span>
          in it through another tag
        </span>
        {kind === 'blockTags' && (
          <span>
            <span className="tag-cell wanted">
              <i />
            </span>
            its tool asks for it
          </span>
        )}
        <span>
          <span className="tag-cell no" style={{ width: 20, height: 16 }}>
            <i />
          </span>
          would close a circle
        </span>
      </div>
      <p className="note">
        Space puts in and takes out, Enter opens a tag. A dot under a number says that somebody
        needs the tag.
      </p>
      <Needs />
    </>
  );
}

/** Other mods whose things are named. */
function Needs() {
  const { header } = useMod();
  const session = useSession();
  const needs = header.needs ?? [];
  return (
    <>
      <h2 className="part">Other mods that it needs</h2>
      <TagsInput
        aria-label="Other mods that it needs"
        placeholder={needs.length ? '' : 'None'}
        value={needs.map(({ namespace }) => namespace)}
        acceptValueOnBlur={false}
        onChange={(names) => {
          const next = [...new Set(names.map((name) => name.trim().toLowerCase()))].filter(
            (name) =>
              /^[a-z][a-z0-9_]*$/.test(name) && name !== header.namespace && name !== 'obrank',
          );
          session.set(
            'Change the mods that it needs',
            ['header', 'needs'],
            next.length
              ? next.map(
                  (namespace) => needs.find((one) => one.namespace === namespace) ?? { namespace },
                )
              : undefined,
          );
        }}
      />
      <p className="note">
        Tags and items of these may be named: <span className="mono">driftwood:shiny</span>. Enter
        adds one.
      </p>
    </>
  );
}

/** One tag: what it is for, who needs it, what is in it, what of other mods. */
function OneTag({
  kind,
  tag,
  onTag,
}: {
  kind: TagKind;
  tag: string;
  onTag: (tag: string | undefined) => void;
}) {
  const mod = useMod();
  const session = useSession();
  const findings = useFindings() ?? [];
  const { namespace } = mod.header;
  const own = ownName(namespace, tag);
  const entry = own === undefined ? undefined : lookUp(mod[kind], own);
  const members = [...(membersOf(mod, kind).get(tag) ?? [])];
  const needs = needsOf(mod, kind).get(tag) ?? [];
  const foreign = (entry?.members ?? []).filter(
    (member) => ownName(namespace, member.replace('#', '')) === undefined,
  );
  const here =
    own === undefined
      ? []
      : findings.filter(
          ({ at }) => at === pointer([kind, own]) || at?.startsWith(`${pointer([kind, own])}/`),
        );
  return (
    <>
      <div style={{ display: 'flex', justifyContent: 'space-between', gap: 8 }}>
        <b className="mono" style={{ fontSize: 13, fontWeight: 600, overflowWrap: 'anywhere' }}>
          {tag}
        </b>
        <button
          type="button"
          className="tiny"
          onClick={() => onTag(undefined)}
          aria-label="Close the tag"
        >
          ×
        </button>
      </div>
      {own === undefined && (
        <p className="note">
          A tag of another mod. The pack adds {count(members.length, 'member')} to it.
        </p>
      )}
      {own !== undefined && !entry && (
        <p className="note">
          Nobody declared it yet.{' '}
          <button
            type="button"
            className="link"
            onClick={() =>
              session.edit(`Declare the tag ${own}`, [{ path: pointer([kind, own]), after: {} }])
            }
          >
            Declare it
          </button>
        </p>
      )}
      {entry && own !== undefined && (
        <>
          <TextField
            long
            text={entry.note ?? ''}
            placeholder="What it is for."
            onText={(text) =>
              session.set('Change the note', [kind, own, 'note'], text || undefined)
            }
          />
          <div style={{ marginTop: 12 }}>
            <RenameField
              kind={kind}
              name={own}
              id={tag}
              note="Recipes, tools and other mods know it by this."
              onRenamed={(to) => onTag(idOf(namespace, to))}
            />
          </div>
        </>
      )}
      <h2 className="part">Who needs it</h2>
      {needs.length ? (
        <ul style={{ margin: 0, paddingLeft: 16, fontSize: 12.5 }}>
          {needs.map(({ what, name }) => (
            <li key={`${what} ${name}`}>
              {what === 'tool'
                ? `Every ${name} looks here for what it digs.`
                : what === 'recipe'
                  ? `The recipe ${name} takes it.`
                  : `The tag ${name} holds it.`}
            </li>
          ))}
        </ul>
      ) : (
        <p className="note" style={{ margin: 0 }}>
          Nobody in this mod. Other mods may.
        </p>
      )}
      <h2 className="part">{count(members.length, 'member')}</h2>
      <div className="icon-row">
        {members.slice(0, 40).map((member) => (
          <span key={member} className="one" title={member}>
            {!member.startsWith('#') && <ItemIcon id={member} size={20} />}
            {itemTitle(mod, member)}
          </span>
        ))}
        {members.length > 40 && <span className="note">and {members.length - 40} more</span>}
      </div>
      {entry && own !== undefined && (
        <>
          <h2 className="part">Of other mods</h2>
          <TagsInput
            aria-label="Members of other mods"
            placeholder="driftwood:shiny, #driftwood:bright"
            value={foreign}
            acceptValueOnBlur={false}
            onChange={(list) => {
              const next = [...new Set(list.map((one) => one.trim()))].filter(
                (one) =>
                  Id.safeParse(one.replace('#', '')).success &&
                  ownName(namespace, one.replace('#', '')) === undefined,
              );
              const kept = (entry.members ?? []).filter((member) => !foreign.includes(member));
              session.set(
                'Change the members of other mods',
                [kind, own, 'members'],
                [...kept, ...next].length ? [...kept, ...next] : undefined,
              );
            }}
          />
        </>
      )}
      <Found findings={here} />
      {entry && own !== undefined && (
        <Remove
          disabled={needs.length > 0 || members.length > 0}
          onRemove={() => {
            session.edit(`Remove the tag ${own}`, [{ path: pointer([kind, own]), before: entry }]);
            onTag(undefined);
          }}
        />
      )}
    </>
  );
}

function Remove({ disabled, onRemove }: { disabled: boolean; onRemove: () => void }) {
  return (
    <Popover position="top-end" shadow="sm">
      <Popover.Target>
        <Button
          mt="lg"
          variant="subtle"
          color="brick"
          disabled={disabled}
          title={disabled ? 'A tag that has members or is needed cannot be removed.' : undefined}
        >
          Remove this tag
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <Button color="brick" onClick={onRemove}>
          Remove it
        </Button>
      </Popover.Dropdown>
    </Popover>
  );
}
