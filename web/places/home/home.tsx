import { useModPart, useSession, useView } from '../../api/hooks.tsx';
import { pastIn } from '../../api/past.ts';
import { count } from '../../../core/words/index.ts';
import { SavedMark } from '../../parts/frame.tsx';
import { FolderSection } from './folder/folder.tsx';
import { HistorySection } from './history/history.tsx';
import { ModPicture } from './mod-picture.tsx';
import { Settings } from './settings/settings.tsx';
import styles from './home.module.css';

/**
 * The mod itself as a page of a ledger: what it is, the folder it lives in, and what was done. Its
 * settings are lines that are edited where they stand: there is no form and nothing to save.
 */
export function Home() {
  const header = useModPart((mod) => mod.header);
  const isPast = pastIn(useSession().name) !== undefined;
  return (
    <div className="page">
      <header className={styles['head']}>
        <ModPicture size={56} />
        <div>
          <h1>
            {header.title} <span className="mono soft">{header.version}</span>
          </h1>
          <Tally />
        </div>
        <span className={styles['saved']}>
          <span className="note inline">
            <SavedMark />
          </span>
        </span>
      </header>
      <div className={styles['ledger']}>
        <Settings header={header} />
        {!isPast && (
          <div>
            <FolderSection />
            <HistorySection />
          </div>
        )}
      </div>
    </div>
  );
}

/** What the mod holds, in numbers. */
function Tally() {
  const { mod } = useView();
  const sums = [
    count(Object.keys(mod.blocks).length, 'block'),
    count(Object.keys(mod.items).length, 'item'),
    count(Object.keys(mod.recipes).length, 'recipe'),
    count(Object.keys(mod.textures).length, 'texture'),
  ];
  return (
    <p className="note inline">
      <span className="mono">{mod.header.namespace}</span> · {sums.join(' · ')}
    </p>
  );
}
