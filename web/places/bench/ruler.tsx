import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

export interface Tick { value: number; name: string }

/**
 * A scale on which familiar materials are the ticks. Drag, or use the arrow keys; close to a tick it takes the tick's value.
 * The scale is logarithmic from `low` to `high`.
 */
export function Ruler({ label, value, low, high, ticks, onValue }: { label: string; value: number; low: number; high: number; ticks: readonly Tick[]; onValue: (value: number) => void }) {
  const line = useRef<HTMLDivElement>(null);
  const span = Math.log(high / low);
  const at = (amount: number) => Math.min(1, Math.max(0, Math.log(Math.max(low, amount) / low) / span));
  const tidy = (amount: number) => Number(amount.toPrecision(amount < 1 ? 1 : 2));
  const fromPointer = (event: PointerEvent) => {
    const { left, width } = line.current!.getBoundingClientRect();
    const where = Math.min(1, Math.max(0, (event.clientX - left) / width));
    const near = ticks.find((tick) => Math.abs(at(tick.value) - where) < 5 / width);
    onValue(near ? near.value : tidy(low * Math.exp(where * span)));
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowRight: 0.1, ArrowUp: 0.1, ArrowLeft: -0.1, ArrowDown: -0.1, PageUp: 1, PageDown: -1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onValue(Math.min(high, Math.max(low, Math.round((value + by) * 10) / 10)));
  };
  const sorted = [...ticks].sort((a, b) => a.value - b.value);
  let [lastHigh, lastLow] = [-1, -1];
  const near = ticks.find((tick) => tick.value === value);
  return (
    <div className="ruler" ref={line} onPointerDown={(event) => { event.currentTarget.setPointerCapture(event.pointerId); fromPointer(event); }} onPointerMove={(event) => event.buttons === 1 && fromPointer(event)}>
      <div className="line" />
      {sorted.map((tick) => {
        // Names that would touch go one line lower; those that fit on neither line keep only their tick.
        const where = at(tick.value);
        const room = tick.name.length * 0.0098 + 0.03;
        const high_ = where - lastHigh > room;
        const low_ = !high_ && where - lastLow > room;
        if (high_) lastHigh = where;
        else if (low_) lastLow = where;
        return <div key={tick.name} className={`tick${low_ ? ' low' : ''}`} style={{ left: `${where * 100}%` }} title={`${tick.name}: ${tick.value}`}>{(high_ || low_) && <span>{tick.name}</span>}</div>;
      })}
      <button type="button" className="handle" role="slider" aria-label={label} aria-valuemin={low} aria-valuemax={high} aria-valuenow={value} aria-valuetext={near ? `${value}, like ${near.name}` : String(value)} style={{ left: `${at(value) * 100}%` }} onKeyDown={keys} />
    </div>
  );
}
