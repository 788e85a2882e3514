import { useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { logScale, placeTicks, snapped, type Tick } from './scale.ts';

/**
 * A scale on which familiar materials are the ticks. Drag, or use the arrow keys; close to a tick it takes the tick's value.
 * The scale is logarithmic from `low` to `high`.
 */
export function Ruler({ label, value, low, high, ticks, onValue }: { label: string; value: number; low: number; high: number; ticks: readonly Tick[]; onValue: (value: number) => void }) {
  const line = useRef<HTMLDivElement>(null);
  const scale = useMemo(() => logScale(low, high), [low, high]);
  const placed = useMemo(() => placeTicks(scale, ticks), [scale, ticks]);
  const fromPointer = (event: PointerEvent) => {
    const { left, width } = line.current!.getBoundingClientRect();
    onValue(snapped(scale, ticks, (event.clientX - left) / width, 5 / width));
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowRight: 0.1, ArrowUp: 0.1, ArrowLeft: -0.1, ArrowDown: -0.1, PageUp: 1, PageDown: -1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onValue(Math.min(high, Math.max(low, Math.round((value + by) * 10) / 10)));
  };
  const near = ticks.find((tick) => tick.value === value);
  return (
    <div className="ruler" ref={line} onPointerDown={(event) => { event.currentTarget.setPointerCapture(event.pointerId); fromPointer(event); }} onPointerMove={(event) => event.buttons === 1 && fromPointer(event)}>
      <div className="line" />
      {placed.map((tick) => <div key={tick.name} className={`tick${tick.line === 1 ? ' low' : ''}`} style={{ left: `${tick.where * 100}%` }} title={`${tick.name}: ${tick.value}`}>{tick.line !== undefined && <span>{tick.name}</span>}</div>)}
      <button type="button" className="handle" role="slider" aria-label={label} aria-valuemin={low} aria-valuemax={high} aria-valuenow={value} aria-valuetext={near ? `${value}, like ${near.name}` : String(value)} style={{ left: `${scale.at(value) * 100}%` }} onKeyDown={keys} />
    </div>
  );
}
