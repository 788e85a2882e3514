import { useMemo, type Ref } from 'react';
import type { Span, WrittenText } from '../../../../core/kits/index.ts';
import { markLines } from '../../../parts/lines.ts';
import { linesIn } from './lines.ts';
import { Gutter } from './template-editor.tsx';
import styles from './writes.module.css';

/** So many letters are laid out; a longer text goes on below. */
const mostShown = 40_000;

interface WrittenProps {
  written: WrittenText;
  /** What stood there before the last change. */
  before: string | undefined;
  /** The stretch that is looked at. */
  looked: Span | undefined;
  lookedRef: Ref<HTMLElement>;
  onLook: (span: Span | undefined) => void;
}

/** What a template wrote: the lines that the last change touched are marked, each stretch can be pointed at. */
export function Written({ written, before, looked, lookedRef, onLook }: WrittenProps) {
  const { text, spans } = written;
  const shown = text.slice(0, mostShown);
  const changed = useMemo(() => changedIn(before, shown), [before, shown]);
  const parts = useMemo(() => spans.filter(({ from }) => from < mostShown), [spans]);
  return (
    <div className={styles['text']}>
      <Gutter lines={linesIn(shown)} changed={changed} />
      <pre
        className={styles['written']}
        tabIndex={0}
        aria-label="What it writes"
        onPointerLeave={() => onLook(undefined)}
      >
        {parts.map((span) => {
          const isLooked = looked === span;
          return (
            <span
              key={span.from}
              ref={isLooked ? lookedRef : undefined}
              className={isLooked ? styles['looked'] : undefined}
              data-plain={span.isPlain || undefined}
              onPointerEnter={() => onLook(span)}
            >
              {text.slice(span.from, Math.min(span.to, mostShown))}
            </span>
          );
        })}
        {text.length > mostShown && (
          <em className={styles['more']}>
            and {(text.length - mostShown).toLocaleString('en')} letters more
          </em>
        )}
      </pre>
    </div>
  );
}

/** The lines that are other ones than before. */
function changedIn(before: string | undefined, after: string): Set<number> | undefined {
  if (before === undefined || before === after) return undefined;
  return new Set(
    markLines(before, after).flatMap(({ kind, number }) =>
      kind === 'more' && number !== undefined ? [number] : [],
    ),
  );
}
