import { itemAt } from '../../../core/lists/index.ts';
import {
  Button,
  Checkbox,
  FileButton,
  NumberInput,
  Select,
  TagsInput,
  TextInput,
} from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { pointer } from '../../../core/json/index.ts';
import {
  lookUp,
  Id,
  idOf,
  newItem,
  removeItem,
  titleOf,
  toolKinds,
  usualStack,
  type Item,
  type ToolKind,
} from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { uploadTexture } from '../../api/textures.ts';
import { Field } from '../../parts/field.tsx';
import { ItemIcon, ItemSelect, useItemOptions } from '../../parts/item.tsx';
import { RenameField } from '../../parts/rename-field.tsx';
import { TextField } from '../../parts/text-field.tsx';
import { DataTabs } from './data-tabs.tsx';
import { Found } from './found.tsx';
import { HowHad } from '../../parts/how-had.tsx';
import { NewEntry } from './new-entry.tsx';
import { Choice } from '../../parts/choice/index.tsx';

/** The items that are not blocks: plain ones, tools of the ladder, buckets. */
export function Items() {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const { item: open } = useParams();
  const [filter, setFilter] = useState('');
  const home = `/m/${session.name}/data/items`;
  const shown = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    const groups = [...mod.header.groups.map((group) => group.name), undefined];
    const list = Object.entries(mod.items)
      .map(([name, item]) => ({ name, item, title: titleOf(mod, name, item.names) }))
      .filter(({ name, title }) => name.includes(wanted) || title.toLowerCase().includes(wanted))
      .sort((a, b) => a.title.localeCompare(b.title, 'en'));
    return groups
      .map((group) => ({
        group,
        list: list.filter(
          ({ item }) => (groups.includes(item.group) ? item.group : undefined) === group,
        ),
      }))
      .filter((one) => one.list.length);
  }, [mod, filter]);
  const item =
    open !== undefined && Object.hasOwn(mod.items, open) ? lookUp(mod.items, open) : undefined;
  return (
    <div className="data-page">
      <DataTabs>
        <span className="acts">
          <NewEntry
            what="item"
            hint="Its id; what players read comes later."
            taken={(name) =>
              lookUp(mod.items, name) || lookUp(mod.blocks, name)
                ? 'There is already something of that name.'
                : undefined
            }
            onName={(name) => {
              const spoken = name.replaceAll('_', ' ');
              session.edit(
                `Add the item ${name}`,
                newItem(session.view.mod, name, spoken[0]!.toUpperCase() + spoken.slice(1)),
              );
              void navigate(`${home}/${name}`);
            }}
          />
        </span>
      </DataTabs>
      <div className="data-body">
        <nav className="data-list" aria-label="Items">
          <div className="q">
            <TextInput
              placeholder="Filter items"
              aria-label="Filter items"
              value={filter}
              onChange={(event) => setFilter(event.currentTarget.value)}
            />
          </div>
          {shown.map(({ group, list }) => (
            <div key={group ?? ''}>
              <h4>
                <span>
                  {titleOf(
                    mod,
                    group ?? 'in no group',
                    mod.header.groups.find((one) => one.name === group)?.names,
                  )}
                </span>
                <span>{list.length}</span>
              </h4>
              {list.map(({ name, title, item: one }) => (
                <Link
                  key={name}
                  to={`${home}/${name}`}
                  aria-current={name === open ? 'page' : undefined}
                >
                  <ItemIcon id={idOf(mod.header.namespace, name)} size={26} />
                  <b title={title}>{title}</b>
                  <em>{one.tool ? one.tool.kind : one.bucket ? 'bucket' : ''}</em>
                </Link>
              ))}
            </div>
          ))}
          {!shown.length && (
            <p className="note" style={{ padding: '6px 14px' }}>
              {Object.keys(mod.items).length ? `Nothing matches “${filter}”.` : 'No item yet.'}
            </p>
          )}
        </nav>
        {item && open !== undefined ? (
          <OneItem key={open} name={open} item={item} />
        ) : (
          <div className="data-empty">
            <h2>{Object.keys(mod.items).length ? 'Choose an item' : 'No item yet'}</h2>
            <p className="note">
              An item is what players hold and is no block: a bar of metal, a seed, a tool, a
              bucket. Blocks drop them, recipes take and give them.
            </p>
          </div>
        )}
      </div>
    </div>
  );
}

