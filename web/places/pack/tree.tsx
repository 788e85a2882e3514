import clsx from 'clsx';
import { useEffect, useMemo, useRef } from 'react';
import type { PackView } from '../../workers/pack-protocol.ts';
import { Pips } from './pips.tsx';
import styles from './pack.module.css';

/** So many files of one folder are listed. */
const mostListed = 400;

/** The files of the pack by folder, with how much is wrong in each. */
export function Tree({
  pack,
  chosen,
  onChoose,
}: {
  pack: PackView;
  chosen: string | undefined;
  onChoose: (path: string) => void;
}) {
  const folders = useMemo(() => foldersOf(pack), [pack]);
  const here = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <nav className={styles['tree']} aria-label="Files of the pack">
      {folders.map(({ folder, files, found }) => (
        <details key={folder} open={found.length > 0 || folders.length < 8}>
          <summary>
            <span className="mono">{folder || 'at the top'}</span>
            {files.some(({ isChanged }) => isChanged) && (
              <span className={styles['mended']}>mended</span>
            )}
            {found.length ? (
              <Pips findings={found} />
            ) : (
              <span className="small">{files.length}</span>
            )}
          </summary>
          {files.slice(0, mostListed).map(({ path, found: own, isChanged, isThere }) => (
            <button
              key={path}
              ref={path === chosen ? here : undefined}
              type="button"
              aria-current={path === chosen ? 'true' : undefined}
              className={clsx(!own.length && styles['quiet'])}
              onClick={() => onChoose(path)}
            >
              <span className={clsx('mono', !isThere && styles['gone'])}>
                {path.slice(folder.length)}
              </span>
              {isChanged && <span className={styles['mended']}>mended</span>}
              {own.length > 0 && <Pips findings={own} />}
            </button>
          ))}
          {files.length > mostListed && (
            <p className={clsx('note', styles['more'])}>and {files.length - mostListed} more</p>
          )}
        </details>
      ))}
    </nav>
  );
}

type Findings = PackView['findings'];

interface Folder {
  folder: string;
  files: { path: string; found: Findings; isChanged: boolean; isThere: boolean }[];
  found: Findings;
}

/** Folders with findings first in each, by path; also a file that is told of and not there. */
function foldersOf({ files, findings, changed }: PackView): Folder[] {
  const byFile = new Map<string, Findings>();
  for (const finding of findings) {
    const list = byFile.get(finding.file ?? '');
    if (list) list.push(finding);
    else byFile.set(finding.file ?? '', [finding]);
  }
  const there = new Set(files.map(({ path }) => path));
  const folders = new Map<string, Folder>();
  for (const path of [...new Set([...there, ...byFile.keys(), ...changed])].sort()) {
    const folder = path.slice(0, path.lastIndexOf('/') + 1);
    const list = folders.get(folder) ?? { folder, files: [], found: [] };
    folders.set(folder, list);
    const found = byFile.get(path) ?? [];
    const isThere = there.has(path);
    list.files.push({ path, found, isChanged: changed.includes(path), isThere });
    list.found.push(...found);
  }
  for (const { files: list } of folders.values())
    list.sort((a, b) => Number(b.found.length > 0) - Number(a.found.length > 0));
  return [...folders.values()].sort((a, b) => (a.folder < b.folder ? -1 : 1));
}
