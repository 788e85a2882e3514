import clsx from 'clsx';
import type { Plan } from '../../../core/api/index.ts';
import { useMemo } from 'react';
import styles from './build.module.css';

export type PlannedFile = Plan['files'][number];
export type Fate = PlannedFile['fate'];

const words: Record<Fate, string> = {
  new: 'new',
  changed: 'changed',
  same: 'same',
  gone: 'gone',
  edited: 'edited by hand',
  foreign: 'not Obrank’s',
  mine: 'yours',
  merged: 'kept by hand',
  clash: 'both changed it',
  kept: 'left alone',
};
/** What a build does not touch. */
const staying: readonly Fate[] = ['same', 'kept', 'mine'];

const tags: Partial<Record<Fate, string>> = {
  new: 'good',
  changed: 'warning',
  gone: 'error',
  edited: 'error',
  foreign: 'error',
  mine: 'hint',
  merged: 'hint',
  clash: 'error',
};

/** The files of the plan by folder, each with what will happen to it. */
export function FileTree({
  files,
  joins,
  chosen,
  onChoose,
}: {
  files: readonly PlannedFile[];
  /** Whether they come into somebody else's pack. */
  joins: boolean;
  chosen: string | undefined;
  onChoose: (path: string) => void;
}) {
  const folders = useMemo(() => {
    const found = new Map<string, PlannedFile[]>();
    for (const file of files) {
      const folder = file.path.slice(0, file.path.lastIndexOf('/') + 1);
      const list = found.get(folder);
      if (list) list.push(file);
      else found.set(folder, [file]);
    }
    return [...found];
  }, [files]);
  return (
    <nav className={styles['tree']} aria-label="Files of the build">
      {folders.map(([folder, list]) => {
        const changing = list.filter(({ fate }) => !staying.includes(fate)).length;
        return (
          <details key={folder} open={list.length <= 60 || changing > 0}>
            <summary>
              <span className="mono">{folder || './'}</span>{' '}
              <span className="soft">
                {changing && changing < list.length
                  ? `${changing} of ${list.length} to write`
                  : list.length}
              </span>
            </summary>
            {list.slice(0, 500).map((file) => (
              <button
                key={file.path}
                type="button"
                aria-current={file.path === chosen ? 'true' : undefined}
                onClick={() => onChoose(file.path)}
              >
                <span className="mono">{file.path.slice(folder.length)}</span>
                <span
                  className={clsx('small', tags[file.fate] ? ['tag', tags[file.fate]] : 'soft')}
                >
                  {joins && file.fate === 'merged' ? 'put together' : words[file.fate]}
                </span>
              </button>
            ))}
            {list.length > 500 && (
              <p className={clsx('note', styles['more'])}>and {list.length - 500} more</p>
            )}
          </details>
        );
      })}
    </nav>
  );
}
