import { z } from 'zod';
import { Colour, Id, Language, recordOf } from './names.ts';
import { TraitsSchema } from './traits.ts';

/** The highest level that a fluid has: so far it reaches at most. */
export const mostReach = 15;

const span = (most: number) =>
  z.tuple([z.number().int().min(1), z.number().int().min(1).max(most)]);
const ThingOrTag = z
  .string()
  .max(200)
  .refine((text) => Id.safeParse(text.replace(/^#/, '')).success, {
    error: 'use the id of a block such as saltmarsh:salt_crust, or of a block tag after a #',
  });

/** What comes of it where a fluid touches a block or another fluid. */
export const MeetingSchema = z.strictObject({
  with: Id.meta({ description: 'The block or the other fluid that it touches.' }),
  becomes: Id.meta({
    description: 'The block that its own cell becomes, or the fluid of which it becomes a source.',
  }),
});

/** Where the world has a fluid, how often, and how large. */
export const PoolSchema = z.strictObject({
  in: ThingOrTag.meta({ description: 'The ground in which it lies: a block, or a block tag.' }),
  every: z
    .number()
    .int()
    .min(8)
    .max(100_000)
    .meta({ description: 'The world has one in each square of so many blocks a side.' }),
  across: span(128).meta({ description: 'The least and the most that it is wide, in blocks.' }),
  deep: span(64).meta({ description: 'The least and the most that it is deep, in blocks.' }),
  between: z
    .tuple([z.number().int(), z.number().int()])
    .meta({ description: 'The lowest and the highest that its surface lies.' }),
});
export type Pool = z.output<typeof PoolSchema>;

/** What pours: how it moves, what it does, what it looks like and where the world has it. */
export const FluidSchema = z.strictObject({
  note: z.string().max(4000).optional(),
  reach: z.number().int().min(1).max(mostReach).meta({
    description: 'The level of a source. Over level ground each cell is one lower than the last.',
  }),
  pace: z.number().int().min(1).max(1000).meta({
    description: 'Ticks from one cell to the next.',
  }),
  rises: z.boolean().optional().meta({
    description: 'It is lighter than air, and falls upwards.',
  }),
  renews: z.boolean().optional().meta({
    description: 'What lies between two of its sources becomes a source.',
  }),
  leaves: Id.optional().meta({ description: 'The block that it leaves where it runs dry.' }),
  meets: z.array(MeetingSchema).max(64).optional().meta({
    description: 'What becomes of it where it touches something; the first that is met counts.',
  }),
  drag: z.number().min(0).max(1).optional().meta({
    description: 'The share of the speed that who is in it loses each tick.',
  }),
  harm: z.number().min(0).max(4).optional().meta({
    description: 'The share of a whole life that a second in it costs.',
  }),
  fire: z.enum(['puts out', 'sets']).optional().meta({
    description: 'What it does to the fire on who is in it: puts it out, or sets it.',
  }),
  still: Id.optional().meta({ description: 'The picture of a surface at rest.' }),
  flowing: Id.optional().meta({
    description: 'The picture of a surface that runs: its foot points where the fluid runs to.',
  }),
  alphaMode: z.enum(['opaque', 'blend']).optional().meta({
    description: 'Whether what lies behind is hidden (opaque) or seen through it (blend).',
  }),
  sight: z.number().min(0.5).max(64).optional().meta({
    description: 'How many blocks far one sees within it.',
  }),
  light: z.number().int().min(0).max(15).optional().meta({ description: 'The light it gives.' }),
  absorbs: z.number().int().min(0).max(15).optional().meta({
    description: 'The light that is lost in each cell of it.',
  }),
  tint: TraitsSchema.shape.tint.optional(),
  mapColour: Colour.optional(),
  soundSet: Id.optional(),
  pools: z.array(PoolSchema).max(32).optional().meta({
    description: 'Where the world has it.',
  }),
  names: recordOf(Language, z.string().max(200)),
});
export type Fluid = z.output<typeof FluidSchema>;

/** Pools as a fluid has them at first. */
export const usualPool: Pool = {
  in: 'obrank:sand',
  every: 400,
  across: [4, 12],
  deep: [1, 3],
  between: [-8, 8],
};

/** What a fluid has of which it says nothing. */
export const usualFluid = {
  light: 0,
  absorbs: 1,
  drag: 0,
  harm: 0,
  sight: 16,
  alphaMode: 'blend',
  tint: 'none',
} as const satisfies Partial<Fluid>;
