/**
 * What the server answers, as schemas: the description of the API is made from them, and the tests
 * hold every answer against them.
 */
import { z } from 'zod';
import { ModSchema } from '../../core/mod/index.ts';
import { PictureSchema, SoundSchema } from '../../core/mod/entries.schema.ts';

const revision = z.number().int().min(0).meta({ description: 'Counts the edits of a mod.' });
const step = z.string().optional();

export const ModSummaries = z
  .array(z.strictObject({ name: z.string(), title: z.string(), revision }))
  .meta({ description: 'All mods, by name.' });
export const Named = z.strictObject({ name: z.string() });

const Change = z.strictObject({
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
  at: z.iso.datetime().meta({ description: 'When it was logged (RFC 3339).' }),
  author: z.string(),
  kind: z.enum(['edit', 'undo', 'redo']),
  label: z.string(),
  of: z
    .number()
    .int()
    .nullable()
    .meta({ description: 'The revision that an undo or redo is about.' }),
  changes: z.array(Change),
});
export const LoggedEdits = z.array(LoggedEdit).meta({
  description:
    'Edits, oldest first: at most 200, and no more than about two million characters ' +
    'beyond the first. Ask on from the last revision for the rest.',
});

export const ModAnswer = z.strictObject({
  revision,
  built: z.number().int().nullable().meta({ description: 'The revision that was built last.' }),
  undo: step.meta({ description: 'What undo would take back.' }),
  redo: step.meta({ description: 'What redo would bring back.' }),
  unfit: z.array(z.strictObject({ kind: z.string(), name: z.string(), message: z.string() })).meta({
    description:
      'Entries that do not fit: kept in the database as they are, and left out of the mod.',
  }),
  mod: ModSchema,
});

const PlannedFile = z.strictObject({
  path: z.string(),
  fate: z.enum(['new', 'changed', 'same', 'gone', 'edited', 'foreign', 'kept']),
  bytes: z.number().int().min(0),
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
  })
  .meta({ description: 'What a build does with every file.' });
export const Compared = z
  .strictObject({ path: z.string(), before: z.string().optional(), after: z.string().optional() })
  .meta({
    description: 'Both texts of a file; absent where there is none, or where it is no text.',
  });

export const Job = z
  .strictObject({
    id: z.string(),
    state: z.enum(['running', 'done', 'failed', 'cancelled']),
    done: z.number(),
    total: z.number().meta({ description: '0 while it is not known.' }),
    problem: z.string().optional().meta({ description: 'Why it failed.' }),
    result: z
      .union([Plan, Compared])
      .optional()
      .meta({ description: 'What came of it. Only the last ten results are kept.' }),
  })
  .meta({ description: 'Long work: how far it is, and what came of it.' });

export const Picture = PictureSchema;
export const Sound = SoundSchema;

export const ProblemAnswer = z
  .looseObject({
    type: z.string(),
    title: z.string(),
    status: z.number().int(),
    detail: z.string().meta({ description: 'What happened, in a sentence.' }),
    errors: z
      .array(z.strictObject({ pointer: z.string(), detail: z.string() }))
      .optional()
      .meta({
        description:
          'Each place that is wrong: at most a hundred, and a last one that says how many more.',
      }),
    revision: z.number().int().optional().meta({ description: 'With 412: where the mod stands.' }),
    edits: LoggedEdits.optional().meta({
      description: 'With 412: the edits since, as far as one answer holds them.',
    }),
  })
  .meta({ description: 'What went wrong (RFC 9457).' });
