import clsx from 'clsx';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PackView } from '../../workers/pack-protocol.ts';
import { Said } from './said.tsx';
import { folded, tokenAt, writtenLines, type Piece, type WrittenLine } from './written.ts';
import styles from './pack.module.css';

type Told = PackView['findings'][number] & { index: number };

/**
 * A file as its author wrote it: a pencil mark at each place, the sentence in the margin, and of the
 * chosen finding the mend as a strike and an insertion.
 */
export function Text({
  text,
  mended,
  told,
  chosen,
  onChoose,
}: {
  text: string;
  mended: string | undefined;
  told: readonly Told[];
  chosen: number | undefined;
  onChoose: (finding: number) => void;
}) {
  const [opened, setOpened] = useState<ReadonlySet<number>>(new Set());
  const lines = useMemo(() => writtenLines(text, mended), [text, mended]);
  const byLine = useMemo(() => {
    const found = new Map<number, Told[]>();
    for (const finding of told) {
      const line = finding.place?.line ?? 1;
      found.set(line, [...(found.get(line) ?? []), finding]);
    }
    return found;
  }, [told]);
  const shown = useMemo(
    () => folded(lines, new Set(byLine.keys()), opened),
    [lines, byLine, opened],
  );
  const here = useRef<HTMLDivElement>(null);
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'center' });
  }, [chosen, text]);
  return (
    <div
      className={styles['sheet']}
      tabIndex={0}
      role="region"
      aria-label="The file as it was written"
    >
      {shown.map((line, i) => {
        if ('from' in line)
          return (
            <button
              key={`fold ${line.from}`}
              type="button"
              className={styles['fold']}
              onClick={() => setOpened(new Set([...opened, line.from]))}
            >
              lines {line.from} to {line.to}
            </button>
          );
        const found = (line.number !== undefined && byLine.get(line.number)) || [];
        const isHere = found.some(({ index }) => index === chosen);
        return (
          <div
            key={`${line.number ?? 'new'} ${i}`}
            ref={isHere ? here : undefined}
            className={clsx(styles['line'], isHere && styles['here'])}
          >
            <span className={styles['number']}>{line.number ?? '+'}</span>
            <code>
              <Pieces line={line} found={found} chosen={chosen} />
            </code>
            <div className={styles['margin']}>
              <Said {...{ found, chosen, onChoose }} />
            </div>
          </div>
        );
      })}
    </div>
  );
}

function Pieces({
  line,
  found,
  chosen,
}: {
  line: WrittenLine;
  found: readonly Told[];
  chosen: number | undefined;
}) {
  const isMended = line.pieces.some(({ kind }) => kind);
  if (isMended || !found.length)
    return line.pieces.map((piece, i) => <OnePiece key={i} {...piece} />);
  const text = line.pieces.map((piece) => piece.text).join('');
  const marks = marksIn(text, found, chosen);
  return marks.map(({ text: part, kind }, i) => (
    <span key={i} className={kind && clsx(styles['mark'], styles[kind])}>
      {part}
    </span>
  ));
}

const OnePiece = ({ text, kind }: Piece) =>
  kind === 'less' ? <del>{text}</del> : kind === 'more' ? <ins>{text}</ins> : <span>{text}</span>;

/** A line in parts, those marked at which something is told; the chosen one before the others. */
function marksIn(
  text: string,
  found: readonly Told[],
  chosen: number | undefined,
): { text: string; kind?: string }[] {
  const ranges = found
    .map(({ index, severity, place }) => ({
      range: tokenAt(text, place?.column ?? 1),
      kind: index === chosen ? 'circled' : severity,
    }))
    .sort((a, b) => a.range[0] - b.range[0] || Number(b.kind === 'circled') - 1);
  const parts: { text: string; kind?: string }[] = [];
  let at = 0;
  for (const { range, kind } of ranges) {
    const from = Math.max(at, range[0]);
    if (range[1] <= from) continue;
    if (from > at) parts.push({ text: text.slice(at, from) });
    parts.push({ text: text.slice(from, range[1]) || ' ', kind });
    at = range[1];
  }
  return [...parts, { text: text.slice(at) }];
}
