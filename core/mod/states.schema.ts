import { z } from 'zod';
import { directions } from '../space/index.ts';
import type { ByState, Rows } from '../states/index.ts';
import { Name, recordOf } from './names.ts';

const whole = z.number().int().min(-1_000_000).max(1_000_000);

export const ValueSchema = z.union([z.boolean(), whole, z.string().max(64)]);

/** A condition on the state. Whether the names and values exist is for inspection to say. */
export const WhenSchema = recordOf(
  z.string().max(64),
  z.union([ValueSchema, z.array(ValueSchema).max(1000)]),
).meta({ description: 'For each named property the value, or the values, that match.' });

const common = {
  name: Name,
  byCode: z
    .boolean()
    .optional()
    .meta({ description: "The mod's own code changes it while the block stands." }),
};
const exchange = recordOf(z.string().max(64), z.string().max(64)).optional();
export const PropertySchema = z.discriminatedUnion('kind', [
  z.strictObject({ ...common, kind: z.literal('toggle'), default: z.boolean() }),
  z.strictObject({ ...common, kind: z.literal('number'), min: whole, max: whole, default: whole }),
  z.strictObject({
    ...common,
    kind: z.literal('choice'),
    values: z.array(Name).max(1000),
    default: z.string(),
    turned: exchange.meta({
      description:
        'What each value becomes when a structure is turned a quarter clockwise, seen from ' +
        'above. Values that stay are left out.',
    }),
    mirrored: exchange.meta({
      description:
        'What each value becomes when a structure is mirrored east to west. Values that stay ' +
        'are left out.',
    }),
  }),
  z.strictObject({ ...common, kind: z.literal('heading'), default: z.string() }),
  z.strictObject({ ...common, kind: z.literal('direction'), default: z.string() }),
  z.strictObject({ ...common, kind: z.literal('axis'), default: z.string() }),
]);

/** How placing the block chooses a property's value. */
export const placingHow = [
  'toward the player',
  'away from the player',
  'clicked side',
  'along the clicked side',
  'away from a solid neighbour',
  'half of the clicked side',
  'crouching',
  'signal',
  'joined',
  'corner',
  'from the item',
  'fixed',
] as const;

export const DirectionSchema = z.enum(directions);

export const PlacingSchema = z.strictObject({
  set: Name,
  to: z.enum(placingHow),
  side: DirectionSchema.optional().meta({
    description: 'The side whose neighbour counts, where "to" is joined.',
  }),
  alike: z.array(Name).min(1).max(8).optional().meta({
    description:
      'Where "to" is corner: the properties that a neighbour has alike, or it is not looked at.',
  }),
  value: ValueSchema.optional().meta({
    description:
      'The value, where "to" is fixed. For half, crouching, signal and joined the value for ' +
      'upper or yes; true when left out.',
  }),
  otherwise: ValueSchema.optional().meta({
    description:
      'For half, crouching, signal and joined the value for lower or no; false when left out.',
  }),
  when: z
    .strictObject({
      clicked: z
        .array(DirectionSchema)
        .min(1)
        .max(6)
        .optional()
        .meta({ description: 'The clicked side is one of these.' }),
      half: z.enum(['upper', 'lower']).optional(),
      crouching: z.boolean().optional(),
      signal: z.boolean().optional(),
      solid: z
        .array(DirectionSchema)
        .min(1)
        .max(6)
        .optional()
        .meta({ description: 'There is a solid neighbour on one of these sides.' }),
    })
    .optional()
    .meta({
      description:
        'Only then does the rule hold. The first rule that holds and gives a value sets the ' +
        'property.',
    }),
});

const codeValues = z.union([
  z.array(ValueSchema).max(70_000),
  z.strictObject({ from: z.number().int(), to: z.number().int() }),
]);
const codeDigit = {
  property: Name,
  values: codeValues,
  always: ValueSchema.optional().meta({
    description:
      'The block no longer has the property: its part of the code stands for this value.',
  }),
};
const bits = z.number().int().min(0).max(32);

/** How a state is stored in a saved world. */
export const CodeLayoutSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('mixed-radix'),
    bits,
    digits: z.array(z.strictObject(codeDigit)).max(64),
  }),
  z.strictObject({
    kind: z.literal('bit-fields'),
    bits,
    fields: z
      .array(z.strictObject({ ...codeDigit, at: z.number().int().min(0).max(31), width: bits }))
      .max(64),
  }),
  z.strictObject({
    kind: z.literal('table'),
    bits,
    digits: z.array(z.strictObject(codeDigit)).max(64),
    codes: z
      .array(
        z
          .number()
          .int()
          .min(-1)
          .max(2 ** 31 - 1),
      )
      .max(70_000),
  }),
]);

export const rowsOf = <S extends z.ZodType>(value: S): z.ZodType<Rows<z.output<S>>> =>
  z
    .array(z.strictObject({ when: WhenSchema.optional(), value }))
    .min(1)
    .max(70_000) as unknown as z.ZodType<Rows<z.output<S>>>;

/** A value, or rows of values by state. */
export const byState = <S extends z.ZodType>(value: S): z.ZodType<ByState<z.output<S>>> =>
  z.union([value, rowsOf(value)]);

export type Placing = z.output<typeof PlacingSchema>;
