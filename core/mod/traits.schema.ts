import { z } from 'zod';
import { Id } from './names.ts';
import { byState } from './states.schema.ts';

export const alphaModes = ['opaque', 'mask', 'blend'] as const;
export const hidesNeighbours = ['whole', 'by side', 'by shape', 'never'] as const;
export const tints = ['none', 'grass', 'leaf', 'water'] as const;
export const toolKinds = ['pick', 'axe', 'spade', 'sickle', 'shears', 'hammer'] as const;
export type ToolKind = (typeof toolKinds)[number];

const colour = z.string().regex(/^#[0-9a-f]{6}$/, 'use a colour such as #d8cba0');
/** Ranges are for inspection to judge: a half-typed number must not be refused. */
const amount = z.number().finite();

/** All traits of a block, complete. Lengths in texels, times in seconds, light in levels 0 to 15. */
export const TraitsSchema = z.strictObject({
  hardness: z
    .union([amount, z.literal('unbreakable')])
    .meta({ description: 'Seconds to dig with bare hands, or "unbreakable".' }),
  blastRating: amount.meta({ description: 'The blast energy that the block withstands.' }),
  toolKind: z
    .enum([...toolKinds, 'none'])
    .meta({ description: 'The kind of tool that digs it faster.' }),
  leastGrade: z
    .number()
    .int()
    .meta({ description: 'The lowest grade of tool that counts: 0 for any.' }),
  gated: z.boolean().meta({ description: 'Only the right tool of enough grade yields a drop.' }),
  lightEmitted: byState(amount).meta({ description: 'Light level 0 to 15 that it gives.' }),
  lightAbsorbed: byState(amount).meta({
    description: 'Light levels 0 to 15 that are lost on the way through.',
  }),
  soundSet: Id,
  friction: byState(amount).meta({ description: '0 for ice without end, 1 for stopping at once.' }),
  bounce: amount.meta({
    description: 'The share 0 to 1 of the speed with which one comes back after falling on it.',
  }),
  speedOnTop: amount.meta({ description: 'Walking on it is so many times as fast.' }),
  catchesFire: amount.meta({
    description: 'Chance 0 to 1 a second of catching fire beside a flame.',
  }),
  burnsAway: amount.meta({ description: 'Chance 0 to 1 a second of being gone once it burns.' }),
  mapColour: colour,
  alphaMode: z.enum(alphaModes),
  alphaCutoff: amount.meta({
    description: 'With alpha mode mask: texels below this alpha (0 to 1) are holes.',
  }),
  hidesNeighbours: z.enum(hidesNeighbours).meta({
    description:
      'Which touching faces of other blocks are left out: all, those on sides that its model fills whole, those that its model covers, none.',
  }),
  joinsOwnKind: z
    .boolean()
    .meta({ description: 'Whether the face between two blocks of this kind is left out.' }),
  tint: z.union([z.enum(tints), colour]),
  scatter: amount.meta({ description: 'Greatest random offset in texels, as plants have.' }),
  shadedCorners: z.boolean(),
});

/** All traits, complete: what a resolved block and a stock material have. */
export type Traits = z.output<typeof TraitsSchema>;
export type TraitName = keyof Traits;

/** The traits that a block changes from its stock. */
export const ChangedTraitsSchema = TraitsSchema.partial();
