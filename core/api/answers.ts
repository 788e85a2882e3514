/** What the server answers. The server writes it, the page parses it, the description shows it. */
import { z } from 'zod';
import { PictureSchema, SoundSchema } from '../mod/entries.schema.ts';
import { ModSchema } from '../mod/mod.schema.ts';

const revision = z.number().int().min(0).meta({ description: 'Counts the edits of a mod.' });

/** So many days a mod lies in the bin before it goes for good. */
export const daysInBin = 30;

export const ModSummaries = z
  .array(
    z.strictObject({
      name: z.string(),
      title: z.string(),
      revision,
      blocks: z.number().int().min(0).meta({ description: 'How many blocks it has.' }),
      changed: z.iso.datetime().meta({ description: 'When it was changed last, or begun.' }),
      folder: z.string().optional().meta({ description: 'The folder that it lives in.' }),
      removed: z.iso.datetime().optional().meta({
        description: 'When it was put into the bin. It goes for good after thirty days.',
      }),
    }),
  )
  .meta({ description: 'All mods, by name; those in the bin are marked.' });
export type ModSummary = z.output<typeof ModSummaries>[number];
export const BackupAnswer = z.strictObject({ file: z.string() });
export const SavedAnswer = z.strictObject({ saved: z.number().int() });
export const OpenedAnswer = z.strictObject({ isOpened: z.literal(true) });
export const NamedAnswer = z.strictObject({ name: z.string() });

const LoggedChange = z.strictObject({
  path: z.string().meta({ description: 'A JSON Pointer (RFC 6901) into the mod.' }),
  before: z
    .unknown()
    .optional()
    .meta({ description: 'What stood there; absent when there was nothing.' }),
  after: z
    .unknown()
    .optional()
    .meta({ description: 'What stands there now; absent when it was taken away.' }),
});
export const LoggedEdit = z.strictObject({
  revision,
  time: z.iso.datetime().meta({ description: 'When it was logged (RFC 3339).' }),
  author: z.string(),
  kind: z.enum(['edit', 'undo', 'redo']),
  label: z.string(),
  stepRevision: z
    .number()
    .int()
    .nullable()
    .meta({ description: 'The revision of the edit that an undo or redo is about.' }),
  changes: z.array(LoggedChange),
});
/** An edit as it stands in the log. */
export type LoggedEdit = z.output<typeof LoggedEdit>;
export const LoggedEdits = z.array(LoggedEdit).meta({
  description:
    'Edits, oldest first: at most 200, and no more than about two million characters ' +
    'beyond the first. Ask on from the last revision for the rest.',
});

const UnfitEntry = z.strictObject({ kind: z.string(), name: z.string(), message: z.string() });
/** An entry that the server keeps as it is and leaves out of the mod, because it does not fit. */
export type UnfitEntry = z.output<typeof UnfitEntry>;

/** What undo would take back and what redo would bring back, by their labels. */
export const stepLabels = {
  undo: z.string().optional().meta({ description: 'What undo would take back.' }),
  redo: z.string().optional().meta({ description: 'What redo would bring back.' }),
};
export const ModAnswer = z.strictObject({
  revision,
  built: z.number().int().nullable().meta({ description: 'The revision that was built last.' }),
  ...stepLabels,
  unfit: z.array(UnfitEntry).meta({
    description:
      'Entries that do not fit: kept in the database as they are, and left out of the mod.',
  }),
  mod: ModSchema,
});
export type ModAnswer = z.output<typeof ModAnswer>;

export const BaselineAnswer = z
  .strictObject({
    revision,
    isBuilt: z.boolean().meta({ description: 'False while it is the mod as it was brought in.' }),
    mod: ModSchema,
  })
  .meta({ description: 'The mod as it was built last, or brought in.' });
export type BaselineAnswer = z.output<typeof BaselineAnswer>;

/** What a build does with a file. */
export const fates = [
  'new',
  'changed',
  'same',
  'gone',
  'edited',
  'foreign',
  'mine',
  'merged',
  'clash',
  'kept',
] as const;
const PlannedFile = z.strictObject({
  path: z.string(),
  fate: z.enum(fates),
  bytes: z.number().int().min(0),
  clashes: z
    .number()
    .int()
    .min(1)
    .optional()
    .meta({ description: 'In how many places people and the mod changed the same.' }),
});
export const Plan = z
  .strictObject({
    target: z.string(),
    kind: z.enum(['folder', 'file']),
    files: z.array(PlannedFile),
    id: z.string().meta({ description: 'Changes whenever the plan does.' }),
    ask: z
      .string()
      .optional()
      .meta({ description: 'What must be agreed to, by naming the id of the plan.' }),
    isKnown: z.boolean().meta({
      description: 'Whether what was built there the last time is remembered.',
    }),
    joins: z.boolean().meta({
      description: 'Whether the pack comes into one that somebody else made.',
    }),
    blocks: z.array(z.string()).optional().meta({
      description: 'The blocks that are built, where those are not all.',
    }),
  })
  .meta({ description: 'What a build does with every file.' });
export type Plan = z.output<typeof Plan>;
export const ComparedFile = z
  .strictObject({
    path: z.string(),
    before: z.string().optional(),
    after: z.string().optional(),
    clashes: z
      .array(
        z.strictObject({
          place: z
            .string()
            .meta({ description: 'A JSON Pointer (RFC 6901), or the number of a line.' }),
          base: z.string().meta({ description: 'As it was built last.' }),
          mine: z.string().meta({ description: 'As people have it.' }),
          built: z.string().meta({ description: 'As it would be built.' }),
        }),
      )
      .optional()
      .meta({ description: 'Where people and the mod changed the same, and not alike.' }),
  })
  .meta({
    description: 'Both texts of a file; absent where there is none, or where it is no text.',
  });
