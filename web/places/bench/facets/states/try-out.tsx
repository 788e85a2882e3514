import clsx from 'clsx';
import { useState, type ReactNode } from 'react';
import { lookUp, type Placing } from '../../../../../core/mod/index.ts';
import {
  clickedOn,
  halfOf,
  pitches,
  placedState,
  usualSituation,
  withNextNeighbour,
  type Situation,
} from '../../../../../core/placing/index.ts';
import {
  directions,
  directionStep,
  headings,
  opposite,
  type Heading,
} from '../../../../../core/space/index.ts';
import type { StateSpace } from '../../../../../core/states/index.ts';
import { Cube, onScreen } from '../../../../parts/cube.tsx';
import { Rendering } from '../../../../parts/rendering.tsx';
import type { FacetProps } from '../index.tsx';
import styles from './states.module.css';
import cubeStyles from '../../../../parts/cube.module.css';
import whenEditorStyles from '../../../../parts/when-editor.module.css';

interface TryOutProps {
  editor: FacetProps['editor'];
  placing: readonly Placing[];
  onState: (state: number) => void;
}
/** What the parts that set the situation are given. */
interface SettingProps {
  situation: Situation;
  put: (situation: Situation) => void;
}

/**
 * Placing the block by hand: a block to click, a player to walk round it, neighbours to set; and
 * what comes of it.
 */
export function TryOut({ editor: { block, name }, placing, onState }: TryOutProps) {
  const [situation, setSituation] = useState<Situation>(usualSituation);
  const { space } = block;
  if (space.tooLarge) return null;
  const put = (next: Situation) => {
    setSituation(next);
    onState(placedState(placing, space, next));
  };
  const setting = { situation, put };
  return (
    <div role="group" aria-label="Try the placing">
      <h3 className="part">Try it</h3>
      <div className={styles['try-scene']}>
        <Cube
          label="Click the side against which it is placed"
          height={196}
          onSide={(side) => put(clickedOn(situation, side))}
          mark={(side) =>
            side === situation.clicked ? { as: 'front', says: 'clicked' } : undefined
          }
        >
          {headings.map((heading) => (
            <Player key={heading} heading={heading} {...setting} />
          ))}
        </Cube>
        <Result block={name} space={space} state={placedState(placing, space, situation)} />
      </div>
      <Look {...setting} />
      <HalfAndFlags {...setting} />
      <Neighbours {...setting} isFacing={placing.some(({ to }) => to === 'corner')} />
    </div>
  );
}

/** A place beside the block where the player may stand, looking at it. */
function Player({ heading, situation, put }: SettingProps & { heading: Heading }) {
  const looks = opposite(heading) as Heading;
  const isHere = situation.looks === looks;
  const [stepX, , stepZ] = directionStep(heading);
  const [x, y] = onScreen([stepX * 2.1, -0.5, stepZ * 2.1]);
  const stand = () => put({ ...situation, looks });
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={isHere}
      aria-label={`The player stands ${heading} of it`}
      className={clsx(cubeStyles['player'], isHere && cubeStyles['here'])}
      onClick={stand}
      onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && stand()}
    >
      <title>{`stand ${heading} of it, looking ${looks}`}</title>
      <circle cx={x} cy={y} r={isHere ? 9 : 6} />
      {isHere && (
        <text x={x} y={y + 4}>
          P
        </text>
      )}
    </g>
  );
}

const Result = ({ block, space, state }: { block: string; space: StateSpace; state: number }) => (
  <div className={styles['try-result']} aria-live="polite">
    <Rendering block={block} state={state} size={104} title={space.describe(state)} />
    {Object.entries(space.decode(state)).map(([property, value]) => (
      <span key={property} className="mono" data-property={property}>
        {property} = <b>{String(value)}</b>
      </span>
    ))}
  </div>
);

interface OneOfProps<T extends string> {
  label: string;
  word: string;
  values: readonly T[];
  value: T;
  onValue: (value: T) => void;
  disabled?: boolean;
}

/** One of a few values, after a word that says of what. */
const OneOf = <T extends string>(props: OneOfProps<T>): ReactNode => (
  <span className={whenEditorStyles['when']}>
    <span className={whenEditorStyles['set']} role="group" aria-label={props.label}>
      <b>{props.word}</b>
      {props.values.map((value) => (
        <button
          key={value}
          type="button"
          disabled={props.disabled}
          aria-pressed={props.value === value}
          onClick={() => props.onValue(value)}
        >
          {value}
        </button>
      ))}
    </span>
  </span>
);

const Look = ({ situation, put }: SettingProps) => (
  <div className={styles['set-line']}>
    <OneOf
      label="The player looks"
      word="looks"
      values={headings}
      value={situation.looks}
      onValue={(looks) => put({ ...situation, looks })}
    />
    <OneOf
      label="How steeply"
      word="and"
      values={pitches}
      value={situation.pitch}
      onValue={(pitch) => put({ ...situation, pitch })}
    />
  </div>
);

const HalfAndFlags = ({ situation, put }: SettingProps) => (
  <div className={styles['set-line']}>
    <OneOf
      label="Half of the side"
      word="half"
      values={['upper', 'lower']}
      value={halfOf(situation)}
      disabled={situation.clicked === 'up' || situation.clicked === 'down'}
      onValue={(half) => put({ ...situation, half })}
    />
    {(['crouching', 'signal'] as const).map((flag) => (
      <button
        key={flag}
        type="button"
        className={styles['flag']}
        aria-pressed={situation[flag]}
        onClick={() => put({ ...situation, [flag]: !situation[flag] })}
      >
        {flag}
      </button>
    ))}
  </div>
);

/** What stands around; where it matters how one of the same kind faces, that is said and chosen too. */
const Neighbours = ({ situation, put, isFacing }: SettingProps & { isFacing: boolean }) => (
  <div className={styles['neighbours']} role="group" aria-label="Neighbours">
    {directions.map((side) => {
      const neighbour = situation.neighbours[side];
      const heading = lookUp(situation.beside, side)?.['heading'];
      const faces = heading === undefined ? '' : `, faces ${String(heading)}`;
      return (
        <button
          key={side}
          type="button"
          className={styles[neighbour.replace(' ', '-')]}
          aria-label={`Neighbour ${side}: ${neighbour}${faces}`}
          onClick={() => put(withNextNeighbour(situation, side, isFacing))}
        >
          <b>{side}</b>
          {neighbour}
          {faces}
        </button>
      );
    })}
  </div>
);
