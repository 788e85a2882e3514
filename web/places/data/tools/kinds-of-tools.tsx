import { resolveBlocks } from '../../../../core/mod/index.ts';
import { Id } from '../../../../core/mod/names.ts';
import { count } from '../../../../core/words/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { CommitField } from '../../../parts/commit-field.tsx';
import styles from './tools.module.css';

/** The tag by which each kind of tool finds what it digs, and how many blocks it digs. */
export function KindsOfTools() {
  const mod = useMod();
  const blocks = resolveBlocks(mod);
  const dugWith = (kind: string) => blocks.filter(({ traits }) => traits.toolKind === kind).length;
  return (
    <table className={styles['ladder']} aria-label="Kinds of tools">
      <thead>
        <tr>
          <th>Kind</th>
          <th>Tag of the blocks it digs</th>
          <th>Digs</th>
        </tr>
      </thead>
      <tbody>
        {Object.entries(mod.header.tools.kinds).map(([kind, { tag }]) => (
          <tr key={kind}>
            <td>{kind}</td>
            <td>
              <TagField kind={kind} tag={tag} />
            </td>
            <td>{count(dugWith(kind), 'block')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function TagField({ kind, tag }: { kind: string; tag: string }) {
  const session = useSession();
  return (
    <CommitField
      aria-label={`Tag of the ${kind}`}
      w={260}
      className="mono"
      text={tag}
      check={(next) =>
        Id.safeParse(next).success ? undefined : 'Use an id such as saltmarsh:pick_dug.'
      }
      onText={(next) =>
        session.set(
          `Change the tag of the ${kind}`,
          ['header', 'tools', 'kinds', kind, 'tag'],
          next,
        )
      }
    />
  );
}
