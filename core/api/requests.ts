/** What the page asks of the server: bodies, queries, and how large they may be. */
import { z } from 'zod';
import { Name } from '../mod/names.ts';

const whole = (text: string): boolean => text.isWellFormed();
const halfCharacter = 'it holds half a character (a lone surrogate)';

const JsonPointer = z
  .string()
  .max(1000)
  .regex(/^(\/.*)?$/s, 'use a JSON Pointer, which begins with a slash')
  .meta({ description: 'A JSON Pointer (RFC 6901) into the mod.' });

/** One change of an edit: what stands at a place, and what shall stand there. */
export const ChangeBody = z.strictObject({
  path: JsonPointer,
  before: z.unknown().optional(),
  after: z.unknown().optional(),
});
export const EditBody = z.strictObject({
  label: z.string().min(1).max(200).refine(whole, halfCharacter),
  changes: z.array(ChangeBody).min(1).max(10_000),
});
export const NewModBody = z.strictObject({
  namespace: Name,
  title: z.string().min(1).max(100).refine(whole, halfCharacter),
});

const target = z.string().min(1).max(1000).meta({
  description: 'A whole path, or one from ~/: a folder, or a file with the ending of the kit.',
});
export const PackPathBody = z.strictObject({
  path: z.string().max(4096).meta({ description: 'Where a pack lies: a folder, or one file.' }),
});
export const SavePackBody = z.strictObject({
  path: z.string().max(4096).meta({ description: 'Where the pack lies that was read.' }),
  changes: z
    .array(
      z.strictObject({
        file: z.string().max(300),
        before: z
          .string()
          .regex(/^[0-9a-f]{64}$/)
          .optional()
          .meta({ description: 'SHA-256 of the file as it was read; absent for a new one.' }),
        after: z
          .base64()
          .optional()
          .meta({ description: 'What it is to hold, in base64; absent for one that goes.' }),
      }),
    )
    .max(50_000),
});
const keep = z.array(z.string().max(300)).max(10_000).optional().meta({
  description: 'Files that people changed by hand, or wrote themselves, and that stay so.',
});
const settled = z
  .array(
    z.strictObject({
      path: z.string().max(300),
      takes: z.array(z.enum(['mine', 'built']).nullable()).max(10_000),
    }),
  )
  .max(10_000)
  .optional()
  .meta({
    description: 'Whose words stand where people and the mod changed the same, place by place.',
  });
const fresh = z.array(z.string().max(300)).max(10_000).optional().meta({
  description: 'Files that become as they are built, whatever people changed in them.',
});
const kit = z.string().max(64).optional().meta({
  description: 'The kit to build for; that of the mod when it is left out.',
});
const joins = z
  .boolean()
  .optional()
  .meta({
    description:
      'Whether the pack comes into one that somebody else made, lists and groups of both put ' +
      'together; as it was the last time when it is left out.',
  });
const blocks = z
  .array(Name)
  .max(10_000)
  .optional()
  .meta({
    description:
      'The blocks that are built, with all that they need, or none for all; as it was the last ' +
      'time when it is left out.',
  });
export const PackQuery = z.strictObject({ kit });
export const PlanBody = z.strictObject({ target, keep, settled, fresh, kit, joins, blocks });
export const CompareBody = z.strictObject({
  target,
  settled,
  fresh,
  kit,
  joins,
  blocks,
  path: z.string().max(300).meta({ description: 'A file of the plan.' }),
});
export const BuildBody = z.strictObject({
  target,
  keep,
  settled,
  fresh,
  kit,
  joins,
  blocks,
  agreed: z
    .string()
    .max(100)
    .optional()
    .meta({ description: 'The id of the plan that was shown, when it asks something.' }),
});

/** So long one may wait for a job at once, in milliseconds. */
export const maxWaitMs = 30_000;

export const LogQuery = z.strictObject({
  after: z.coerce
    .number('"after" must be a revision.')
    .int('"after" must be a revision.')
    .min(0, '"after" must be a revision.')
    .optional()
    .meta({
      description: 'Only edits after this revision; the last hundred when it is left out.',
    }),
});
const waitRefused = `"wait" must be a whole number of milliseconds up to ${maxWaitMs}.`;
export const JobQuery = z.strictObject({
  wait: z.coerce
    .number(waitRefused)
    .int(waitRefused)
    .min(0, waitRefused)
    .max(maxWaitMs, waitRefused)
    .optional()
    .meta({ description: 'So many milliseconds to wait for the end of the job.' }),
});

const place = z.string().min(1).max(4096).meta({
  description: 'A whole path on this machine, or one from ~/.',
});
const side = z.enum(['page', 'folder']);
export const LinkBody = z.strictObject({
  folder: place,
  keep: side.optional().meta({ description: 'Who wins where both hold something else.' }),
});
export const BackupBody = z.strictObject({ file: place, overwrite: z.boolean().optional() });
export const OpenFolderBody = z.strictObject({ folder: place });
const program = z.string().trim().min(1).max(1000).optional();
export const Programs = z.strictObject({
  forFolders: program.meta({
    description: 'The line that opens a folder, {place} in it; absent while none is named.',
  }),
  forFiles: program.meta({
    description: 'The line that opens a file, {place} and {line} in it; absent likewise.',
  }),
});
export type Programs = z.output<typeof Programs>;
export const OpenBody = z.strictObject({
  folder: place,
  file: z.string().max(1000).optional().meta({ description: 'A file in it, by its path there.' }),
  line: z.number().int().min(1).max(10_000_000).optional(),
});
export type OpenBody = z.output<typeof OpenBody>;
export const ChooseBody = z.strictObject({
  units: z.array(JsonPointer).min(1).max(10_000),
  keep: side,
});

const someRevision = z.number().int().min(0);
export const HistoryQuery = z.strictObject({
  before: z.coerce
    .number('"before" must be a revision.')
    .int('"before" must be a revision.')
    .min(0, '"before" must be a revision.')
    .optional()
    .meta({ description: 'Only steps before this revision.' }),
  block: Name.optional().meta({ description: 'Only steps that touch this block.' }),
});
export const PointBody = z.strictObject({
  revision: someRevision,
  name: z.string().min(1).max(100).refine(whole, halfCharacter).nullable().meta({
    description: 'What the revision is called from now on; null takes its name away.',
  }),
});
export const BringBackBody = z.strictObject({ block: Name, revision: someRevision });
