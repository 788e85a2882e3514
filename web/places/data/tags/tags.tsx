import { SegmentedControl, TextInput } from '@mantine/core';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { idOf, lookUp, type TagKind } from '../../../../core/mod/index.ts';
import { tagsShown } from '../../../../core/tags/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useFindings, useInspector, useMod, useSession } from '../../../api/hooks.tsx';
import { DataTabs } from '../data-tabs.tsx';
import { NewEntry } from '../new-entry.tsx';
import { Key } from './key.tsx';
import { OneTag } from './one-tag.tsx';
import { TagMatrix } from './tag-matrix.tsx';
import styles from './tags.module.css';
import pageStyles from '../page.module.css';
import listPageStyles from '../list-page.module.css';

/** The rule whose fixes are offered together. */
const toolTagRule = 'traits/missing-in-tool-tag';
const emptyNotes: Record<TagKind, string> = {
  blockTags: 'A tag is a name for several blocks. Tools look into tags to know what they dig.',
  itemTags: 'A tag is a name for several items. A recipe that takes a tag takes whatever is in it.',
};

/** Who is in which tag, who needs it, and what is wrong with it. */
export function Tags() {
  const mod = useMod();
  const { kind, wanted, show } = useTagAddress();
  const [filter, setFilter] = useState('');
  const tags = useMemo(() => tagsShown(mod, kind), [mod, kind]);
  const open = wanted !== undefined && tags.includes(wanted) ? wanted : undefined;
  return (
    <div className={pageStyles['data-page']}>
      <DataTabs />
      <div className={pageStyles['split']}>
        <div className={styles['tag-main']}>
          <TagsBar kind={kind} filter={filter} onFilter={setFilter} show={show} />
          {tags.length ? (
            <TagMatrix
              key={kind}
              {...{ mod, kind, tags, filter, open }}
              onOpen={(tag) => show({ kind, tag: tag === open ? undefined : tag })}
            />
          ) : (
            <div className={listPageStyles['data-empty']}>
              <h2>No {kind === 'blockTags' ? 'block' : 'item'} tag yet</h2>
              <p className="note">{emptyNotes[kind]}</p>
            </div>
          )}
        </div>
        <aside className={pageStyles['side']} aria-label="The tag">
          {open === undefined ? (
            <Key kind={kind} />
          ) : (
            <OneTag key={open} kind={kind} tag={open} onTag={(tag) => show({ kind, tag })} />
          )}
        </aside>
      </div>
    </div>
  );
}

interface Shown {
  kind: TagKind;
  tag?: string | undefined;
}

/** What the address names: tags of blocks or of items, and the one that is open. */
function useTagAddress(): {
  kind: TagKind;
  wanted: string | undefined;
  show: (shown: Shown) => void;
} {
  const [search, setSearch] = useSearchParams();
  const show = ({ kind, tag }: Shown) =>
    setSearch(
      {
        ...(kind === 'itemTags' ? { of: 'items' } : {}),
        ...(tag === undefined ? {} : { tag }),
      },
      { replace: true },
    );
  return {
    kind: search.get('of') === 'items' ? 'itemTags' : 'blockTags',
    wanted: search.get('tag') ?? undefined,
    show,
  };
}

interface BarProps {
  kind: TagKind;
  filter: string;
  onFilter: (filter: string) => void;
  show: (shown: Shown) => void;
}

function TagsBar({ kind, filter, onFilter, show }: BarProps) {
  const mod = useMod();
  const session = useSession();
  const declare = (name: string) => {
    session.set(`Declare the tag ${name}`, [kind, name], {});
    show({ kind, tag: idOf(mod.header.namespace, name) });
  };
  return (
    <div className={clsx(pageStyles['bulk-bar'], pageStyles['texts-bar'], pageStyles['wrapping'])}>
      <SegmentedControl
        aria-label="Tags of"
        value={kind}
        onChange={(value) => show({ kind: value })}
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
        onChange={(event) => onFilter(event.currentTarget.value)}
      />
      {kind === 'blockTags' && <AddToToolTags />}
      <span className={pageStyles['acts']}>
        <NewEntry
          what="tag"
          taken={(name) =>
            lookUp(mod[kind], name) ? 'There is already a tag of that name.' : undefined
          }
          onName={declare}
        />
      </span>
    </div>
  );
}

/** Puts every block into the tag that its tool looks into, where it is not yet. */
function AddToToolTags() {
  const inspector = useInspector();
  const findings = useFindings() ?? [];
  const missing = findings.filter(({ rule, fix }) => rule === toolTagRule && fix).length;
  if (!missing) return null;
  const add = () =>
    inspector.fixAll(
      toolTagRule,
      (mended) => `Add ${count(mended, 'block')} to the tags of their tools`,
    );
  return (
    <button type="button" className="link" onClick={() => void add()}>
      Add the {missing} that tools ask for
    </button>
  );
}
