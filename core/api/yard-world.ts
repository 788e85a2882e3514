/** A world of the Yard as it is kept with its mod. */
import { z } from 'zod';

const place = z.tuple([z.number(), z.number(), z.number()]);
const side = z.number().int().min(1).max(256);
const id = z.string().max(200);

const Kind = z.union([
  z.null(),
  z.strictObject({ fluid: id }),
  z.strictObject({
    block: id,
    state: z.record(id, z.union([z.boolean(), z.number(), z.string().max(100)])),
  }),
]);

export const YardWorld = z
  .strictObject({
    size: z.tuple([side, side, side]),
    kinds: z.array(Kind).max(100_000).meta({
      description: 'What stands in the world, by name: a block in a state, a fluid, or nothing.',
    }),
    cells: z
      .array(z.number().int().min(0))
      .max(400_000)
      .meta({
        description:
          'Pairs over all cells, along x, then z, then y: a number into "kinds", and in how many ' +
          'cells after one another it stands.',
      }),
    player: z.strictObject({ at: place, yaw: z.number(), pitch: z.number() }),
    hour: z.number().min(0).max(1).meta({ description: 'A share of the day from midnight.' }),
  })
  .meta({ description: 'A world of the Yard, and whoever is in it.' });

const scene = z.string().min(1).max(100);
export const LeaveWorldBody = z.strictObject({ scene, world: YardWorld });
export const LeftAnswer = z.strictObject({ scene: z.string() });
export const WorldQuery = z.strictObject({
  scene: scene.optional().meta({ description: 'Which; the one that was left last, if absent.' }),
});
export const WorldAnswer = z
  .strictObject({ scene: z.string(), world: YardWorld.nullable() })
  .nullable()
  .meta({ description: 'Null where no world of this mod was left yet.' });
