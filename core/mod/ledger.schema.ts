import { z } from 'zod';
import { Id, Name, Version } from './names.ts';
import { CodeLayoutSchema } from './states.schema.ts';

/** What is registered, in the order in which an engine registers it. */
export const registered = ['group', 'block', 'fluid', 'item'] as const;
export type Registered = (typeof registered)[number];

const number = z.number().int().min(0);
const kind = z.enum(registered);

/** How a kit's target kept the states of a block when it was released. */
export const KeptSchema = z.strictObject({
  kit: z.string().max(64).meta({ description: 'The kit that was released for.' }),
  nodes: z
    .array(
      z.strictObject({
        name: z.string().max(300).meta({ description: 'The name, without its namespace.' }),
        kind: z.enum(['turned', 'plain']).meta({
          description: 'Whether the byte tells a turn (turned), or is a number of ours (plain).',
        }),
        turn: z
          .number()
          .int()
          .min(0)
          .max(23)
          .meta({ description: 'The turn that is built into a plain one, by its number.' }),
      }),
    )
    .max(70_000)
    .meta({ description: 'The names that stand for states in saved worlds.' }),
  codes: z
    .array(z.tuple([number, number, number]))
    .max(70_000)
    .meta({ description: 'For each state code the place of its name, and the byte beside it.' }),
});
export type Kept = z.output<typeof KeptSchema>;

/** Names under the namespace of the mod, and ids under one that it had before. */
const Formerly = z.array(z.union([Name, Id])).max(1000);

/**
 * The ledger: numbers that saved worlds depend on. They never move, and retired ones are never
 * given again.
 */
export const LedgerSchema = z.strictObject({
  entries: z
    .array(
      z.strictObject({
        number,
        kind,
        name: Name,
        formerly: Formerly.optional().meta({
          description:
            'What it was called before, so that saved worlds that know it by an old name are ' +
            'understood.',
        }),
        codes: CodeLayoutSchema.optional().meta({
          description:
            "How the block's states are stored, once that must not follow from its properties " +
            'alone.',
        }),
      }),
    )
    .max(100_000),
  retired: z
    .array(
      z.strictObject({
        number,
        kind,
        name: Name,
        formerly: Formerly.optional(),
        successor: Id.optional().meta({
          description: 'What stands in old worlds where this one stood.',
        }),
        lost: z.boolean().optional().meta({ description: 'Nothing takes its place, on purpose.' }),
      }),
    )
    .max(100_000),
  releases: z
    .array(
      z.strictObject({
        version: Version,
        on: z
          .string()
          .regex(/^\d{4}-\d{2}-\d{2}$/, 'use a day such as 2026-03-31')
          .meta({ description: 'The day on which it was released.' }),
        counts: z.strictObject({
          groups: number,
          blocks: number,
          fluids: number.optional(),
          items: number,
        }),
        entries: z
          .array(
            z.strictObject({
              number,
              kind,
              name: Name,
              codes: CodeLayoutSchema.optional(),
              kept: KeptSchema.optional().meta({
                description: "How the kit's target kept the states of the block.",
              }),
            }),
          )
          .max(100_000)
          .optional()
          .meta({
            description: 'What was registered, frozen as it was. Only the last release keeps it.',
          }),
      }),
    )
    .max(1000)
    .optional()
    .meta({ description: 'The versions that players have, oldest first.' }),
});
export type Ledger = z.output<typeof LedgerSchema>;
export type Release = NonNullable<Ledger['releases']>[number];
