import { SegmentedControl } from '@mantine/core';
import clsx from 'clsx';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { splitId, type Mod, type ReactionEvent } from '../../../../../core/mod/index.ts';
import type { Occurrence, Standing } from '../../../../../core/reactions/index.ts';
import type { Direction } from '../../../../../core/space/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import { NumberField } from '../../../../parts/number-field.tsx';
import { Rendering } from '../../../../parts/rendering.tsx';
import { defaultStateOf } from '../../../blocks/default-state.ts';
import { fluidColour } from '../../../fluids/section/ink.ts';
import type { FacetProps } from '../index.tsx';
import { fillingOf } from './fresh.ts';
import { IdChoice } from './id-choice.tsx';
import { calledIn, Play, spots, type Spot, type Weather } from './play.ts';
import { WordChoice } from './word-choice.tsx';
import styles from './reactions.module.css';

/** What can be done to a block of the scene, as its button says it. */
const acts: readonly (readonly [event: ReactionEvent, act: string])[] = [
  ['used', 'Use'],
  ['stepped on', 'Step on'],
  ['landed on', 'Land on'],
  ['placed', 'Place'],
  ['broken', 'Break'],
  ['dug wrongly', 'Dig wrongly'],
  ['signal comes', 'Signal comes'],
  ['signal goes', 'Signal goes'],
  ['neighbour changes', 'Neighbour changes'],
  ['at random', 'By chance'],
];
/** So many ticks are waited at most for what still comes. */
const mostWaiting = 2000;

const spotWords: Readonly<Record<Spot, string>> = {
  middle: 'the block itself',
  up: 'above it',
  down: 'under it',
  north: 'to its north',
  east: 'to its east',
  south: 'to its south',
  west: 'to its west',
};

const shortWords: Readonly<Record<Direction, string>> = {
  up: 'above',
  down: 'under',
  north: 'N',
  east: 'E',
  south: 'S',
  west: 'W',
};

/** The block among its neighbours: what happens if, tick by tick. */
export function Scene({
  editor,
  state,
  onState,
}: Pick<FacetProps, 'editor' | 'state' | 'onState'>) {
  const mod = useMod();
  const { name } = editor;
  const [around, setAround] = useState<ReadonlyMap<Direction, Standing>>(new Map());
  const [begunAt, setBegunAt] = useState(state);
  const [weather, setWeather] = useState({ isLucky: true, light: 15 });
  const [spot, setSpot] = useState<Spot>('middle');
  // What is declared otherwise, and other neighbours, begin anew.
  const play = useMemo(() => new Play(mod, name, begunAt, around), [mod, name, begunAt, around]);
  useSyncExternalStore(play.listen, () => play.version);
  const here = play.at('middle');
  const shown = here && 'block' in here && here.block === editor.block.id ? here.state : undefined;
  useEffect(() => {
    // The stage shows the block as it now is.
    if (shown !== undefined && play.version > 0) onState(shown);
  }, [shown, play, play.version, onState]);
  const again = () => {
    setBegunAt(shown ?? begunAt);
    setAround(play.beside);
  };
  return (
    <div role="group" aria-label="What happens if">
      <h3 className="part">What happens if</h3>
      <div className={styles['scene']}>
        {spots.map((one) => (
          <SpotCell
            key={one}
            spot={one}
            stands={play.at(one)}
            isChosen={one === spot}
            onChoose={() => setSpot(one)}
          />
        ))}
      </div>
      {spot !== 'middle' && (
        <Neighbour
          mod={mod}
          spot={spot}
          stands={play.at(spot)}
          onStands={(next) => play.put(spot, next, weather)}
        />
      )}
      <Acts play={play} spot={spot} mod={mod} weather={weather} onWeather={setWeather} />
      <Lines play={play} weather={weather} onAgain={again} />
    </div>
  );
}

function SpotCell({
  spot,
  stands,
  isChosen,
  onChoose,
}: {
  spot: Spot;
  stands: Standing | undefined;
  isChosen: boolean;
  onChoose: () => void;
}) {
  const mod = useMod();
  const size = spot === 'middle' ? 84 : 52;
  const called = stands
    ? calledIn(mod, 'block' in stands ? stands.block : stands.fluid)
    : 'nothing';
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      aria-label={`${spotWords[spot]}: ${called}`}
      title={`${spotWords[spot]}: ${called}`}
      className={clsx(styles['spot'], styles[spot])}
      onClick={onChoose}
    >
      <Stands mod={mod} stands={stands} size={size} />
      {spot !== 'middle' && <small>{shortWords[spot]}</small>}
    </button>
  );
}

function Stands({ mod, stands, size }: { mod: Mod; stands: Standing | undefined; size: number }) {
  if (!stands) return <i className={styles['nothing']} aria-hidden />;
  if ('fluid' in stands) {
    const fluid = mod.fluids[splitId(stands.fluid).name];
    return (
      <i
        className={styles['fluid']}
        style={{ background: fluid ? fluidColour(mod, fluid) : undefined }}
        aria-hidden
      />
    );
  }
  return (
    <Rendering block={splitId(stands.block).name} state={stands.state} size={size} title="" fills />
  );
}

