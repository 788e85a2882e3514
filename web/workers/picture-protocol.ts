import type { Made } from '../../core/mod/index.ts';
import type { Likeness, Recolouring } from '../../core/textures/facts/index.ts';
import type { Moving } from '../../core/textures/frames/index.ts';
import type { Mending } from '../../core/textures/mending/index.ts';
import type { Pixels } from '../../core/textures/index.ts';

/** A picture file that was read, or why it is none. */
export type ReadPicture =
  | {
      /** Its frames; one of a still picture. */
      moving: Moving;
      /** Whether it is a PNG as textures are. */
      isStillPng: boolean;
      problem?: undefined;
    }
  | { problem: string };

/** A picture, and others that it is compared with. */
export interface AlikeAsked {
  pixels: Pixels;
  frameHeight: number;
  /** Each with the address of its bytes. */
  others: readonly { name: string; address: string; frameHeight: number }[];
}

/** The kinds of moving pictures that are written. */
export type MovingKind = 'gif' | 'apng';

/** What is asked of the worker for pictures, and what it answers, by name. */
export interface PictureAsks {
  /** The picture that a recipe makes, over another where it is laid on one. */
  make: { asked: { made: Made; below: Pixels | undefined }; answer: Pixels };
  /** A picture in other colours, once for each way. */
  recolour: { asked: { pixels: Pixels; ways: readonly Recolouring[] }; answer: Pixels[] };
  /** A picture with its texels put right. */
  mend: { asked: { pixels: Pixels; mending: Mending }; answer: Pixels };
  /** Others that are much like a picture, by their names, the ones most like it first. */
  alike: { asked: AlikeAsked; answer: { name: string; likeness: Likeness }[] };
  /** A moving picture as a file of a kind. */
  write: { asked: { moving: Moving; kind: MovingKind }; answer: Uint8Array };
  /** Picture files, read. */
  read: { asked: { files: readonly File[] }; answer: ReadPicture[] };
}

export type PictureAsk = {
  [Name in keyof PictureAsks]: { id: number; ask: Name } & PictureAsks[Name]['asked'];
}[keyof PictureAsks];

/** How far something is, what came of it, or why nothing did. */
export type PictureAnswer =
  | { id: number; done: number; of: number }
  | { id: number; answer: PictureAsks[keyof PictureAsks]['answer'] }
  | { id: number; problem: string };
