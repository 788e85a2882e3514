import { Canvas } from '@react-three/fiber';
import { useRef, type ReactNode } from 'react';
import type { Region } from '../../../core/yard/index.ts';
import type { YardClient } from '../../api/yard.ts';
import { hasGraphicsCard } from '../../stage/sharpness.tsx';
import type { Sight } from '../../workers/yard-protocol.ts';
import type { Controls } from './controls.ts';
import type { YardMaterials } from './material.ts';
import { hourOf } from './time.ts';
import {
  Chunks,
  Eyes,
  Flying,
  Marks,
  sightIn,
  sightInAir,
  Signs,
  Weather,
  type Overlays,
} from './world.tsx';
import { usePart } from './use-part.ts';
import styles from './yard.module.css';

/** What is seen behind the world: the sky, or, with the head in a fluid, the colour of that. */
const groundOf = (hour: number, sight: Sight | undefined): string =>
  sight ? `rgb(${sight.colour.map((part) => Math.round(part * 255)).join(' ')})` : skyOf(hour);

/** The sky by the hour, from above to the horizon. */
function skyOf(hour: number): string {
  const sun = -Math.cos(2 * Math.PI * hour);
  const stops: [number, number[], number[]][] = [
    [-1, [14, 20, 28], [24, 32, 42]],
    [-0.25, [24, 36, 50], [70, 62, 66]],
    [0.1, [70, 104, 122], [214, 168, 120]],
    [0.5, [128, 172, 186], [226, 222, 206]],
    [1, [146, 190, 204], [232, 232, 222]],
  ];
  const after = stops.findIndex(([height]) => height >= sun);
  const [from, to] = [stops[Math.max(0, after - 1)]!, stops[Math.max(0, after)]!];
  const share = to[0] === from[0] ? 0 : (sun - from[0]) / (to[0] - from[0]);
  const mixed = (which: 1 | 2) =>
    `rgb(${from[which].map((part, i) => Math.round(part + (to[which][i]! - part) * share)).join(' ')})`;
  return `linear-gradient(${mixed(1)}, ${mixed(2)})`;
}

/** What stands before the sky of the hour, or in the colour of the fluid that the head is in. */
export function Ground({ client, children }: { client: YardClient; children: ReactNode }) {
  const background = usePart(client, (view) => groundOf(hourOf(view), sightIn(client).sight));
  return (
    <div className={styles['world']} style={{ background }}>
      {children}
    </div>
  );
}

/** The world as one sees it, with the pointer's hand in it. */
export function View({
  client,
  controls,
  materials,
  overlays,
  region,
}: {
  client: YardClient;
  controls: Controls;
  materials: YardMaterials;
  overlays: Overlays;
  region: Region | undefined;
}) {
  const box = useRef<HTMLDivElement>(null);
  const hasCard = hasGraphicsCard();
  const isHeld = () => document.pointerLockElement === box.current;
  return (
    <div
      ref={box}
      className={styles['view']}
      role="application"
      aria-label="The Yard. Keys walk, look, dig and place; Still says in words what is around."
      tabIndex={0}
      onContextMenu={(event) => event.preventDefault()}
      onPointerDown={(event) => {
        event.currentTarget.focus();
        if (!isHeld()) void holdPointer(event.currentTarget);
        else if (event.button === 0) controls.dig(true);
        else if (event.button === 2) controls.act('act');
      }}
      onPointerUp={() => controls.dig(false)}
      onPointerMove={(event) => {
        if (isHeld() || event.buttons === 1) controls.pointer(event.movementX, event.movementY);
      }}
    >
      <Canvas
        frameloop="demand"
        flat
        dpr={hasCard ? [1, 2] : 1}
        gl={{ antialias: hasCard, alpha: true }}
        camera={{ fov: 68, near: 0.05, far: sightInAir }}
      >
        <Eyes client={client} looking={controls.looking} />
        <Chunks client={client} materials={materials} />
        <Weather client={client} materials={materials} overlays={overlays} />
        <Flying client={client} materials={materials} />
        <Marks client={client} bodies={overlays.bodies} region={region} />
        <Signs client={client} />
      </Canvas>
      <svg className={styles['aim']} viewBox="-12 -12 24 24" aria-hidden>
        <path d="M 2.6 -7 A 7.5 7.5 0 1 0 7 -2.6" />
      </svg>
      <Tip client={client} />
    </div>
  );
}

/** What one looks at, beside the aim: its state, and which rule set each property. */
function Tip({ client }: { client: YardClient }) {
  const here = usePart(client, ({ now }) => now?.here);
  return (
    here && (
      <p className={styles['tip']} aria-live="polite">
        <b>{here.title}</b>
        {here.block?.properties.map(({ name, value, why }) => (
          <span key={name}>
            <span className="mono">
              {name}={value}
            </span>
            {why.startsWith('rule') && <small>{why}</small>}
          </span>
        ))}
      </p>
    )
  );
}

/** Lets the pointer turn the head until Escape. Where the browser refuses, dragging does. */
async function holdPointer(element: HTMLElement): Promise<void> {
  try {
    await element.requestPointerLock();
  } catch {
    // Dragging turns the head as well.
  }
}

/** The keys go to the world again, unless something else has taken them. */
export const focusOnWorld = () =>
  requestAnimationFrame(() => {
    if (document.activeElement === document.body)
      document.querySelector<HTMLElement>('[role="application"]')?.focus();
  });
