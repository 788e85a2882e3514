import { z } from 'zod';
import { Id, recordOf } from './names.ts';

/** An item by its id, or with a leading # whatever is in an item tag. */
const Ingredient = z.string().max(200);
const count = z.number().int().min(1).optional();

/** When a player learns a recipe; one that says nothing is known from the start. */
export const TaughtSchema = z
  .discriminatedUnion('by', [
    z.strictObject({
      by: z.literal('holding'),
      what: z
        .union([z.enum(['any', 'all']), Ingredient])
        .meta({ description: 'Any of its ingredients, all of them, or one of them by its name.' }),
    }),
    z.strictObject({
      by: z.literal('making'),
      what: Id.meta({ description: 'The item that was made.' }),
    }),
    z.strictObject({
      by: z.literal('having'),
      what: Ingredient.meta({ description: 'The item, or any of an item tag, that was come by.' }),
    }),
  ])
  .meta({ description: 'When a player learns it; known from the start where nothing is said.' });
export type Taught = z.output<typeof TaughtSchema>;
const taught = TaughtSchema.optional();

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
    taught,
  }),
  z.strictObject({
    kind: z.literal('mix'),
    takes: z.array(Ingredient).max(64),
    gives: Id,
    count,
    taught,
  }),
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
    taught,
  }),
  z.strictObject({
    kind: z.literal('cut'),
    takes: Ingredient,
    choices: z
      .array(z.strictObject({ gives: Id, count }))
      .max(64)
      .meta({ description: 'What the player may choose between.' }),
    taught,
  }),
]);
export type Recipe = z.output<typeof RecipeSchema>;
export const recipeKinds = ['pattern', 'mix', 'fire', 'cut'] as const;
