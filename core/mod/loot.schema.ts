import { z } from 'zod';
import type { When } from '../states/index.ts';
import { Id, Name } from './names.ts';
import { WhenSchema } from './states.schema.ts';
import { toolKinds, type ToolKind } from './traits.ts';

/** Whether numbers make sense is for inspection to judge: a half-typed one must not be refused. */
const amount = z.number();

/**
 * How many: a number, the least and the most (each whole number as likely), or tries that each
 * succeed by a chance.
 */
export const CountSchema = z
  .union([amount, z.tuple([amount, amount]), z.strictObject({ tries: amount, chance: amount })])
  .meta({
    description: 'A number, the least and the most, or tries that each count one by their chance.',
  });
export type Count = z.output<typeof CountSchema>;

/** What must hold for a lot: everything that is named. */
export interface LotWhen {
  careful?: boolean;
  blast?: boolean;
  tool?: ToolKind;
  grade?: number;
  state?: When;
  chance?: number;
  all?: LotWhen[];
  any?: LotWhen[];
  not?: LotWhen;
}
export const LotWhenSchema: z.ZodType<LotWhen> = z.strictObject({
  careful: z.boolean().optional(),
  blast: z.boolean().optional().meta({ description: 'Whether a blast breaks it.' }),
  tool: z.enum(toolKinds).optional(),
  grade: z.number().int().optional().meta({ description: 'The least grade of the tool.' }),
  state: WhenSchema.optional(),
  chance: amount
    .optional()
    .meta({ description: 'Holds this often, 0 to 1; drawn anew wherever it is asked.' }),
  get all() {
    return z.array(LotWhenSchema).max(16).optional();
  },
  get any() {
    return z.array(LotWhenSchema).max(16).optional();
  },
  get not() {
    return LotWhenSchema.optional();
  },
});

export const LotSchema = z
  .strictObject({
    give: Id.optional().meta({
      description: 'The item that drops. A lot that names neither an item nor a table is a blank.',
    }),
    table: Id.optional().meta({ description: 'Another loot table, from which is drawn instead.' }),
    count: CountSchema.optional(),
    share: amount.optional().meta({
      description:
        'Weight of the lot in its draw. A lot without a share takes the draw whenever its ' +
        'condition holds.',
    }),
    luck: amount
      .optional()
      .meta({ description: "What each level of the player's luck adds to the share." }),
    keeps: z.array(Name).max(32).optional().meta({
      description:
        'Properties whose values the item carries, so that they come back when it is placed.',
    }),
    when: LotWhenSchema.optional(),
  })
  .refine(
    ({ give, table }) => give === undefined || table === undefined,
    'A lot gives an item or draws from a table, not both.',
  );
export type Lot = z.output<typeof LotSchema>;

export const DrawSchema = z.strictObject({ times: CountSchema, lots: z.array(LotSchema).max(256) });
export type Draw = z.output<typeof DrawSchema>;

export const LootSchema = z.union([
  z.literal('itself').meta({ description: 'The block drops its own item.' }),
  z.literal('nothing').meta({ description: 'The block drops nothing, on purpose.' }),
  z.strictObject({ draws: z.array(DrawSchema).max(64) }),
]);
export type Loot = z.output<typeof LootSchema>;

/** A loot table that lots of several blocks may draw from. */
export const LootTableSchema = z.strictObject({
  note: z.string().max(1000).optional(),
  draws: z.array(DrawSchema).max(64),
});