function OneItem({ name, item }: { name: string; item: Item }) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const findings = useFindings() ?? [];
  const [refused, setRefused] = useState('');
  const { header } = mod;
  const id = idOf(header.namespace, name);
  const language = itemAt(header.languages, 0);
  const title = titleOf(mod, name, item.names);
  const set = (label: string, key: keyof Item, after: unknown) =>
    session.set(label, ['items', name, key], after);
  const path = pointer(['items', name]);
  const options = useItemOptions();
  const tags = Object.keys(mod.itemTags).map((tag) => idOf(header.namespace, tag));
  const picture = async (file: File | null) => {
    if (!file) return;
    try {
      const texture =
        item.texture !== undefined &&
        lookUp(mod.textures, item.texture.slice(header.namespace.length + 1))
          ? item.texture.slice(header.namespace.length + 1)
          : `item/${name}`;
      await uploadTexture(session, texture, file);
      set(`Show ${texture}`, 'texture', idOf(header.namespace, texture));
      setRefused('');
    } catch (error) {
      setRefused((error as Error).message);
    }
  };
  const kind = item.tool ? 'tool' : item.bucket ? 'bucket' : 'plain';
  const become = (next: string) =>
    session.edit(
      `Make ${title} ${next === 'plain' ? 'a plain item' : `a ${next}`}`,
      [
        {
          path: `${path}/tool`,
          before: item.tool,
          after: next === 'tool' ? { kind: 'pick', grade: 0 } : undefined,
        },
        {
          path: `${path}/bucket`,
          before: item.bucket,
          after:
            next === 'bucket'
              ? {
                  of: idOf(header.namespace, Object.keys(mod.blocks)[0] ?? 'pool'),
                  empty: options.find((one) => one.value !== id)?.value ?? id,
                }
              : undefined,
        },
      ].filter(({ before, after }) => before !== undefined || after !== undefined),
    );
  return (
    <div
      className="data-open"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void picture(event.dataTransfer.files[0] ?? null);
      }}
    >
      <h2>
        <ItemIcon id={id} size={40} />
        {title} <span className="mono">{id}</span>
      </h2>
      <Found findings={findings.filter(({ at }) => at === path || at?.startsWith(`${path}/`))} />
      <div className="columns">
        <div>
          <Field
            label="Name"
            value={
              <TextField
                w={220}
                aria-label="Name"
                text={lookUp(item.names, language) ?? ''}
                onText={(text) =>
                  session.set(
                    `Name it ${text}`,
                    ['items', name, 'names', language],
                    text || undefined,
                  )
                }
              />
            }
            note={
              <>
                In {language}; other languages are in{' '}
                <Link to={`/m/${session.name}/data/texts?find=item.${name}`}>Names</Link>.
              </>
            }
          />
          <RenameField
            kind="items"
            name={name}
            id={id}
            onRenamed={(to) =>
              void navigate(`/m/${session.name}/data/items/${to}`, { replace: true })
            }
          />
          <Field
            label="Catalogue group"
            value={
              <Select
                w={220}
                aria-label="Catalogue group"
                clearable
                placeholder="In no group"
                data={header.groups.map((group) => ({
                  value: group.name,
                  label: lookUp(group.names, language) ?? group.name,
                }))}
                value={item.group ?? null}
                onChange={(group) => set('Change the group', 'group', group ?? undefined)}
              />
            }
          />
          <Field
            label="Picture"
            value={
              <span style={{ display: 'inline-flex', gap: 6 }}>
                <Choice
                  w={156}
                  aria-label="Picture"
                  placeholder="None"
                  clearable
                  data={Object.keys(mod.textures)
                    .sort()
                    .map((texture) => ({ value: idOf(header.namespace, texture), label: texture }))}
                  value={item.texture ?? null}
                  onTake={(texture) => set('Change the picture', 'texture', texture)}
                  onClear={() => set('Change the picture', 'texture', undefined)}
                />
                <FileButton accept="image/png" onChange={(file) => void picture(file)}>
                  {(props) => (
                    <Button {...props} variant="default">
                      PNG…
                    </Button>
                  )}
                </FileButton>
              </span>
            }
            note="Or drop a PNG anywhere here."
          >
            {refused && (
              <p className="bad" role="alert">
                {refused}
              </p>
            )}
          </Field>
          <Field
            label="Stack"
            value={
              <NumberInput
                aria-label="Stack"
                w={90}
                min={1}
                max={9999}
                value={item.stack ?? usualStack}
                onChange={(stack) =>
                  typeof stack === 'number' &&
                  Number.isInteger(stack) &&
                  set('Change the stack', 'stack', stack)
                }
              />
            }
            note="So many lie in one place."
          />
          <Field label="Tags">
            <TagsInput
              aria-label="Item tags"
              placeholder="Add a tag"
              data={tags}
              value={item.tags ?? []}
              acceptValueOnBlur={false}
              classNames={{ pill: 'mono', input: 'mono' }}
              onChange={(list) => {
                const next = [
                  ...new Set(
                    list.map((tag) =>
                      tag.includes(':')
                        ? tag.trim()
                        : `${header.namespace}:${tag.trim().toLowerCase().replaceAll(' ', '_')}`,
                    ),
                  ),
                ].filter((tag) => Id.safeParse(tag).success);
                set('Change the tags', 'tags', next.length ? next : undefined);
              }}
            />
          </Field>
        </div>
        <div>
          <Field
            label="What it is"
            value={
              <select
                className="pick"
                aria-label="What it is"
                value={kind}
                onChange={(event) => become(event.currentTarget.value)}
              >
                <option value="plain">a plain item</option>
                <option value="tool">a tool of the ladder</option>
                <option value="bucket">a bucket</option>
              </select>
            }
          >
            {item.tool && (
              <div className="icon-row">
                <select
                  className="pick"
                  aria-label="Kind of tool"
                  value={item.tool.kind}
                  onChange={(event) =>
                    set('Change the kind of tool', 'tool', {
                      ...item.tool,
                      kind: event.currentTarget.value as ToolKind,
                    })
                  }
                >
                  {toolKinds.map((one) => (
                    <option key={one}>{one}</option>
                  ))}
                </select>
                <select
                  className="pick"
                  aria-label="Grade"
                  value={item.tool.grade}
                  onChange={(event) =>
                    set('Change the grade', 'tool', {
                      ...item.tool,
                      grade: Number(event.currentTarget.value),
                    })
                  }
                >
                  {header.tools.grades.map((grade, at) => (
                    <option key={grade.name} value={at}>
                      {grade.name}
                    </option>
                  ))}
                  {!header.tools.grades[item.tool.grade] && (
                    <option value={item.tool.grade}>grade {item.tool.grade}</option>
                  )}
                </select>
                <span className="note" style={{ margin: 0 }}>
                  digs{' '}
                  {item.tool.grade in header.tools.grades
                    ? `${itemAt(header.tools.grades, item.tool.grade).pace} times as fast`
                    : 'as with bare hands'}
                </span>
              </div>
            )}
            {item.bucket && (
              <div className="icon-row">
                <span className="note" style={{ margin: 0 }}>
                  of
                </span>
                <select
                  className="pick"
                  aria-label="Block in the bucket"
                  value={item.bucket.of}
                  onChange={(event) =>
                    set('Change what is in it', 'bucket', {
                      ...item.bucket,
                      of: event.currentTarget.value,
                    })
                  }
                >
                  {[
                    ...new Set([
                      ...Object.keys(mod.blocks).map((block) => idOf(header.namespace, block)),
                      item.bucket.of,
                    ]),
                  ].map((block) => (
                    <option key={block}>{block}</option>
                  ))}
                </select>
                <span className="note" style={{ margin: 0 }}>
                  out of
                </span>
                <span style={{ width: 150 }}>
                  <ItemSelect
                    aria-label="Empty bucket"
                    value={item.bucket.empty}
                    options={options}
                    onItem={(empty) =>
                      set('Change the empty bucket', 'bucket', { ...item.bucket, empty })
                    }
                  />
                </span>
              </div>
            )}
          </Field>
          <Field
            label="The world has it"
            value={
              <Checkbox
                aria-label="The world has it"
                checked={item.natural ?? false}
                onChange={(event) =>
                  set(
                    event.currentTarget.checked ? 'The world has it' : 'The world does not have it',
                    'natural',
                    event.currentTarget.checked || undefined,
                  )
                }
              />
            }
            note="It lies about, or traders bring it: nobody needs to make it."
          />
          <HowHad id={id} />
        </div>
      </div>
      <div className="ends">
        <Button
          variant="subtle"
          color="brick"
          px={0}
          onClick={() => {
            session.edit(`Remove ${title}`, removeItem(session.view.mod, name));
            void navigate(`/m/${session.name}/data/items`);
          }}
        >
          Remove this item
        </Button>
        <span className="note">{whoMisses(mod, id)}</span>
      </div>
    </div>
  );
}

/** Who would miss an item, in a sentence. */
function whoMisses(mod: ReturnType<typeof useMod>, id: string): string {
  const recipes = Object.values(mod.recipes).filter((recipe) =>
    JSON.stringify(recipe).includes(`"${id}"`),
  ).length;
  const blocks = Object.values(mod.blocks).filter(
    ({ loot }) => typeof loot === 'object' && JSON.stringify(loot).includes(`"${id}"`),
  ).length;
  return recipes || blocks
    ? `${[recipes && count(recipes, 'recipe'), blocks && `the loot of ${count(blocks, 'block')}`].filter(Boolean).join(' and ')} ` +
        'would miss it.'
    : '';
}
