import { Link } from 'react-router';
import type { CatalogueEntry } from '../../../../core/mod/index.ts';
import { useSession } from '../../../api/hooks.tsx';
import { ItemIcon } from '../../../parts/item.tsx';
import styles from '../../../parts/icon-row.module.css';

const mostShown = 60;

/** What players find in a group, each a way to its own page. */
export function Members({ members }: { members: readonly CatalogueEntry[] }) {
  const home = `/m/${useSession().name}`;
  const addressOf = ({ kind, name }: CatalogueEntry) =>
    kind === 'blocks' ? `${home}/blocks/${name}/identity` : `${home}/data/items/${name}`;
  return (
    <div className={styles['icon-row']}>
      {members.slice(0, mostShown).map((member) => (
        <Link key={member.id} to={addressOf(member)} title={member.id}>
          <ItemIcon id={member.id} size={22} />
          {member.title}
        </Link>
      ))}
      {members.length > mostShown && (
        <span className="note">and {members.length - mostShown} more</span>
      )}
      {!members.length && (
        <span className="note">
          Nothing is in it. A block&apos;s Identity and an item&apos;s page say where it is found.
        </span>
      )}
    </div>
  );
}
