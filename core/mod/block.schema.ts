import { z } from 'zod';
import { Id, Language, Name, partRecordOf, recordOf } from './names.ts';
import { LootSchema } from './loot.schema.ts';
import { mostReactions, ReactionSchema } from './reaction.schema.ts';
import {
  byState,
  DirectionSchema,
  PlacingSchema,
  PropertySchema,
  WhenSchema,
} from './states.schema.ts';
import { ChangedTraitsSchema } from './traits.ts';

const amount = z.number();
export const Triple = z.tuple([amount, amount, amount]);

/**
 * One candidate of a look: a model, where its front faces, where its top points, and its share of
 * the choice.
 */
export const CandidateSchema = z.strictObject({
  model: Id,
  front: DirectionSchema.optional(),
  top: DirectionSchema.optional(),
  upright: z.boolean().optional().meta({
    description: 'Keep texture upright: pictures stay as if the model had not been turned.',
  }),
  share: amount.optional(),
});
export type Candidate = z.output<typeof CandidateSchema>;

export const LookRowSchema = z.strictObject({
  when: WhenSchema.optional(),
  use: z.array(CandidateSchema).min(1).max(256),
});
export const LooksSchema = z.strictObject({
  mode: z.enum(['one-of', 'layered']).meta({
    description:
      'one-of: the first row that matches is shown. layered: every row that matches is drawn.',
  }),
  rows: z.array(LookRowSchema).max(70_000),
});
export type Looks = z.output<typeof LooksSchema>;

/** The properties of a block, and how placing sets them. */
/** So many properties a block has at most. */
export const mostProperties = 32;

export const StatesSchema = z.strictObject({
  properties: z.array(PropertySchema).max(mostProperties),
  placing: z.array(PlacingSchema).max(64).optional(),
});

const PlainBoxSchema = z.strictObject({ at: Triple, size: Triple });
export const ShapeSchema = z.union([
  z.enum(['model', 'whole', 'none']),
  z.array(PlainBoxSchema).max(64),
]);

/** Where an item is looked at. */
export const heldPlaces = ['hand', 'ground', 'catalogue'] as const;
export type HeldPlace = (typeof heldPlaces)[number];

/** How an item sits at one place. */
export const PoseSchema = z.strictObject({
  turn: Triple.meta({
    description:
      'Degrees about x, y and z by the right-hand rule, about the middle of the cell: first about ' +
      'y, then about x, then about z, as seen by whoever looks at it from the front.',
  }),
  scale: z.number().min(0.05).max(8),
  shift: Triple.meta({ description: 'How far it is moved then, in sixteenths of a block.' }),
});
export type Pose = z.output<typeof PoseSchema>;

export const HeldSchema = z.strictObject({
  model: Id.optional().meta({ description: 'A model that is shown instead of the block.' }),
  picture: Id.optional().meta({ description: 'The texture that a flat picture shows.' }),
  poses: partRecordOf(heldPlaces, PoseSchema)
    .optional()
    .meta({ description: 'How it sits where it is looked at; elsewhere as usual.' }),
});
export type Held = z.output<typeof HeldSchema>;

/**
 * A block as its author declares it: one part a facet; what is left out comes from stock or from
 * defaults.
 */
export const BlockSchema = z.strictObject({
  identity: z.strictObject({
    group: Name.optional().meta({ description: 'The catalogue group in which players find it.' }),
    stock: Name.optional().meta({ description: 'The stock material that it starts from.' }),
    item: z
      .enum(['block', 'flat', 'none'])
      .optional()
      .meta({ description: 'How it is held: as the block, as a flat picture, or not at all.' }),
    held: HeldSchema.optional().meta({
      description: 'What its item shows, and how it sits in the hand, on the ground and in lists.',
    }),
    natural: z
      .boolean()
      .optional()
      .meta({
        description:
          'The world has it without anybody making it: it lies in the ground, grows, or stands ' +
          'in a pool.',
      }),
    note: z.string().max(4000).optional(),
  }),
  traits: ChangedTraitsSchema,
  states: StatesSchema,
  looks: LooksSchema,
  shapes: z
    .strictObject({
      collision: byState(ShapeSchema).optional(),
      outline: byState(ShapeSchema).optional(),
    })
    .optional(),
  loot: LootSchema.optional(),
  reactions: z.array(ReactionSchema).max(mostReactions).optional().meta({
    description: 'What it does when something happens; of those that fit, the first does it.',
  }),
  tags: z.array(Id).max(1000).meta({ description: 'The block tags that it is in.' }),
  itemTags: z
    .array(Id)
    .max(1000)
    .optional()
    .meta({ description: 'The item tags that its item is in.' }),
  names: recordOf(Language, z.string().max(200)),
});
export type Block = z.output<typeof BlockSchema>;
export type Shape = z.output<typeof ShapeSchema>;
