import { useMemo, useState } from 'react';
import { pointer } from '../../../core/json/index.ts';
import { lookUp, type Strip, type Texture } from '../../../core/mod/index.ts';
import {
  framesIn,
  luminanceOf,
  runsOf,
  stepsWithout,
  stripOf,
  timingOf,
} from '../../../core/textures/frames/index.ts';
import {
  encodePicture,
  frameSize,
  stepsOf,
  type Pixels,
  type Step,
} from '../../../core/textures/index.ts';
import { complain } from '../../parts/complain.ts';
import { useSession } from '../../api/hooks.tsx';
import { readPictures, type PictureIn } from '../../api/picture-files.ts';
import { uploadPicture } from '../../api/textures.ts';
import { keepPixels } from '../../api/known-pixels.ts';
import type { Painting } from './painting-state.ts';

/** A strip that is begun stays on each frame for so many ticks. */
const usualTicks = 5;

/** The frames of the texture on the desk, in the order in which they show. */
export interface Frames {
  /** Those of the picture, from the top; empty until it has been read. */
  pictures: readonly Pixels[];
  /** How light each of them is, 0 to 1. */
  lights: readonly number[];
  /** In the order in which they show, those of one frame side by side as one. */
  runs: readonly Step[];
  /** Undefined for a still picture. */
  strip: Strip | undefined;
  /** The run that is worked on. */
  chosen: number;
  choose: (run: number) => void;
  setRuns: (label: string, runs: readonly Step[]) => void;
  setBlend: (blends: boolean) => void;
  /** Puts a copy of a frame behind a run, to be changed. */
  again: () => void;
  /** Puts pictures behind the others, each as a frame. */
  add: (files: readonly File[]) => void;
  /** Takes the chosen run's frame out of the picture. */
  remove: () => void;
  /** Keeps the chosen run's frame alone, as a still picture. */
  makeStill: () => void;
}

/** `isShown` says whether they are worked on: taking a large picture apart is not done for nothing. */
export function useFrames(painting: Painting, isShown: boolean): Frames {
  const { name, texture, saved, setFrame } = painting;
  const pixels = isShown ? saved : undefined;
  const session = useSession();
  const [asked, setAsked] = useState(0);
  const { height } = frameSize(texture);
  const { strip } = texture;
  const pictures = useMemo(() => (pixels ? framesIn(pixels, height) : []), [pixels, height]);
  const lights = useMemo(() => pictures.map(luminanceOf), [pictures]);
  const runs = useMemo(() => (isShown ? runsOf(stepsOf(texture)) : []), [texture, isShown]);
  const chosen = Math.max(0, Math.min(asked, runs.length - 1));
  const current = runs[chosen]?.frame ?? 0;
  const lastTicks = strip ? (runs.at(-1)?.ticks ?? strip.ticks) : usualTicks;

  const setStrip = (label: string, after: Strip) =>
    session.edit(`${label} ${name}`, [
      { path: pointer(['textures', name, 'strip']), before: strip, after },
    ]);
  /** Other frames and the order in which they show, in one step. */
  const setPictures = (label: string, next: readonly Pixels[], steps: readonly Step[]) => {
    const put = async () => {
      const whole = stripOf(next);
      const picture = await uploadPicture(encodePicture(whole));
      const before = lookUp(session.view.mod.textures, name);
      // Another edit may have come while the picture was sent: nothing of it is overwritten.
      if (before !== texture) throw new Error('The texture was changed meanwhile. Try it again.');
      keepPixels(picture.sha256, whole);
      const after: Texture =
        next.length > 1
          ? { ...before, picture, strip: stripWith(before, steps, next) }
          : still(before, picture);
      session.edit(`${label} ${name}`, [{ path: pointer(['textures', name]), before, after }]);
    };
    put().catch(complain);
  };
  const addAll = async (files: readonly File[]) => {
    const came = await readPictures(files, session.view.mod.header.tickRate);
    const more: Pixels[] = [];
    const steps: Step[] = [];
    for (const one of came) {
      if (one.problem !== undefined) throw new Error(one.problem);
      const first = pictures.length + more.length;
      const frames = asFrames(one.pixels, pictures[0]);
      more.push(...frames);
      steps.push(...stepsIn(one, frames.length, lastTicks, first));
    }
    setPictures('Add frames to', [...pictures, ...more], [...runs, ...steps]);
  };
  return {
    pictures,
    lights,
    runs,
    strip,
    chosen,
    choose: (run) => {
      setAsked(run);
      setFrame(runs[run]?.frame ?? 0);
    },
    setRuns: (label, next) => {
      if (!strip) return;
      const { order: _, ...others } = strip;
      setStrip(label, { ...others, ...timingOf(next, pictures.length) });
    },
    setBlend: (blends) => {
      if (!strip) return;
      const { blend: _, ...others } = strip;
      setStrip('Blend the frames of', blends ? { ...others, blend: true } : others);
    },
    again: () => {
      const copy = pictures[current];
      if (!copy) return;
      setPictures(
        strip ? 'Add a frame to' : 'Begin a strip of',
        [...pictures, copy],
        runs.toSpliced(chosen + 1, 0, { frame: pictures.length, ticks: lastTicks }),
      );
      setAsked(chosen + 1);
      setFrame(pictures.length);
    },
    add: (files) => void addAll(files).catch(complain),
    remove: () =>
      setPictures(
        'Remove a frame of',
        pictures.filter((_, i) => i !== current),
        runsOf(stepsWithout(runs, current)),
      ),
    makeStill: () => {
      const only = pictures[current];
      if (only) setPictures('Make still', [only], []);
    },
  };
}

/** The strip of a texture with other frames and their timing. */
function stripWith({ strip }: Texture, steps: readonly Step[], pictures: readonly Pixels[]): Strip {
  const [{ width, height } = { width: 0, height: 0 }] = pictures;
  const { order: _, frameHeight: __, ...others } = strip ?? { ticks: usualTicks };
  // A still picture that begins to move stays on its first frame as long as on the next.
  const timed = strip ? steps : steps.map(({ frame }) => ({ frame, ticks: usualTicks }));
  return {
    ...others,
    ...(height !== width && { frameHeight: height }),
    ...timingOf(timed, pictures.length),
  };
}

function still({ strip: _, ...texture }: Texture, picture: Texture['picture']): Texture {
  return { ...texture, picture };
}

/** How long frames that came in stay: as their file says, or as long as the last one here. */
const stepsIn = ({ strip }: PictureIn, many: number, ticks: number, first: number): Step[] =>
  strip?.order
    ? strip.order.map((entry) =>
        typeof entry === 'number'
          ? { frame: first + entry, ticks: strip.ticks }
          : { frame: first + entry.frame, ticks: entry.ticks },
      )
    : Array.from({ length: many }, (_, i) => ({ frame: first + i, ticks: strip?.ticks ?? ticks }));

/** A picture as frames of the size that there are; throws where it is of another width. */
function asFrames(pixels: Pixels, first: Pixels | undefined): Pixels[] {
  if (!first) return [];
  const frames = pixels.width === first.width ? framesIn(pixels, first.height) : [];
  if (!frames.length || pixels.height % first.height !== 0)
    throw new Error(
      `The frames here are ${first.width} × ${first.height} texels; that picture is ` +
        `${pixels.width} × ${pixels.height}.`,
    );
  return frames;
}
