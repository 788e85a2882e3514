import { Link } from 'react-router';
import type { FolderAnswer } from '../../core/api/index.ts';
import { count } from '../../core/words/index.ts';
import { useSession, useView } from '../api/hooks.tsx';
import styles from './folder-mark.module.css';

/** Says in the bar when the folder of the mod needs somebody; nothing while both sides are alike. */
export function FolderMark() {
  const session = useSession();
  const { folder } = useView();
  const words = folder && whatIsWrong(folder);
  if (!folder || words === undefined) return null;
  return (
    <Link
      to={`/m/${session.name}/home#folder`}
      className={styles['mark']}
      title={folder.problem ?? folder.unread[0]?.message ?? 'Both sides changed the same value'}
    >
      {words}
    </Link>
  );
}

/** What somebody must see to, in a few words. */
function whatIsWrong({ problem, unread, clashes }: FolderAnswer): string | undefined {
  if (problem !== undefined) return 'Folder away';
  if (clashes.length) return `Folder: choose in ${count(clashes.length, 'file')}`;
  if (unread.length) return `Folder: ${count(unread.length, 'file')} unread`;
  return undefined;
}
