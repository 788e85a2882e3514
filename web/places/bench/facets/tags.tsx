import clsx from 'clsx';
import { itemAt } from '../../../../core/lists/index.ts';
import { lookUp, tagIdsIn, type Mod, type TagKind } from '../../../../core/mod/index.ts';
import { TagsInput } from '@mantine/core';
import { Link } from 'react-router';
import { count } from '../../../../core/words/index.ts';
import { directMembers, membersOf, needsOf } from '../../../../core/tags/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import type { FacetProps } from './index.tsx';
import styles from './tags.module.css';

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

interface ListProps {
  kind: TagKind;
  label: string;
  tags: readonly string[];
  id: string;
  onTags: (tags: string[]) => void;
}

function TagList({ kind, label, tags, id, onTags }: ListProps) {
  const mod = useMod();
  const addressOf = useTagAddress(kind);
  const known = tagsOffered(mod, kind);
  const through = [...membersOf(mod, kind)]
    .filter(([tag, members]) => members.has(id) && !tags.includes(tag))
    .map(([tag]) => tag);
  return (
    <>
      <h3 className={kind === 'blockTags' ? 'part first' : 'part'}>{label}</h3>
      <TagsInput
        aria-label={kind === 'blockTags' ? 'Tags' : label}
        placeholder="Add a tag"
        data={known}
        value={[...tags]}
        onChange={(typed) => onTags(tagIdsIn(mod.header.namespace, typed))}
        classNames={{ pill: 'mono', input: 'mono' }}
        clearable={false}
        acceptValueOnBlur={false}
      />
      <p className={clsx('note', styles['tags-note'])}>
        Enter adds a tag. A name without a namespace is one of this mod&apos;s.{' '}
        <Link to={addressOf()} className="link">
          All as a matrix
        </Link>
      </p>
      {tags.map((tag) => (
        <Field
          key={tag}
          label={
            <Link to={addressOf(tag)} className={clsx('mono', styles['tag-link'])}>
              {tag}
            </Link>
          }
          note={tagInWords(mod, kind, tag)}
        />
      ))}
      {through.length > 0 && <Through tags={through} addressOf={addressOf} />}
    </>
  );
}

type AddressOf = (tag?: string) => string;

/** Where the matrix of tags of a kind is, with one of them open. */
function useTagAddress(kind: TagKind): AddressOf {
  const home = `/m/${useSession().name}/data/tags`;
  return (tag) => {
    const search = new URLSearchParams({
      ...(kind === 'itemTags' ? { of: 'items' } : {}),
      ...(tag === undefined ? {} : { tag }),
    });
    return search.size ? `${home}?${search.toString()}` : home;
  };
}

/** The tags that are there already, and for blocks those that tools look into. */
function tagsOffered(mod: Mod, kind: TagKind): string[] {
  const ofTools = Object.values(mod.header.tools.kinds).map(({ tag }) => tag);
  const there = directMembers(mod, kind).keys();
  return [...new Set([...there, ...(kind === 'blockTags' ? ofTools : [])])].sort();
}

/** What a tag is for, who looks into it, and how much else is in it. */
function tagInWords(mod: Mod, kind: TagKind, tag: string): string {
  const note = lookUp(mod[kind], tag.slice(tag.indexOf(':') + 1))?.note;
  const who = (needsOf(mod, kind).get(tag) ?? []).map(({ what, name }) =>
    what === 'tool' ? `Every ${name}` : `The ${what} ${name}`,
  );
  const more = who.length > 1 ? ` and ${who.length - 1} more` : '';
  const needed = who.length ? `${itemAt(who, 0)}${more} looks here.` : undefined;
  const others = (membersOf(mod, kind).get(tag)?.size ?? 1) - 1;
  const members = others ? `${count(others, 'other member')}.` : 'Nothing else is in it.';
  return [note, needed, members].filter((part) => part !== undefined).join(' ');
}

const Through = ({ tags, addressOf }: { tags: readonly string[]; addressOf: AddressOf }) => (
  <p className="note">
    Through other tags it is also in{' '}
    {tags.map((tag, i) => (
      <span key={tag}>
        {i > 0 && ', '}
        <Link to={addressOf(tag)} className="mono">
          {tag}
        </Link>
      </span>
    ))}
    .
  </p>
);
