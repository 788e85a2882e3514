import { SegmentedControl, useComputedColorScheme } from '@mantine/core';
import { useElementSize } from '@mantine/hooks';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import {
  fluidScenes,
  type CellPlace,
  type FluidScene,
  type Reach,
} from '../../../../core/fluids/index.ts';
import type { Fluid } from '../../../../core/mod/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import { actOnKey } from '../../../parts/keys/act-on-key.ts';
import { Cap } from '../../../parts/keys/cap.tsx';
import { drawSection } from './draw.ts';
import { inkOf } from './ink.ts';
import { projectionOf } from './projection.ts';
import { useSurfacePicture } from './surface-picture.ts';
import type { Hand, Pour } from './pour.ts';
import { useSection } from './use-section.ts';
import styles from './section.module.css';

interface SectionProps {
  /** What the fluid is called. */
  name: string;
  fluid: Fluid;
}

/**
 * A cut through the ground in which a fluid is poured: how far it comes and when, played, stepped,
 * dug into and dammed.
 */
export function FluidSection({ name, fluid }: SectionProps) {
  const { tickRate } = useMod().header;
  const [scene, setScene] = useState<FluidScene>(fluidScenes[1]!);
  const [hand, setHand] = useState<Hand>({ does: 'pour' });
  const { pour, reach } = useSection(fluid, scene, tickRate);
  return (
    <section className={styles['section']} aria-label="Section">
      <div className={styles['top']}>
        <SegmentedControl
          aria-label="Ground"
          value={scene.name}
          onChange={(wanted) => setScene(fluidScenes.find((one) => one.name === wanted)!)}
          data={fluidScenes.map((one) => ({ value: one.name, label: one.title }))}
        />
        <HandChoice fluid={fluid} hand={hand} onHand={setHand} />
      </div>
      <Cut {...{ name, fluid, pour, reach, hand, scene, tickRate }} />
      <Numbers {...{ pour, reach, fluid, tickRate }} />
    </section>
  );
}

/** What a press does: pour, dig, or lay ground and what the fluid meets. */
function HandChoice({
  fluid,
  hand,
  onHand,
}: {
  fluid: Fluid;
  hand: Hand;
  onHand: (hand: Hand) => void;
}) {
  const met = [...new Set((fluid.meets ?? []).map((meeting) => meeting.with))];
  return (
    <div className={styles['hand']}>
      <SegmentedControl
        aria-label="In the hand"
        value={hand.does}
        onChange={(does) => onHand(does === 'lay' ? { does, block: 'ground' } : { does })}
        data={[
          { value: 'pour', label: 'Pour' },
          { value: 'dig', label: 'Dig' },
          { value: 'lay', label: 'Lay' },
        ]}
      />
      {hand.does === 'lay' && met.length > 0 && (
        <Choice
          w={190}
          aria-label="What is laid"
          data={['ground', ...met]}
          value={hand.block}
          onTake={(block) => onHand({ does: 'lay', block })}
        />
      )}
    </div>
  );
}

interface CutProps extends SectionProps {
  pour: Pour;
  reach: Reach;
  hand: Hand;
  scene: FluidScene;
  tickRate: number;
}

