import clsx from 'clsx';
import type { KeyboardEvent, PointerEvent } from 'react';
import type { YardClient } from '../../api/yard.ts';
import { Cap } from '../../parts/keys/cap.tsx';
import { hourOf, type Time } from './time.ts';
import { usePart } from './use-part.ts';
import styles from './yard.module.css';

const [width, height] = [268, 44];
const [left, right] = [8, width - 8];
/** The arc goes from the last of one night to the first of the next. */
const [first, last] = [0.17, 0.83];
/** An arrow moves the hour by a quarter of an hour. */
const byKey = 1 / 96;

const placeOf = (hour: number): readonly [number, number] => {
  const share = Math.min(1, Math.max(0, (hour - first) / (last - first)));
  return [left + share * (right - left), height - 8 - Math.sin(share * Math.PI) * (height - 16)];
};

const wordFor = (hour: number): string =>
  hour < 0.2 || hour > 0.8
    ? 'Night'
    : hour < 0.3
      ? 'Dawn'
      : hour > 0.7
        ? 'Dusk'
        : hour > 0.45 && hour < 0.55
          ? 'Noon'
          : 'Day';

const clockOf = (hour: number): string => {
  const minutes = Math.floor(hour * 24 * 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
};

const arc = Array.from({ length: 25 }, (_, i) => {
  const [x, y] = placeOf(first + ((last - first) * i) / 24);
  return `${i ? 'L' : 'M'} ${x.toFixed(1)} ${y.toFixed(1)}`;
}).join(' ');

const steps: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
};

/** The day as an arc that one can drag, and the ticks, which can be stopped and stepped. */
export function Day({
  client,
  time: { isNight, pace, setPace, setHour, step: oneTick },
}: {
  client: YardClient;
  time: Time;
}) {
  const hour = usePart(client, hourOf);
  const tick = usePart(client, ({ now }) => now?.tick ?? 0);
  const tickRate = usePart(client, ({ yard }) => yard?.tickRate ?? 20);
  const [x, y] = placeOf(hour);
  const drag = (event: PointerEvent<SVGSVGElement>) => {
    if (event.buttons !== 1) return;
    const box = event.currentTarget.getBoundingClientRect();
    const share = Math.min(1, Math.max(0, (event.clientX - box.left) / box.width));
    setHour(first + share * (last - first));
  };
  const step = (event: KeyboardEvent) => {
    const way = steps[event.key];
    if (way === undefined) return;
    event.preventDefault();
    setHour((hour + way * byKey + 1) % 1);
  };
  return (
    <section className={styles['day']} aria-label="The day">
      <p>
        <b>{wordFor(hour)}</b>
        <span className={clsx('mono', styles['tick'])}>
          tick {tick.toLocaleString('en')} ·{' '}
          {pace === 0 ? 'stopped' : `${tickRate * pace} a second`}
        </span>
      </p>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className={styles['arc']}
        role="slider"
        tabIndex={0}
        aria-label="Hour"
        aria-valuemin={0}
        aria-valuemax={24}
        aria-valuenow={Math.round(hour * 240) / 10}
        aria-valuetext={clockOf(hour)}
        onKeyDown={step}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          drag(event);
        }}
        onPointerMove={drag}
      >
        <path d={arc} />
        <circle cx={x} cy={y} r={7} className={isNight ? styles['moon'] : styles['sun']} />
      </svg>
      <p className={styles['ticks']}>
        <button type="button" onClick={() => setPace(pace === 0 ? 1 : 0)}>
          <Cap of="stopTicks" /> {pace === 0 ? 'go on' : 'stop'}
        </button>
        <button type="button" onClick={oneTick}>
          <Cap of="oneTick" /> one tick
        </button>
        <button type="button" onClick={() => setPace(pace === 0.2 ? 1 : 0.2)}>
          {pace === 0.2 ? 'full pace' : 'slowly'}
        </button>
        <button type="button" onClick={() => setHour(isNight ? 0.5 : 0)}>
          <Cap of="nightOrDay" /> {isNight ? 'day' : 'night'}
        </button>
      </p>
    </section>
  );
}
