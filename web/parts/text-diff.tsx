import './text-diff.css';
import { diffLines } from 'diff';
import { useMemo } from 'react';

/** A text with the lines marked that came and went; without `before`, just the text. */
export function TextDiff({ before, after }: { before: string | undefined; after: string }) {
  const parts = useMemo(() => (before === undefined ? [{ value: after, added: false, removed: false }] : diffLines(before, after)), [before, after]);
  let number = 0;
  return (
    <pre className="code" tabIndex={0}>
      {parts.flatMap((part, p) => part.value.replace(/\n$/, '').split('\n').map((line, i) => {
        if (!part.removed) number += 1;
        const kind = part.added ? 'more' : part.removed ? 'less' : undefined;
        return <div key={`${p} ${i}`} className={kind}><span aria-label={kind === 'more' ? 'new line' : kind === 'less' ? 'old line' : undefined}>{part.removed ? '−' : part.added ? `+ ${number}` : number}</span><span>{line}</span></div>;
      }))}
    </pre>
  );
}

/** How many lines of a text differ. */
export const changedLines = (before: string, after: string): number => diffLines(before, after).reduce((sum, part) => sum + (part.added || part.removed ? part.count ?? 0 : 0), 0);
