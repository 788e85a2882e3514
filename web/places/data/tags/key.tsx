import { TagsInput } from '@mantine/core';
import clsx from 'clsx';
import { otherNamespaces, type TagKind } from '../../../../core/mod/index.ts';
import type { TagMark } from '../../../../core/tags/index.ts';
import { useModPart, useSession } from '../../../api/hooks.tsx';
import styles from './tags.module.css';

/** What the marks mean, and which other mods are needed. */
export function Key({ kind }: { kind: TagKind }) {
  return (
    <>
      <h2 className="part first">What the marks say</h2>
      <div className={styles['tag-key']}>
        <Mark mark="in" words="in the tag" />
        <Mark mark="through" words="in it through another tag" />
        {kind === 'blockTags' && <Mark mark="wanted" words="its tool asks for it" />}
        <Mark mark="no" words="would close a circle" />
      </div>
      <p className="note">
        Space puts in and takes out, Enter opens a tag. The number says how many are in it; a kind
        of tool or a recipe needs what is marked so.
      </p>
      <Needs />
    </>
  );
}

const Mark = ({ mark, words }: { mark: TagMark; words: string }) => (
  <span>
    <span className={clsx(styles['tag-cell'], styles[mark])}>
      <i />
    </span>
    {words}
  </span>
);

/** Other mods whose things are named. */
function Needs() {
  const { needs = [], namespace } = useModPart(({ header }) => ({
    needs: header.needs,
    namespace: header.namespace,
  }));
  const session = useSession();
  const put = (typed: readonly string[]) => {
    const next = otherNamespaces(namespace, typed).map(
      (name) => needs.find((need) => need.namespace === name) ?? { namespace: name },
    );
    const after = next.length ? next : undefined;
    session.set('Change the mods that it needs', ['header', 'needs'], after);
  };
  return (
    <>
      <h2 className="part">Other mods that it needs</h2>
      <TagsInput
        aria-label="Other mods that it needs"
        placeholder={needs.length ? '' : 'None'}
        value={needs.map((need) => need.namespace)}
        acceptValueOnBlur={false}
        onChange={put}
      />
      <p className="note">
        Tags and items of these may be named: <span className="mono">driftwood:shiny</span>. Enter
        adds one.
      </p>
    </>
  );
}