function Neighbour({
  mod,
  spot,
  stands,
  onStands,
}: {
  mod: Mod;
  spot: Spot;
  stands: Standing | undefined;
  onStands: (stands: Standing | undefined) => void;
}) {
  const { blocks, fluids } = fillingOf(mod, []);
  return (
    <p className={styles['sentence']}>
      {spotWords[spot]} stands
      <IdChoice
        label={`What stands ${spotWords[spot]}`}
        value={stands ? ('block' in stands ? stands.block : stands.fluid) : 'nothing'}
        ids={[...fluids, ...blocks]}
        also={[{ value: 'nothing', label: 'nothing' }]}
        onTake={(id) => {
          if (id === 'nothing') onStands(undefined);
          else if (fluids.includes(id)) onStands({ fluid: id });
          else onStands({ block: id, state: defaultStateOf(mod, splitId(id).name) });
        }}
      />
    </p>
  );
}

interface ActsProps {
  play: Play;
  spot: Spot;
  mod: Mod;
  weather: Weather;
  onWeather: (weather: Weather) => void;
}

/** Who does it with what, and the things that can be done. */
function Acts({ play, spot, mod, weather, onWeather }: ActsProps) {
  const [by, setBy] = useState<'players' | 'creatures'>('players');
  const [holds, setHolds] = useState('nothing');
  const [crouching, setCrouching] = useState(false);
  const stands = play.at(spot);
  const block = stands && 'block' in stands ? mod.blocks[splitId(stands.block).name] : undefined;
  const answered = new Set((block?.reactions ?? []).map(({ when }) => when));
  const offered = acts.filter(([event]) => answered.has(event));
  const tool = holds === 'nothing' ? undefined : mod.items[splitId(holds).name]?.tool;
  const happens = (event: ReactionEvent) => {
    const occurrence: Occurrence = {
      event,
      by,
      crouching,
      ...(holds !== 'nothing' && { holds }),
      ...(tool && { tool }),
      ...(event === 'signal comes' && { signal: true }),
    };
    play.happen(spot, occurrence, weather);
  };
  const { items } = fillingOf(mod, []);
  return (
    <>
      <p className={styles['sentence']}>
        <WordChoice
          label="Who does it"
          value={by}
          words={[
            ['players', 'a player'],
            ['creatures', 'a creature'],
          ]}
          onChange={setBy}
        />
        with
        <IdChoice
          label="In the hand"
          value={holds}
          ids={items}
          also={[{ value: 'nothing', label: 'nothing in the hand' }]}
          onTake={setHolds}
        />
        <WordChoice
          label="How they stand"
          value={crouching ? 'yes' : 'no'}
          words={[
            ['no', 'standing'],
            ['yes', 'crouching'],
          ]}
          onChange={(value) => setCrouching(value === 'yes')}
        />
      </p>
      <p className={styles['sentence']}>
        light
        <NumberField
          label="Light"
          value={weather.light}
          least={0}
          most={15}
          onNumber={(light) => onWeather({ ...weather, light: Math.round(light) })}
        />
        <SegmentedControl
          aria-label="Chance"
          value={weather.isLucky ? 'with' : 'against'}
          onChange={(value) => onWeather({ ...weather, isLucky: value === 'with' })}
          data={[
            { value: 'with', label: 'chance with it' },
            { value: 'against', label: 'against it' },
          ]}
        />
      </p>
      <div className={styles['buttons']} role="group" aria-label="What is done">
        {offered.map(([event, act]) => (
          <button
            key={event}
            type="button"
            className={styles['act']}
            onClick={() => happens(event)}
          >
            {act}
          </button>
        ))}
        {offered.length === 0 && (
          <span className="note inline">
            {block ? 'It answers to nothing.' : 'Nothing is there that could answer.'}
          </span>
        )}
      </div>
    </>
  );
}

/** What came of it, and how time goes on. */
function Lines({
  play,
  weather,
  onAgain,
}: Pick<ActsProps, 'play' | 'weather'> & { onAgain: () => void }) {
  return (
    <>
      <div className={styles['buttons']}>
        <button type="button" className="tiny" onClick={() => play.go(1, weather)}>
          A tick
        </button>
        <button
          type="button"
          className="tiny"
          disabled={!play.isWaiting}
          onClick={() => play.settle(mostWaiting, weather)}
        >
          Until nothing is to come
        </button>
        <button type="button" className="tiny" disabled={play.version === 0} onClick={onAgain}>
          From the start
        </button>
        <span className="note inline">
          tick {play.ticks}
          {play.isWaiting ? ', something is to come' : ''}
        </span>
      </div>
      <ol className={styles['lines']} aria-label="What came of it" aria-live="polite">
        {play.lines.map(({ tick, words }, i) => (
          <li key={i}>
            <span className="mono">{tick}</span> {words}
          </li>
        ))}
      </ol>
    </>
  );
}
