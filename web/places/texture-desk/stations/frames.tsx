import { FileButton, Switch } from '@mantine/core';
import { useMemo } from 'react';
import { flashesOf, mostFlashes, slowerSteps } from '../../../../core/textures/frames/index.ts';
import type { Step } from '../../../../core/textures/index.ts';
import { count } from '../../../../core/words/index.ts';
import { pictureKinds } from '../../../api/picture-files.ts';
import { useModPart } from '../../../api/hooks.tsx';
import { pictureWork } from '../../../api/picture-work.ts';
import { usePainting } from '../painting-state.ts';
import { complain } from '../../../parts/complain.ts';
import { download } from '../../../parts/download.ts';
import { Field } from '../../../parts/field.tsx';
import type { Frames } from '../frames-state.ts';
import { NumberField } from '../../../parts/number-field.tsx';
import styles from './touch-up.module.css';

/** A frame stays for at most so many ticks. */
const mostTicks = 10_000;

interface FramesProps {
  frames: Frames;
  flashes: number;
}

/** How often a strip flashes within a second, at the game's own rate. */
export function useFlashes({ strip, runs, lights }: Frames): number {
  const tickRate = useModPart(({ header }) => header.tickRate);
  return useMemo(
    () => (strip ? flashesOf(runs, lights, tickRate) : 0),
    [strip, runs, lights, tickRate],
  );
}

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
      <h3 className="part">As a file</h3>
      <SaveMoving frames={frames} />
    </>
  );
}

/** How long frames stay, in ticks and in seconds, and whether they go over into each other. */
function Timing({ frames: { strip, runs, setRuns, setBlend } }: { frames: Frames }) {
  const tickRate = useModPart(({ header }) => header.tickRate);
  const [first] = runs;
  const isEven = runs.every(({ ticks }) => ticks === first?.ticks);
  const ticks = runs.reduce((sum, run) => sum + run.ticks, 0);
  return (
    <>
      <Field
        label="Every frame stays"
        value={
          <span className={styles['amount']}>
            <NumberField
              label="Ticks of every frame"
              value={isEven ? first?.ticks : undefined}
              least={1}
              most={mostTicks}
              onNumber={(next) =>
                setRuns(
                  'Time the frames of',
                  runs.map(({ frame }) => ({ frame, ticks: next })),
                )
              }
            />{' '}
            ticks
          </span>
        }
        note={
          `Once through takes ${secondsOf(ticks, tickRate)} at ${tickRate} ticks a second` +
          (isEven ? '.' : '; the frames stay for ticks of their own.')
        }
      />
      <Switch
        label="Each goes over into the next one"
        checked={strip?.blend ?? false}
        onChange={(event) => setBlend(event.currentTarget.checked)}
        mb={8}
      />
    </>
  );
}

const secondsOf = (ticks: number, tickRate: number): string =>
  `${Number((ticks / tickRate).toPrecision(3))} s`;

/** How often it flashes, and the slowest remedy that helps. */
function Flashes({ frames, flashes }: FramesProps) {
  const tickRate = useModPart(({ header }) => header.tickRate);
  const { strip, runs, lights, setRuns } = frames;
  if (!strip || flashes <= mostFlashes)
    return (
      <p className="note">
        {flashes
          ? `It flashes ${flashes === 1 ? 'once' : `${flashes} times`} in a second at most, which harms nobody.`
          : 'It does not flash.'}
      </p>
    );
  const slower = slowerSteps(runs, lights, tickRate);
  return (
    <p className="bad" role="alert">
      It flashes {flashes} times in a second. More than {mostFlashes} can give people a seizure
      where it fills much of what they see.{' '}
      {slower && (
        <button type="button" className="link" onClick={() => setRuns('Slow down', slower)}>
          Slow it down to {secondsOf(ticksOf(slower), tickRate)} a round
        </button>
      )}
    </p>
  );
}

const ticksOf = (runs: readonly Step[]): number => runs.reduce((sum, { ticks }) => sum + ticks, 0);

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
              label="Ticks of this frame"
              value={run.ticks}
              least={1}
              most={mostTicks}
              onNumber={(ticks) =>
                setRuns(
                  'Time the frames of',
                  runs.with(chosen, { ...run, ticks: Math.round(ticks) }),
                )
              }
            />{' '}
            {run.ticks === 1 ? 'tick' : 'ticks'}
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
          onClick={() => setRuns('Order the frames of', [...runs, run])}
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
      <FileButton multiple accept={pictureKinds} onChange={add}>
        {(props) => (
          <button {...props} type="button" className="chip">
            Pictures from files
          </button>
        )}
      </FileButton>
    </div>
  );
}

const movingKinds = [
  { kind: 'apng', title: 'Moving PNG', ending: 'png', type: 'image/png' },
  { kind: 'gif', title: 'GIF', ending: 'gif', type: 'image/gif' },
] as const;

/** The strip as it plays, for other programs. */
function SaveMoving({ frames: { runs, pictures } }: { frames: Frames }) {
  const { name } = usePainting();
  const tickRate = useModPart(({ header }) => header.tickRate);
  const save = async ({ kind, ending, type }: (typeof movingKinds)[number]) => {
    const shown = runs.flatMap(({ frame, ticks }) => {
      const picture = pictures[frame];
      return picture ? [{ picture, seconds: ticks / tickRate }] : [];
    });
    const moving = {
      frames: shown.map(({ picture }) => picture),
      seconds: shown.map(({ seconds }) => seconds),
    };
    const bytes = await pictureWork('write', { moving, kind });
    download(`${name.replaceAll('/', '_')}.${ending}`, Uint8Array.from(bytes), type);
  };
  return (
    <>
      <p className="note">A GIF knows no half clear texels, and frames no shorter than 0.02 s.</p>
      <div className={styles['verbs']}>
        {movingKinds.map((one) => (
          <button
            key={one.kind}
            type="button"
            className="chip"
            onClick={() => void save(one).catch(complain)}
          >
            {one.title}
          </button>
        ))}
      </div>
    </>
  );
}
