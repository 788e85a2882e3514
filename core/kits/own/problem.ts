import type { Place } from '../../json/index.ts';

/** Something wrong with a kit that somebody wrote, and where in its folder. */
export interface KitProblem {
  /** The file of the kit: `kit.json`, or a template. */
  file: string;
  /** Where in `kit.json`, as a JSON Pointer. */
  pointer?: string;
  place?: Place;
  message: string;
}

/** Thrown where a kit cannot write a file; its message is a sentence. */
export class KitError extends Error {
  constructor(
    /** The kit, as its author calls it. */
    readonly kit: string,
    readonly problem: KitProblem,
  ) {
    super(`${kit}: ${placed(problem)}`);
    this.name = 'KitError';
  }
}

/** A problem with its place before it: `block.json.liquid:3:7 There is no "blok" here.` */
export function placed({ file, pointer, place, message }: KitProblem): string {
  if (place) return `${file}:${place.line}:${place.column} ${message}`;
  return `${file}${pointer ? `#${pointer}` : ''} ${message}`;
}
