import { useState } from 'react';
import type { Placing } from '../../../../../core/mod/index.ts';
import {
  halfOf,
  neighbourKinds,
  pitches,
  placedState,
  usualSituation,
  type Neighbour,
  type Situation,
} from '../../../../../core/placing/index.ts';
import {
  directions,
  directionStep,
  headings,
  opposite,
  type Heading,
} from '../../../../../core/space/index.ts';
import { Cube, onScreen } from '../../../../parts/cube.tsx';
import { Rendering } from '../../../../parts/rendering.tsx';
import type { FacetProps } from '../index.tsx';

/**
 * Placing the block by hand: a block to click, a player to walk round it, neighbours to set; and
 * what comes of it.
 */
export function TryOut({
  editor: { block, name },
  placing,
  onState,
}: {
  editor: FacetProps['editor'];
  placing: readonly Placing[];
  onState: (state: number) => void;
}) {
  const [situation, setSituation] = useState<Situation>(usualSituation);
  const { space } = block;
  if (space.tooLarge) return null;
  const state = placedState(placing, space, situation);
  const put = (part: Partial<Situation>) => {
    const next = { ...situation, ...part };
    setSituation(next);
    onState(placedState(placing, space, next));
  };
  const neighbour = (side: (typeof directions)[number]) =>
    put({
      neighbours: {
        ...situation.neighbours,
        [side]: neighbourKinds[
          (neighbourKinds.indexOf(situation.neighbours[side]) + 1) % 3
        ] as Neighbour,
      },
    });
  const click = (clicked: Situation['clicked']) =>
    put({
      clicked,
      neighbours: {
        ...situation.neighbours,
        [opposite(situation.clicked)]: 'open',
        [opposite(clicked)]: 'solid',
      },
    });
  const standsAt = (looks: Heading) => opposite(looks) as Heading;
  return (
    <div className="try-out" role="group" aria-label="Try the placing">
      <h3 className="part">Try it</h3>
      <div className="try-scene">
        <Cube
          label="Click the side against which it is placed"
          height={196}
          onSide={click}
          mark={(side) =>
            side === situation.clicked ? { className: 'is-front', says: 'clicked' } : undefined
          }
        >
          {headings.map((at) => {
            const [sx, , sz] = directionStep(at);
            const [x, y] = onScreen([sx * 2.1, -0.5, sz * 2.1]);
            const here = standsAt(situation.looks) === at;
            return (
              <g
                key={at}
                role="button"
                tabIndex={0}
                aria-pressed={here}
                aria-label={`The player stands ${at} of it`}
                className={`player${here ? ' here' : ''}`}
                onClick={() => put({ looks: opposite(at) as Heading })}
                onKeyDown={(event) =>
                  (event.key === 'Enter' || event.key === ' ') &&
                  put({ looks: opposite(at) as Heading })
                }
              >
                <title>{`stand ${at} of it, looking ${opposite(at)}`}</title>
                <circle cx={x} cy={y} r={here ? 9 : 6} />
                {here && (
                  <text x={x} y={y + 4}>
                    P
                  </text>
                )}
              </g>
            );
          })}
        </Cube>
        <div className="try-result" aria-live="polite">
          <Rendering block={name} state={state} size={104} title={space.describe(state)} />
          {Object.entries(space.decode(state)).map(([property, value]) => (
            <span key={property} className="mono" data-property={property}>
              {property} = <b>{String(value)}</b>
            </span>
          ))}
        </div>
      </div>
      <div className="set-line">
        <span className="when">
          <span className="set" role="group" aria-label="The player looks">
            <b>looks</b>
            {headings.map((looks) => (
              <button
                key={looks}
                type="button"
                aria-pressed={situation.looks === looks}
                onClick={() => put({ looks })}
              >
                {looks}
              </button>
            ))}
          </span>
        </span>
        <span className="when">
          <span className="set" role="group" aria-label="How steeply">
            <b>and</b>
            {pitches.map((pitch) => (
              <button
                key={pitch}
                type="button"
                aria-pressed={situation.pitch === pitch}
                onClick={() => put({ pitch })}
              >
                {pitch}
              </button>
            ))}
          </span>
        </span>
      </div>
      <div className="set-line">
        <span className="when">
          <span className="set" role="group" aria-label="Half of the side">
            <b>half</b>
            {(['upper', 'lower'] as const).map((half) => (
              <button
                key={half}
                type="button"
                disabled={situation.clicked === 'up' || situation.clicked === 'down'}
                aria-pressed={halfOf(situation) === half}
                onClick={() => put({ half })}
              >
                {half}
              </button>
            ))}
          </span>
        </span>
        <button
          type="button"
          className="flag"
          aria-pressed={situation.crouching}
          onClick={() => put({ crouching: !situation.crouching })}
        >
          crouching
        </button>
        <button
          type="button"
          className="flag"
          aria-pressed={situation.signal}
          onClick={() => put({ signal: !situation.signal })}
        >
          signal
        </button>
      </div>
      <div className="neighbours" role="group" aria-label="Neighbours">
        {directions.map((side) => (
          <button
            key={side}
            type="button"
            className={situation.neighbours[side].replace(' ', '-')}
            aria-label={`Neighbour ${side}: ${situation.neighbours[side]}`}
            onClick={() => neighbour(side)}
          >
            <b>{side}</b>
            {situation.neighbours[side]}
          </button>
        ))}
      </div>
    </div>
  );
}
