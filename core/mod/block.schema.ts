import { z } from 'zod';
import { Id, Language, Name } from './names.ts';
import { byState, DirectionSchema, PlacingSchema, PropertySchema, WhenSchema } from './states.schema.ts';
import { ChangedTraitsSchema, toolKinds } from './traits.schema.ts';

const amount = z.number().finite();
export const Triple = z.tuple([amount, amount, amount]);

/** One candidate of a look: a model, where its front faces, where its top points, and its share of the choice. */
export const CandidateSchema = z.strictObject({
  model: Id,
  front: DirectionSchema.optional(),
  top: DirectionSchema.optional(),
  upright: z.boolean().optional().meta({ description: 'Keep texture upright: pictures stay as if the model had not been turned.' }),
  share: amount.optional(),
});
export type Candidate = z.output<typeof CandidateSchema>;

export const LookRowSchema = z.strictObject({ when: WhenSchema.optional(), use: z.array(CandidateSchema).min(1).max(256) });
export const LooksSchema = z.strictObject({
  mode: z.enum(['one-of', 'layered']).meta({ description: 'one-of: the first row that matches is shown. layered: every row that matches is drawn.' }),
  rows: z.array(LookRowSchema).max(70_000),
});
export type Looks = z.output<typeof LooksSchema>;

export const CountSchema = z.union([amount, z.tuple([amount, amount])]).meta({ description: 'A number, or the least and the most.' });
export const LotWhenSchema = z.strictObject({
  careful: z.boolean().optional(),
  tool: z.enum(toolKinds).optional(),
  grade: z.number().int().optional().meta({ description: 'The least grade of the tool.' }),
  state: WhenSchema.optional(),
});
export const LotSchema = z.strictObject({
  give: Id,
  count: CountSchema.optional(),
  share: amount.optional().meta({ description: 'Weight of the lot in its draw. A lot without a share takes the draw whenever its condition holds.' }),
  when: LotWhenSchema.optional(),
});
export const DrawSchema = z.strictObject({ times: CountSchema, lots: z.array(LotSchema).max(256) });
export const LootSchema = z.union([
  z.literal('itself').meta({ description: 'The block drops its own item.' }),
  z.literal('nothing').meta({ description: 'The block drops nothing, on purpose.' }),
  z.strictObject({ draws: z.array(DrawSchema).max(64) }),
]);
export type Loot = z.output<typeof LootSchema>;
export type Lot = z.output<typeof LotSchema>;
export type Draw = z.output<typeof DrawSchema>;

const PlainBoxSchema = z.strictObject({ at: Triple, size: Triple });
export const ShapeSchema = z.union([z.enum(['model', 'whole', 'none']), z.array(PlainBoxSchema).max(64)]);

/** A block as its author declares it: one part a facet; what is left out comes from stock or from defaults. */
export const BlockSchema = z.strictObject({
  identity: z.strictObject({
    group: Name.optional().meta({ description: 'The catalogue group in which players find it.' }),
    stock: Name.optional().meta({ description: 'The stock material that it starts from.' }),
    item: z.enum(['block', 'flat', 'none']).optional().meta({ description: 'How it is held: as the block, as a flat picture, or not at all.' }),
    note: z.string().max(4000).optional(),
  }),
  traits: ChangedTraitsSchema,
  states: z.strictObject({ properties: z.array(PropertySchema).max(32), placing: z.array(PlacingSchema).max(64).optional() }),
  looks: LooksSchema,
  shapes: z.strictObject({ collision: byState(ShapeSchema).optional(), outline: byState(ShapeSchema).optional() }).optional(),
  loot: LootSchema.optional(),
  tags: z.array(Id).max(1000),
  names: z.record(Language, z.string().max(200)),
});
export type Block = z.output<typeof BlockSchema>;
export type Shape = z.output<typeof ShapeSchema>;
