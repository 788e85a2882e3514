import clsx from 'clsx';
import { itemAt } from '../../../core/lists/index.ts';
import { useDeferredValue, useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { resolveBlocks, titleOf, type ResolvedBlock } from '../../../core/mod/index.ts';
import { useMod } from '../../api/hooks.tsx';
import {
  bundled,
  linearScale,
  logScale,
  placeTicks,
  snapped,
  valueAfterKey,
  type Tick,
} from './scale.ts';
import styles from './ruler.module.css';

interface Props {
  label: string;
  value: number;
  low: number;
  high: number;
  /** Logarithmic where equal ratios matter, else linear. */
  log?: boolean;
  /** What one press of an arrow key adds. */
  step: number;
  /** Familiar materials, named under the line. */
  ticks: readonly Tick[];
  /** What a block of the mod has; it stands above the line. */
  of: (block: ResolvedBlock) => number | undefined;
  onValue: (value: number) => void;
}

/**
 * A scale on which familiar materials are the ticks, the mod's own blocks above the line. Drag, or
 * use the arrow keys; close to a tick it takes the tick's value.
 */
export function Ruler({ label, value, low, high, log, step, ticks, of, onValue }: Props) {
  // The blocks of a large mod are gone through when there is time; the handle moves at once.
  const mod = useDeferredValue(useMod());
  const line = useRef<HTMLDivElement>(null);
  const scale = useMemo(
    () => (log ? logScale(low, high) : linearScale(low, high, step)),
    [low, high, log, step],
  );
  const placed = useMemo(() => placeTicks(scale, ticks), [scale, ticks]);
  const own = bundled(scale, resolveBlocks(mod), of, (block) =>
    titleOf(mod, block.name, block.declared.names),
  );
  const fromPointer = (event: PointerEvent) => {
    const { left, width } = line.current!.getBoundingClientRect();
    onValue(
      snapped(
        scale,
        [...ticks, ...own.map(({ value: at, names }) => ({ value: at, name: itemAt(names, 0) }))],
        (event.clientX - left) / width,
        5 / width,
      ),
    );
  };
  const pressKey = (event: KeyboardEvent) => {
    const next = valueAfterKey(event.key, value, { low, high, step });
    if (next === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onValue(next);
  };
  const near = ticks.find((tick) => tick.value === value && tick.name !== 'other stock');
  return (
    <div
      className={styles['ruler']}
      ref={line}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        fromPointer(event);
      }}
      onPointerMove={(event) => event.buttons === 1 && fromPointer(event)}
    >
      <div className={styles['line']} />
      <Marks own={own} ticks={placed} />
      {near && near.name.length < 24 && (
        <span
          className={styles['near']}
          style={{ left: `${Math.max(8, Math.min(92, scale.at(value) * 100))}%` }}
        >
          like {near.name}
        </span>
      )}
      <button
        type="button"
        className={styles['handle']}
        role="slider"
        aria-label={label}
        aria-valuemin={low}
        aria-valuemax={high}
        aria-valuenow={value}
        aria-valuetext={near ? `${value}, like ${near.name}` : String(value)}
        style={{ left: `${scale.at(value) * 100}%` }}
        onKeyDown={pressKey}
      />
    </div>
  );
}

/** The mod's blocks above the line, and familiar materials under it. */
function Marks({
  own,
  ticks,
}: {
  own: ReturnType<typeof bundled>;
  ticks: ReturnType<typeof placeTicks>;
}) {
  return (
    <>
      {own.map((bundle) => (
        <div
          key={bundle.where}
          className={styles['own']}
          style={{ left: `${bundle.where * 100}%` }}
          title={wordsOf(bundle)}
        />
      ))}
      {ticks.map((tick) => (
        <div
          key={tick.name}
          className={clsx(styles['tick'], tick.line === 1 && styles['low'])}
          style={{ left: `${tick.where * 100}%` }}
          title={`${tick.name}: ${tick.value}`}
        >
          {tick.line !== undefined && <span>{tick.name}</span>}
        </div>
      ))}
    </>
  );
}

/** Who has that value, and the value: `Salt crust, Oyster tile and 3 more: 1.2`. */
function wordsOf({ names, many, value }: ReturnType<typeof bundled>[number]): string {
  const more = many > names.length ? ` and ${many - names.length} more` : '';
  return `${names.join(', ')}${more}: ${value}`;
}
