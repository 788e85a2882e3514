import type { ReactNode } from 'react';
import { SavedMark } from './frame.tsx';
import { StationLine, type Stop } from './station-line.tsx';
import styles from './desk-head.module.css';

interface DeskHeadProps {
  title: string;
  /** What it is called in files, and what that is, if it needs saying. */
  id: string;
  kind?: string;
  facts: ReactNode;
  /** What it comes from, where it follows something else. */
  from?: ReactNode;
  /** What the line of stations is called. */
  label: string;
  stops: readonly Stop[];
  current: string;
}

/** The head of a desk: what lies on it, a few facts, and the line of its stations. */
export function DeskHead({ title, id, kind, facts, from, ...line }: DeskHeadProps) {
  return (
    <div className={styles['head']}>
      <h1 tabIndex={-1} data-desk={id}>
        <b title={title}>{title}</b>
        <span className="mono" title={id}>
          {kind} {id}
        </span>
        {from}
        <span className={styles['facts']}>
          <SavedMark /> · {facts}
        </span>
      </h1>
      <StationLine {...line} />
    </div>
  );
}
