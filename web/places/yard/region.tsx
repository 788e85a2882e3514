import { Button } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { Vec3 } from '../../../core/space/index.ts';
import { count } from '../../../core/words/index.ts';
import { mostOfRegion, regionAfter, type Moving, type Region } from '../../../core/yard/index.ts';
import type { YardClient } from '../../api/yard.ts';
import { useStable } from '../../parts/use-stable.ts';
import { Cap } from '../../parts/keys/cap.tsx';
import type { MarkedRegion } from '../../workers/yard-protocol.ts';
import { usePart } from './use-part.ts';
import styles from './yard.module.css';

/** Which region is marked; of a first corner alone, the cell of it. */
export interface Marking {
  region: Region | undefined;
  /** Whether its other corner is still to be marked. */
  isHalf: boolean;
  /** Marks a corner where one looks: the first, the second, and then a first one again. */
  mark: () => void;
  forget: () => void;
  move: (moving: Moving) => void;
}

/** Marks regions of a world and moves them. */
export function useMarking(client: YardClient): Marking {
  const [region, setRegion] = useState<Region>();
  const [isHalf, setHalf] = useState(false);
  const show = (next: Region | undefined) => {
    setRegion(next);
    client.ask({ ask: 'region', region: next });
  };
  const mark = useStable(() => {
    const at = client.view.now?.here?.place;
    if (!at) return;
    const from = isHalf && region ? region.from : at;
    setHalf(!isHalf);
    show({ from, to: within(from, at) });
  });
  const forget = useStable(() => {
    setHalf(false);
    show(undefined);
  });
  const scene = usePart(client, ({ yard }) => yard?.scene);
  useEffect(forget, [forget, scene]);
  const move = useStable((moving: Moving) => {
    if (!region) return;
    client.do({ do: 'move', moving, ...region });
    setHalf(false);
    show(regionAfter(region, moving));
  });
  return { region, isHalf, mark, forget, move };
}

/** A corner no farther from another than a region may be large. */
const within = (from: Vec3, to: Vec3): Vec3 => {
  const near = (axis: 0 | 1 | 2): number =>
    Math.max(from[axis] - mostOfRegion + 1, Math.min(from[axis] + mostOfRegion - 1, to[axis]));
  return [near(0), near(1), near(2)];
};

/** What is marked, and which state moving it makes of each. */
export function RegionPanel({ client, marking }: { client: YardClient; marking: Marking }) {
  const marked = usePart(client, ({ now }) => now?.region);
  const { region, isHalf } = marking;
  if (!region) return null;
  const size = region.from.map((part, axis) => Math.abs(part - region.to[axis]!) + 1);
  return (
    <section aria-label="Marked region" className={styles['region']}>
      <h3>
        Marked <span className="mono">{size.join(' × ')}</span>
      </h3>
      <p className={styles['buttons']}>
        <Button size="compact-xs" variant="default" onClick={() => marking.move('turned')}>
          Turn a quarter
        </Button>
        <Button size="compact-xs" variant="default" onClick={() => marking.move('mirrored')}>
          Mirror east and west
        </Button>
        <button type="button" className="link" onClick={marking.forget}>
          forget
        </button>
      </p>
      {isHalf && (
        <p className="note">
          <Cap of="markCorner" /> marks its other corner
        </p>
      )}
      {marked && <States region={marked} />}
    </section>
  );
}

/** So many states are listed. */
const mostListed = 40;

function States({ region: { states } }: { region: MarkedRegion }) {
  if (states.length === 0) return <p className="note">No block stands in it.</p>;
  return (
    <ul className={styles['moves']}>
      {states.slice(0, mostListed).map((state) => (
        <li key={`${state.title} ${state.is}`}>
          <b>{state.title}</b> <span className="note">{count(state.cells, 'cell')}</span>
          {state.is === '' ? (
            <span className="note"> has one state</span>
          ) : (
            <dl>
              <Becomes word="is" state={state.is} from="" />
              <Becomes word="turned" state={state.turned} from={state.is} />
              <Becomes word="mirrored" state={state.mirrored} from={state.is} />
            </dl>
          )}
        </li>
      ))}
      {states.length > mostListed && (
        <li className="note">and {states.length - mostListed} more</li>
      )}
    </ul>
  );
}

const Becomes = ({ word, state, from }: { word: string; state: string; from: string }) => (
  <>
    <dt>{word}</dt>
    <dd className={state === from ? 'note' : 'mono'}>{state === from ? 'stays' : state}</dd>
  </>
);
