import { z } from 'zod';
import { Id, Name, recordOf } from './names.ts';
import { DirectionSchema, ValueSchema, WhenSchema } from './states.schema.ts';
import { toolKinds } from './traits.ts';

/** What a block can answer to. */
export const reactionEvents = [
  'placed',
  'broken',
  'dug wrongly',
  'used',
  'stepped on',
  'landed on',
  'neighbour changes',
  'signal comes',
  'signal goes',
  'at random',
  'after ticks',
] as const;
export type ReactionEvent = (typeof reactionEvents)[number];

const ThingOrTag = z
  .string()
  .max(200)
  .refine((text) => text === 'nothing' || Id.safeParse(text.replace(/^#/, '')).success, {
    error: 'use an id such as saltmarsh:salt, a tag after a #, or nothing',
  });
const level = z.number().int().min(0).max(15);
const ticks = z.number().int().min(1).max(1_000_000);
const many = z.number().int().min(1).max(9999).optional();

/** What must hold for a reaction: everything that is named. */
export const ReactionIfSchema = z.strictObject({
  state: WhenSchema.optional(),
  tool: z.enum(toolKinds).optional().meta({ description: 'The kind of tool that is in the hand.' }),
  grade: z.number().int().min(0).max(31).optional().meta({
    description: 'The least grade of the tool.',
  }),
  holds: ThingOrTag.optional().meta({
    description: 'What is in the hand: an item, what is in an item tag after a #, or nothing.',
  }),
  crouching: z.boolean().optional(),
  chance: z.number().min(0).max(1).optional().meta({ description: 'Holds this often, 0 to 1.' }),
  light: z.tuple([level, level]).optional().meta({
    description: 'The least and the most light above the block.',
  }),
  signal: z.boolean().optional().meta({
    description: 'Whether a signal comes from one of its neighbours now.',
  }),
  neighbour: z
    .strictObject({
      side: DirectionSchema.optional().meta({ description: 'Any of the six where none is named.' }),
      is: ThingOrTag.meta({
        description: 'A block, a fluid, what is in a block tag after a #, or nothing.',
      }),
      state: WhenSchema.optional(),
    })
    .optional()
    .meta({ description: 'What stands on one of its sides.' }),
});
export type ReactionIf = z.output<typeof ReactionIfSchema>;

/** The state in which another block comes to stand. */
const inState = {
  keeps: z.boolean().optional().meta({
    description: 'Properties that both blocks have keep their values.',
  }),
  state: recordOf(Name, ValueSchema).optional().meta({
    description: 'Values of its properties; the others have their defaults.',
  }),
};

/** What is done, in order. */
export const ActionSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('set'), property: Name, to: ValueSchema }),
  z.strictObject({ do: z.literal('flip'), property: Name }),
  z.strictObject({
    do: z.literal('step'),
    property: Name,
    by: z.number().int().min(-1000).max(1000),
  }),
  z.strictObject({ do: z.literal('become'), block: Id, ...inState }),
  z.strictObject({ do: z.literal('vanish') }),
  z.strictObject({ do: z.literal('drop'), item: Id, count: many }),
  z.strictObject({ do: z.literal('give'), item: Id, count: many }),
  z.strictObject({ do: z.literal('take'), count: many }),
  z.strictObject({ do: z.literal('play'), sound: Id }),
  z.strictObject({ do: z.literal('signal'), strength: level, ticks: ticks.optional() }),
  z.strictObject({ do: z.literal('pour'), fluid: Id, side: DirectionSchema }),
  z.strictObject({ do: z.literal('drain'), side: DirectionSchema }),
  z.strictObject({ do: z.literal('place'), block: Id, side: DirectionSchema, ...inState }),
  z.strictObject({
    do: z.literal('spread'),
    within: z.number().int().min(1).max(8),
    onto: ThingOrTag.optional(),
  }),
  z.strictObject({ do: z.literal('blast'), strength: z.number().min(0).max(1000) }),
  z.strictObject({ do: z.literal('call'), creature: Id, count: many }),
  z.strictObject({ do: z.literal('run'), function: Name }),
]);
export type Action = z.output<typeof ActionSchema>;
/** So many things one reaction does. */
export const mostActions = 16;

/** What a block does when something happens. */
export const ReactionSchema = z.strictObject({
  when: z.enum(reactionEvents),
  by: z.enum(['players', 'creatures']).optional().meta({
    description: 'Who may set it off; anything may where nobody is named.',
  }),
  ticks: ticks.optional().meta({
    description: 'After so many ticks in a state; at random once in so many on average.',
  }),
  if: ReactionIfSchema.optional(),
  then: z.array(ActionSchema).min(1).max(mostActions),
});
export type Reaction = z.output<typeof ReactionSchema>;
/** So many reactions a block has. */
export const mostReactions = 64;