function Cut({ name, fluid, pour, reach, hand, scene, tickRate }: CutProps) {
  const mod = useMod();
  // Drawn anew in the colours of the other scheme.
  useComputedColorScheme('light');
  const { ref, width, height } = useElementSize();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [cursor, setCursor] = useState<CellPlace>();
  const { world, ticks } = pour;
  const { source } = useMemo(() => scene.laid(fluid.reach), [scene, fluid.reach]);
  const still = useSurfacePicture(mod, fluid, 'still', ticks);
  const flowing = useSurfacePicture(mod, fluid, 'flowing', ticks);
  const projection = useMemo(
    () => projectionOf(world.size, Math.max(1, width), Math.max(1, height)),
    [world.size, width, height],
  );
  const arrivals = useMemo(
    () =>
      new Map([...reach.arrivals].map(([cell, step]) => [cell, (step * fluid.pace) / tickRate])),
    [reach, fluid.pace, tickRate],
  );
  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context || width === 0) return;
    const scale = Math.min(2, Math.max(1, window.devicePixelRatio));
    element.width = Math.round(width * scale);
    element.height = Math.round(height * scale);
    context.setTransform(scale, 0, 0, scale, 0, 0);
    drawSection(context, {
      world,
      reach: fluid.reach,
      rises: fluid.rises ?? false,
      projection,
      ink: inkOf(element, mod, fluid),
      arrivals,
      cursor,
      still,
      flowing,
    });
    // The world is the same object, changed: how many ticks passed says that it did.
  });
  const press = (event: PointerEvent<HTMLCanvasElement>) => {
    const { left, top } = event.currentTarget.getBoundingClientRect();
    pour.act(projection.cellAt([event.clientX - left, event.clientY - top]), hand);
  };
  const key = (event: KeyboardEvent) => {
    const [x, y, z] = cursor ?? source;
    const steps: Record<string, readonly [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1],
    };
    actOnKey(event, {
      walkSection: (pressed) => {
        const [dx, dy] = steps[pressed] ?? [0, 0];
        const next: CellPlace = [x + dx, y + dy, z];
        if (world.indexOf(next) >= 0) setCursor(next);
      },
      actInSection: () => pour.act([x, y, z], hand),
      playFluid: () => (pour.isRunning ? pour.stop() : pour.play()),
      stepFluid: () => pour.step(),
      pourAgain: () => pour.again(),
    });
  };
  return (
    <div ref={ref} className={styles['cut']}>
      <canvas
        ref={canvas}
        tabIndex={0}
        role="application"
        aria-label={`${name} in a cut through the ground. ${inWords(pour)}`}
        data-ticks={ticks}
        data-rest={pour.isAtRest}
        onPointerDown={press}
        onKeyDown={key}
        onFocus={() => setCursor(source)}
        onBlur={() => setCursor(undefined)}
        style={{ width, height }}
      />
    </div>
  );
}

const inWords = ({ world }: Pour): string => {
  const { sources, flowing } = world.count();
  return `${count(sources, 'source')}, ${count(flowing, 'cell')} that flow.`;
};

/** The numbers of what is played, and of how it ends. */
function Numbers({
  pour,
  reach,
  fluid,
  tickRate,
}: {
  pour: Pour;
  reach: Reach;
  fluid: Fluid;
  tickRate: number;
}) {
  const { ticks, isRunning, isAtRest, world } = pour;
  const { flowing } = world.count();
  return (
    <div className={styles['numbers']}>
      <span className={styles['acts']}>
        <button
          type="button"
          className="tiny"
          onClick={() => (isRunning ? pour.stop() : pour.play())}
        >
          {isRunning ? 'Stop' : isAtRest ? 'Pour again' : 'Play'} <Cap of="playFluid" />
        </button>
        <button type="button" className="tiny" disabled={isAtRest} onClick={() => pour.step()}>
          Step <Cap of="stepFluid" />
        </button>
        <button type="button" className="tiny" disabled={ticks === 0} onClick={() => pour.again()}>
          Back to the start
        </button>
      </span>
      <dl className={styles['now']}>
        <div>
          <dt>Now</dt>
          <dd>
            {(ticks / tickRate).toFixed(1)} s<small>tick {ticks}</small>
          </dd>
        </div>
        <div>
          <dt>Flows in</dt>
          <dd>
            {flowing}
            <small>of {reach.cells} cells</small>
          </dd>
        </div>
        <div>
          <dt>Comes</dt>
          <dd>
            {reach.farthest}
            <small>{reach.farthest === 1 ? 'block' : 'blocks'} away</small>
          </dd>
        </div>
        <div>
          <dt>{reach.seconds === undefined ? 'Rests' : 'Rests after'}</dt>
          <dd>
            {reach.seconds === undefined ? 'never' : `${reach.seconds.toFixed(1)} s`}
            <small>{reach.ticks === undefined ? 'in this ground' : `${reach.ticks} ticks`}</small>
          </dd>
        </div>
      </dl>
      <p className="note inline">
        A cell of it moves on every {count(fluid.pace, 'tick')}. In the cells stands when each is
        reached, in seconds.
      </p>
    </div>
  );
}
