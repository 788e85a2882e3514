import { z } from 'zod';
import { Id, recordOf } from './names.ts';

/** An item by its id, or with a leading # whatever is in an item tag. */
const Ingredient = z.string().max(200);
const count = z.number().int().min(1).optional();

/** How something is made. */
export const RecipeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('pattern'),
    pattern: z.array(z.string().max(32)).max(32).meta({
      description: 'Rows of letters; a space is an empty place. It counts wherever it is laid.',
    }),
    keys: recordOf(z.string().max(1), Ingredient),
    mirrored: z.boolean().optional().meta({
      description: 'False when it does not count mirrored left to right. It does when left out.',
    }),
    gives: Id,
    count,
  }),
  z.strictObject({ kind: z.literal('mix'), takes: z.array(Ingredient).max(64), gives: Id, count }),
  z.strictObject({
    kind: z.literal('fire'),
    takes: Ingredient,
    gives: Id,
    count,
    seconds: z.number().meta({ description: 'How long it stays in the fire.' }),
    reward: z
      .number()

      .optional()
      .meta({ description: 'The experience that the player gains.' }),
  }),
  z.strictObject({
    kind: z.literal('cut'),
    takes: Ingredient,
    choices: z
      .array(z.strictObject({ gives: Id, count }))
      .max(64)
      .meta({ description: 'What the player may choose between.' }),
  }),
]);
export type Recipe = z.output<typeof RecipeSchema>;
export const recipeKinds = ['pattern', 'mix', 'fire', 'cut'] as const;
