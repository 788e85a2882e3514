import { itemAt } from '../../../../core/lists/index.ts';
import { lookUp } from '../../../../core/mod/index.ts';
import { TagsInput } from '@mantine/core';
import { Link } from 'react-router';
import { idPattern } from '../../../../core/mod/names.ts';
import type { TagKind } from '../../../../core/mod/index.ts';
import { directMembers, membersOf, needsOf } from '../../../../core/tags/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import type { FacetProps } from './index.tsx';

/** The tags that the block and its item are in, and who needs each. */
export function TagsFacet({ editor: { declared, block, set } }: FacetProps) {
  return (
    <>
      <TagList
        kind="blockTags"
        label="Block tags"
        tags={declared.tags}
        id={block.id}
        onTags={(tags) => set('Change the tags', ['tags'], tags)}
      />
      {block.item !== 'none' && (
        <TagList
          kind="itemTags"
          label="Tags of its item"
          tags={declared.itemTags ?? []}
          id={block.id}
          onTags={(tags) =>
            set('Change the tags of its item', ['itemTags'], tags.length ? tags : undefined)
          }
        />
      )}
    </>
  );
}

function TagList({
  kind,
  label,
  tags,
  id,
  onTags,
}: {
  kind: TagKind;
  label: string;
  tags: readonly string[];
  id: string;
  onTags: (tags: string[]) => void;
}) {
  const mod = useMod();
  const home = `/m/${useSession().name}/data/tags`;
  const { namespace, tools } = mod.header;
  const direct = directMembers(mod, kind);
  const all = membersOf(mod, kind);
  const needs = needsOf(mod, kind);
  const known = [
    ...new Set([
      ...direct.keys(),
      ...(kind === 'blockTags' ? Object.values(tools.kinds).map((of) => of.tag) : []),
    ]),
  ].sort();
  const through = [...all]
    .filter(([tag, members]) => members.has(id) && !tags.includes(tag))
    .map(([tag]) => tag);
  const put = (list: string[]) =>
    onTags(
      [
        ...new Set(
          list.map((tag) =>
            (tag.includes(':') ? tag : `${namespace}:${tag}`)
              .trim()
              .toLowerCase()
              .replaceAll(' ', '_'),
          ),
        ),
      ].filter((tag) => idPattern.test(tag)),
    );
  const link = (tag: string) =>
    `${home}?${kind === 'itemTags' ? 'of=items&' : ''}tag=${encodeURIComponent(tag)}`;
  const says = (tag: string) => {
    const who = needs
      .get(tag)
      ?.map(({ what, name }) =>
        what === 'tool'
          ? `every ${name}`
          : what === 'recipe'
            ? `the recipe ${name}`
            : `the tag ${name}`,
      );
    const others = (all.get(tag)?.size ?? 1) - 1;
    const note = lookUp(mod[kind], tag.slice(tag.indexOf(':') + 1))?.note;
    return (
      <>
        {note}{' '}
        {who?.length
          ? `${itemAt(who, 0)[0]!.toUpperCase()}${itemAt(who, 0).slice(1)}${who.length > 1 ? ` and ${who.length - 1} more` : ''} ` +
            'looks here. '
          : ''}
        {others
          ? `${others} other ${others === 1 ? 'member' : 'members'}.`
          : 'Nothing else is in it.'}
      </>
    );
  };
  return (
    <>
      <h3 className="part" style={{ marginTop: kind === 'blockTags' ? 0 : undefined }}>
        {label}
      </h3>
      <TagsInput
        aria-label={kind === 'blockTags' ? 'Tags' : label}
        placeholder="Add a tag"
        data={known}
        value={[...tags]}
        onChange={put}
        classNames={{ pill: 'mono', input: 'mono' }}
        clearable={false}
        acceptValueOnBlur={false}
      />
      <p className="note" style={{ margin: '6px 0 12px' }}>
        Enter adds a tag. A name without a namespace is one of this mod's.{' '}
        <Link to={`${home}${kind === 'itemTags' ? '?of=items' : ''}`} className="link">
          All as a matrix
        </Link>
      </p>
      {tags.map((tag) => (
        <Field
          key={tag}
          label={
            <Link to={link(tag)} className="mono" style={{ fontWeight: 600 }}>
              {tag}
            </Link>
          }
          note={says(tag)}
        />
      ))}
      {through.length > 0 && (
        <p className="note">
          Through other tags it is also in{' '}
          {through.map((tag, i) => (
            <span key={tag}>
              {i > 0 && ', '}
              <Link to={link(tag)} className="mono">
                {tag}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
    </>
  );
}
