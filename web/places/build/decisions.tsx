import { Button, SegmentedControl } from '@mantine/core';
import clsx from 'clsx';
import { useState } from 'react';
import type { Plan } from '../../../core/api/index.ts';
import { count } from '../../../core/words/index.ts';
import type { PlannedFile } from './file-tree.tsx';
import { isDisputed } from './plan.ts';
import buildStyles from './build.module.css';
import styles from './decisions.module.css';

export type Answer = 'mine' | 'Obrank’s';

interface DecisionsProps {
  plan: Plan;
  /** The files of which it was said that Obrank's take the place of what stands there. */
  taken: ReadonlySet<string>;
  onAnswer: (paths: readonly string[], answer: Answer) => void;
  /** Shows both texts of a file. */
  onShow: (path: string) => void;
  shown: string | undefined;
}

/** So many files are laid out before one asks for all. */
const mostListed = 12;

/** What people changed by hand at the target: asked file by file, since either may be the right one. */
export function Decisions({ plan, taken, onAnswer, onShow, shown }: DecisionsProps) {
  const [isAll, setAll] = useState(false);
  const disputed = plan.files.filter(
    (file) => isDisputed(file) || file.fate === 'mine' || taken.has(file.path),
  );
  const open = disputed.filter((file) => isDisputed(file) && !taken.has(file.path));
  if (!disputed.length) return null;
  const paths = disputed.map((file) => file.path);
  const answerOf = (file: PlannedFile) =>
    file.fate === 'mine' ? 'mine' : taken.has(file.path) ? 'Obrank’s' : '';
  return (
    <section className={clsx(buildStyles['ask'], styles['decisions'])} aria-label="Changed by hand">
      <header>
        <p>
          {open.length > 0
            ? `${plan.ask ?? ''} Say of each which one stays.`
            : `${count(disputed.length, 'file')} changed by hand: all decided.`}
        </p>
        {disputed.length > 1 && (
          <>
            <Button variant="default" onClick={() => onAnswer(paths, 'mine')}>
              Keep all mine
            </Button>
            <Button variant="default" onClick={() => onAnswer(paths, 'Obrank’s')}>
              Take all of Obrank’s
            </Button>
          </>
        )}
      </header>
      <ul>
        {disputed.slice(0, isAll ? undefined : mostListed).map((file) => (
          <li key={file.path}>
            <button
              type="button"
              className={styles['path']}
              aria-pressed={file.path === shown}
              onClick={() => onShow(file.path)}
            >
              <span className="mono">{file.path}</span>
              <span className="link">show both</span>
            </button>
            {file.fate === 'clash' ? (
              <span className="soft">{count(file.clashes ?? 1, 'place')}, side by side below</span>
            ) : (
              <SegmentedControl
                aria-label={`Which ${file.path} stays`}
                value={answerOf(file)}
                onChange={(answer) => onAnswer([file.path], answer as Answer)}
                data={[
                  { value: 'mine', label: 'Keep mine' },
                  { value: 'Obrank’s', label: 'Take Obrank’s' },
                ]}
              />
            )}
          </li>
        ))}
      </ul>
      {disputed.length > mostListed && !isAll && (
        <button type="button" className="link" onClick={() => setAll(true)}>
          Show all {disputed.length}
        </button>
      )}
    </section>
  );
}
