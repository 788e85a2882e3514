import { z } from 'zod';
import { directions } from '../space/index.ts';
import type { ByState, Rows } from '../states/index.ts';
import { Name } from './names.ts';

const whole = z.number().int().min(-1_000_000).max(1_000_000);

export const ValueSchema = z.union([z.boolean(), whole, z.string().max(64)]);

/** A condition on the state. Whether the names and values exist is for inspection to say. */
export const WhenSchema = z.record(z.string().max(64), z.union([ValueSchema, z.array(ValueSchema).max(1000)]))
  .meta({ description: 'For each named property the value, or the values, that match.' });

export const PropertySchema = z.discriminatedUnion('kind', [
  z.strictObject({ name: Name, kind: z.literal('toggle'), default: z.boolean() }),
  z.strictObject({ name: Name, kind: z.literal('number'), min: whole, max: whole, default: whole }),
  z.strictObject({ name: Name, kind: z.literal('choice'), values: z.array(Name).max(1000), default: z.string() }),
  z.strictObject({ name: Name, kind: z.literal('heading'), default: z.string() }),
  z.strictObject({ name: Name, kind: z.literal('direction'), default: z.string() }),
  z.strictObject({ name: Name, kind: z.literal('axis'), default: z.string() }),
]);

/** How placing the block chooses a property's value. */
export const placingHow = ['toward the player', 'away from the player', 'clicked side', 'along the clicked side', 'fixed'] as const;

export const PlacingSchema = z.strictObject({
  set: Name,
  to: z.enum(placingHow),
  value: ValueSchema.optional().meta({ description: 'The value, where "to" is fixed.' }),
});

export const rowsOf = <S extends z.ZodType>(value: S): z.ZodType<Rows<z.output<S>>> =>
  z.array(z.strictObject({ when: WhenSchema.optional(), value })).min(1).max(70_000) as unknown as z.ZodType<Rows<z.output<S>>>;

/** A value, or rows of values by state. */
export const byState = <S extends z.ZodType>(value: S): z.ZodType<ByState<z.output<S>>> =>
  z.union([value, rowsOf(value)]) as unknown as z.ZodType<ByState<z.output<S>>>;

export const DirectionSchema = z.enum(directions);

export type Placing = z.output<typeof PlacingSchema>;
