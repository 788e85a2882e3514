import { useMemo } from 'react';
import { markLines } from './lines.ts';
import styles from './text-diff.module.css';

/** A text with the lines marked that came and went; without `before`, just the text. */
export function TextDiff({ before, after }: { before: string | undefined; after: string }) {
  const lines = useMemo(() => markLines(before, after), [before, after]);
  return (
    <pre className={styles['code']} tabIndex={0}>
      {lines.map(({ text, kind, number }, i) => (
        <div key={i} className={kind && styles[kind]}>
          <span aria-label={kind && (kind === 'more' ? 'new line' : 'old line')}>
            {kind === 'less' ? '−' : kind ? `+ ${number}` : number}
          </span>
          <span>{text}</span>
        </div>
      ))}
    </pre>
  );
}