export type ComparedFile = z.output<typeof ComparedFile>;

/** So many differences are told at most. */
export const mostDifferences = 1000;
const Difference = z.strictObject({
  about: z.string(),
  sort: z.string().optional().meta({ description: 'Which of the sorts of questions it answers.' }),
  of: z
    .strictObject({ kind: z.enum(['block', 'item', 'recipe', 'fluid']), name: z.string() })
    .optional()
    .meta({ description: 'The block, item or recipe that it is about.' }),
  facet: z.string().optional().meta({ description: 'The part of the editor where it is mended.' }),
  ours: z.string().meta({ description: 'What was predicted.' }),
  engine: z.string().meta({ description: 'What the engine says.' }),
});
export const Verdict = z
  .strictObject({
    engine: z.string(),
    revision,
    checks: z.number().int().min(0),
    asked: z.array(z.strictObject({ sort: z.string(), checks: z.number().int().min(1) })),
    many: z.number().int().min(0).meta({ description: 'How many differences there are.' }),
    differences: z.array(Difference).max(mostDifferences),
    near: z
      .array(z.strictObject({ block: z.string(), facet: z.string(), words: z.string() }))
      .max(mostDifferences)
      .meta({ description: 'Where the engine can only come near to what is declared.' }),
  })
  .meta({ description: 'What a real engine says of the mod, beside what was predicted.' });
export type Verdict = z.output<typeof Verdict>;
export const Walked = z
  .strictObject({
    revision: z.number().int(),
    checks: z.array(
      z.strictObject({
        block: z.string(),
        part: z.string().meta({ description: 'What was tried: Placed, Shown, Dug and so on.' }),
        found: z.string(),
        amiss: z.string().optional().meta({ description: 'What is amiss, where something is.' }),
        looks: z
          .string()
          .optional()
          .meta({ description: 'What stands for how it looked: the same looks, the same text.' }),
      }),
    ),
    log: z.array(z.string()).meta({ description: 'What of the pack was refused, and why.' }),
  })
  .meta({ description: 'What came of walking through the built pack in the Yard.' });
export type Walked = z.output<typeof Walked>;

export const Job = z
  .strictObject({
    id: z.string(),
    state: z.enum(['running', 'done', 'failed', 'cancelled']),
    done: z.number(),
    total: z.number().meta({ description: '0 while it is not known.' }),
    problem: z.string().optional().meta({ description: 'Why it failed.' }),
    result: z
      .union([Plan, ComparedFile, Verdict, Walked])
      .optional()
      .meta({ description: 'What came of it. Only the last ten results are kept.' }),
  })
  .meta({ description: 'Long work: how far it is, and what came of it.' });
export type Job = z.output<typeof Job>;

export const Picture = PictureSchema;
export const Sound = SoundSchema;

const Exchanged = z
  .strictObject({ time: z.iso.datetime(), label: z.string() })
  .meta({ description: 'When something was exchanged with the folder, and what.' });
const UnreadFile = z.strictObject({
  rule: z.string().meta({ description: 'The rule of inspection that finds it.' }),
  unit: z
    .string()
    .optional()
    .meta({ description: 'The part of the mod that it says, as a JSON Pointer (RFC 6901).' }),
  file: z.string(),
  line: z.number().int().min(1),
  column: z.number().int().min(1),
  message: z.string(),
});
/** A file that is as it is and is not taken in: nothing is written over it until it is whole. */
export type UnreadFile = z.output<typeof UnreadFile>;
const ClashedUnit = z.strictObject({
  unit: z.string().meta({ description: 'A JSON Pointer (RFC 6901) into the mod.' }),
  file: z.string(),
  values: z.array(
    z.strictObject({
      path: z.string().meta({ description: 'A JSON Pointer into the unit.' }),
      base: z.unknown().optional(),
      page: z.unknown().optional(),
      folder: z.unknown().optional(),
    }),
  ),
});
/** A part of the mod in which both sides changed the same values. */
export type ClashedUnit = z.output<typeof ClashedUnit>;
export const FolderAnswer = z
  .strictObject({
    folder: z.string().nullable().meta({ description: 'Where the mod lives; null for nowhere.' }),
    problem: z
      .string()
      .optional()
      .meta({ description: 'Why nothing is exchanged at the moment. It is tried again.' }),
    taken: Exchanged.optional(),
    given: Exchanged.optional(),
    unread: z.array(UnreadFile),
    clashes: z.array(ClashedUnit),
  })
  .meta({ description: 'The folder of this machine that a mod lives in.' });
export type FolderAnswer = z.output<typeof FolderAnswer>;

const HistoryLine = LoggedEdit.omit({ changes: true }).extend({
  blocks: z.array(z.string()).meta({ description: 'The blocks that it touched, by name.' }),
});
/** One step of the log, without what it changed in detail. */
export type HistoryLine = z.output<typeof HistoryLine>;
const Point = z
  .strictObject({ revision, name: z.string().nullable(), time: z.iso.datetime() })
  .meta({ description: 'A revision that has a name, or whose mod is kept whole.' });
export type Point = z.output<typeof Point>;
export const HistoryAnswer = z.strictObject({
  lines: z.array(HistoryLine).meta({ description: 'At most a hundred steps, newest first.' }),
  points: z.array(Point),
  earliest: revision.meta({ description: 'From here on every revision can be looked at.' }),
});
export type HistoryAnswer = z.output<typeof HistoryAnswer>;
export const ThenAnswer = z
  .strictObject({ revision, mod: ModSchema })
  .meta({ description: 'The mod as it stood at a revision.' });
export type ThenAnswer = z.output<typeof ThenAnswer>;
export const PointsAnswer = z.array(Point);
