import { FileButton } from '@mantine/core';
import { useMemo } from 'react';
import { flashesIn, mostFlashes, type Run } from '../../../../core/textures/frames/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useModPart } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import type { Frames } from '../frames-state.ts';
import { NumberField } from '../../../parts/number-field.tsx';
import styles from './touch-up.module.css';

/** A step is at most so many ticks long. */
const mostTicks = 10_000;
/** A frame stays for at most so many of them. */
const mostSteps = 100;

interface FramesProps {
  frames: Frames;
  flashes: number;
}

/** How often a strip flashes within a second, at the game's own rate. */
export function useFlashes({ strip, runs, lights }: Frames): number {
  const tickRate = useModPart(({ header }) => header.tickRate);
  return useMemo(
    () => (strip ? flashesAt(runs, lights, strip.ticks / tickRate) : 0),
    [strip, runs, lights, tickRate],
  );
}

const flashesAt = (runs: readonly Run[], lights: readonly number[], seconds: number): number =>
  flashesIn(
    runs.flatMap(({ frame, steps }) => Array.from({ length: steps }, () => lights[frame] ?? 0)),
    seconds,
  );

/** When each frame shows: ordered, repeated, dropped, timed. */
export function FramesStation({ frames, flashes }: FramesProps) {
  const { strip, pictures } = frames;
  if (!strip)
    return (
      <>
        <h2>A still picture</h2>
        <p className="note">
          It begins to move with a second frame: a copy to be changed, or pictures of your own.
        </p>
        <MoreFrames frames={frames} />
      </>
    );
  return (
    <>
      <h2>{count(pictures.length, 'frame')}</h2>
      <p className="note">
        Below they stand in the order in which they show, with their ticks; the line above them is
        how light they are.
      </p>
      <Timing frames={frames} />
      <Flashes frames={frames} flashes={flashes} />
      <h3 className="part">The chosen frame</h3>
      <Chosen frames={frames} />
      <h3 className="part">More frames</h3>
      <MoreFrames frames={frames} />
    </>
  );
}

/** How long a step is, in ticks and in seconds. */
function Timing({ frames: { strip, runs, setTicks } }: { frames: Frames }) {
  const tickRate = useModPart(({ header }) => header.tickRate);
  const ticks = strip?.ticks ?? 1;
  const steps = runs.reduce((sum, run) => sum + run.steps, 0);
  const seconds = (many: number) => `${Number((many / tickRate).toPrecision(3))} s`;
  return (
    <Field
      label="A step"
      value={
        <span className={styles['amount']}>
          <NumberField
            label="Ticks a step"
            value={ticks}
            least={1}
            most={mostTicks}
            onNumber={setTicks}
          />{' '}
          ticks
        </span>
      }
      note={`${seconds(ticks)} at ${tickRate} ticks a second; once through takes ${seconds(steps * ticks)}.`}
    />
  );
}

/** How often it flashes, and the slowest remedy that helps. */
function Flashes({ frames, flashes }: FramesProps) {
  const tickRate = useModPart(({ header }) => header.tickRate);
  const { strip, runs, lights, setTicks } = frames;
  if (!strip || flashes <= mostFlashes)
    return (
      <p className="note">
        {flashes
          ? `It flashes ${flashes === 1 ? 'once' : `${flashes} times`} in a second at most, which harms nobody.`
          : 'It does not flash.'}
      </p>
    );
  let ticks = Math.ceil(strip.ticks);
  while (ticks < mostTicks && flashesAt(runs, lights, ticks / tickRate) > mostFlashes) ticks += 1;
  return (
    <p className="bad" role="alert">
      It flashes {flashes} times in a second. More than {mostFlashes} can give people a seizure
      where it fills much of what they see.{' '}
      <button type="button" className="link" onClick={() => setTicks(ticks)}>
        Make a step {ticks} ticks long
      </button>
    </p>
  );
}

/** Where the chosen frame stands, and for how long. */
function Chosen({ frames }: { frames: Frames }) {
  const { runs, chosen, choose, setRuns, remove, makeStill, pictures } = frames;
  const run = runs[chosen];
  if (!run) return null;
  const isOnlyUse = runs.filter(({ frame }) => frame === run.frame).length === 1;
  const swap = (other: number) => {
    const next = [...runs];
    [next[chosen], next[other]] = [runs[other]!, run];
    setRuns('Order the frames of', next);
    choose(other);
  };
  return (
    <>
      <Field
        label={`Frame ${run.frame + 1} stays`}
        value={
          <span className={styles['amount']}>
            <NumberField
              label="Steps"
              value={run.steps}
              least={1}
              most={mostSteps}
              onNumber={(steps) =>
                setRuns(
                  'Time the frames of',
                  runs.with(chosen, { ...run, steps: Math.round(steps) }),
                )
              }
            />{' '}
            {run.steps === 1 ? 'step' : 'steps'}
          </span>
        }
      />
      <div className={styles['verbs']}>
        <button
          type="button"
          className="chip"
          disabled={chosen === 0}
          onClick={() => swap(chosen - 1)}
        >
          Earlier
        </button>
        <button
          type="button"
          className="chip"
          disabled={chosen === runs.length - 1}
          onClick={() => swap(chosen + 1)}
        >
          Later
        </button>
        <button
          type="button"
          className="chip"
          onClick={() => setRuns('Order the frames of', [...runs, { frame: run.frame, steps: 1 }])}
        >
          Show it again at the end
        </button>
        {runs.length > 1 && !isOnlyUse && (
          <button
            type="button"
            className="chip"
            onClick={() => setRuns('Order the frames of', runs.toSpliced(chosen, 1))}
          >
            Drop it here
          </button>
        )}
        {pictures.length > 1 && (
          <button type="button" className="chip" onClick={remove}>
            Remove the frame
          </button>
        )}
        <button type="button" className="chip" onClick={makeStill}>
          Keep this one alone
        </button>
      </div>
    </>
  );
}

function MoreFrames({ frames: { again, add } }: { frames: Frames }) {
  return (
    <div className={styles['verbs']}>
      <button type="button" className="chip" onClick={again}>
        A copy of this one
      </button>
      <FileButton multiple accept="image/png" onChange={add}>
        {(props) => (
          <button {...props} type="button" className="chip">
            Pictures from files
          </button>
        )}
      </FileButton>
    </div>
  );
}
