import { z } from 'zod';
import { LoggedEdits } from './answers.ts';

/** An answer that is an error, as RFC 9457 has it. */
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
export type ProblemAnswer = z.output<typeof ProblemAnswer>;

/** What each status that is an error says, in general. */
export const problemStatuses = {
  400: 'The request cannot be understood',
  403: 'It came under a foreign host name, or from a page of somebody else',
  404: 'There is nothing of that name',
  409: 'It cannot be done as things stand',
  412: 'The mod has moved on: the revision it stands at, and the edits since',
  413: 'The body is larger than this address takes',
  415: 'The body is not application/json',
  422: 'The body does not fit: each place, with what to write instead',
  428: 'If-Match is missing',
  500: 'The server could not do this',
  503: 'More is asked at once than the server can hold',
  507: 'The disk is full or cannot be written; nothing was saved',
} as const;
export type ProblemStatus = keyof typeof problemStatuses;
