import type { Strip } from '../../mod/entries.schema.ts';
import { isSamePicture } from '../painting/index.ts';
import { maxPictureSide, type Pixels } from '../png.ts';
import { PictureProblem } from '../problem.ts';
import type { Step } from '../strip.ts';
import { runsOf, stripOf, timingOf } from './strip.ts';

/** A moving picture as other programs keep it: its frames, and for how many seconds each shows. */
export interface Moving {
  frames: readonly Pixels[];
  seconds: readonly number[];
}

/**
 * A moving picture as a strip with its timing, at so many ticks a second: every frame that differs
 * once. One that never changes is a still picture. Throws a {@link PictureProblem} where its frames
 * do not fit into one picture.
 */
export function stripOfMoving(
  { frames, seconds }: Moving,
  tickRate: number,
): { pixels: Pixels; strip?: Strip } {
  const different: Pixels[] = [];
  const steps = frames.map((frame, i): Step => {
    const known = different.findIndex((other) => isSamePicture(other, frame));
    if (known < 0) different.push(frame);
    const ticks = Math.max(1, Math.min(10_000, Math.round((seconds[i] ?? 0) * tickRate)));
    return { frame: known < 0 ? different.length - 1 : known, ticks };
  });
  const pixels = stripOf(different);
  if (pixels.height > maxPictureSide)
    throw new PictureProblem(
      `The picture has ${different.length} different frames, which are ${pixels.height} texels ` +
        `high one below the other; a strip is at most ${maxPictureSide} texels high.`,
    );
  const [{ width, height } = pixels] = different;
  return different.length < 2
    ? { pixels }
    : {
        pixels,
        strip: {
          ...(width !== height && { frameHeight: height }),
          ...timingOf(runsOf(steps), different.length),
        },
      };
}
