import { z } from 'zod';
import * as answers from './answers.schema.ts';
import { BuildBody, CompareBody, PlanBody } from './builds.ts';
import { EditBody, NewModBody } from './mods.ts';

type Parts = Record<string, unknown>;

/** Schemas that several answers share, by name. */
const shared = {
  ModSummaries: answers.ModSummaries,
  Named: answers.Named,
  Mod: answers.ModAnswer,
  LoggedEdit: answers.LoggedEdit,
  LoggedEdits: answers.LoggedEdits,
  Job: answers.Job,
  Picture: answers.Picture,
  Sound: answers.Sound,
  Problem: answers.ProblemAnswer,
} as const;
type Shared = keyof typeof shared;

/**
 * A schema as it stands in the description. `output` where the server writes it, `input` where it
 * reads it.
 */
function schemaOf(schema: z.ZodType, io: 'input' | 'output'): Parts {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, {
    io,
    unrepresentable: 'any',
    reused: 'inline',
  }) as Parts;
  return rest;
}

/**
 * A schema that leads back to itself names its own parts; where it is put into the description
 * those names lead on from there.
 */
function component(name: string, schema: z.ZodType): Parts {
  const text = JSON.stringify(schemaOf(schema, 'output'));
  return JSON.parse(text.replaceAll('"#/$defs/', `"#/components/schemas/${name}/$defs/`)) as Parts;
}

const json = (schema: Parts): Parts => ({ content: { 'application/json': { schema } } });
const link = (name: Shared): Parts => ({ $ref: `#/components/schemas/${name}` });
const body = (schema: z.ZodType): Parts => ({
  requestBody: { required: true, ...json(schemaOf(schema, 'input')) },
});
const bytes = (...types: string[]): Parts => ({
  content: Object.fromEntries(
    types.map((type) => [type, { schema: { type: 'string', format: 'binary' } }]),
  ),
});

const text = (description: string, rest: Parts = {}): Parts => ({
  description,
  schema: { type: 'string', ...rest },
});
const headers: Parts = {
  ETag: text('The revision of the mod in quotation marks, for If-Match.', { pattern: '^"\\d+"$' }),
  Location: text('Where what was made is found.'),
  'Retry-After': text('Seconds to wait.'),
  'Content-Disposition': text('The name under which a browser keeps it.'),
};
const answer = (description: string, content: Parts = {}, ...named: string[]): Parts => ({
  description,
  ...content,
  ...(named.length
    ? { headers: Object.fromEntries(named.map((name) => [name, headers[name]])) }
    : {}),
});

const sentences: Record<number, string> = {
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
};
const problems = (...statuses: number[]): Parts =>
  Object.fromEntries(
    [403, 500, ...statuses].map((status) => [
      status,
      answer(
        sentences[status] ?? '',
        { content: { 'application/problem+json': { schema: link('Problem') } } },
        ...(status === 503 ? ['Retry-After'] : []),
      ),
    ]),
  );
/** What every write may meet. */
const writing = [404, 413, 422, 503, 507];

const inPath = (name: string, description: string, rest: Parts = {}): Parts => ({
  name,
  in: 'path',
  required: true,
  description,
  schema: { type: 'string', ...rest },
});
const mod = inPath('mod', 'The namespace of the mod');
const job = inPath('job', 'The id of the job');
const ifMatch = {
  name: 'If-Match',
  in: 'header',
  required: true,
  description: 'The revision that the edit was made at: the ETag of the mod',
  schema: { type: 'string', pattern: '^"\\d{1,15}"$' },
};
const author = {
  name: 'X-Obrank-Author',
  in: 'header',
  required: false,
  description: 'Who makes the edit, for the history',
  schema: { type: 'string', maxLength: 80 },
};
const whole = (name: string, description: string): Parts => ({
  name,
  in: 'query',
  required: false,
  description,
  schema: { type: 'integer', minimum: 0 },
});

const get = (summary: string, rest: Parts): Parts => ({ get: { summary, ...rest } });
const post = (summary: string, rest: Parts): Parts => ({ post: { summary, ...rest } });
const started = { 202: answer('A job that was started', json(link('Job')), 'Location') };
const logged = { 201: answer('The edit as it was logged', json(link('LoggedEdit')), 'ETag') };

const paths: Record<string, Parts> = {
  '/api/openapi.json': get('This description', {
    responses: { 200: answer('OpenAPI 3.1', json({ type: 'object' })), ...problems() },
  }),
  '/api/mods': {
    ...get('All mods', {
      responses: {
        200: answer('Name, title and revision of each', json(link('ModSummaries'))),
        ...problems(),
      },
    }),
    ...post('Begin a mod', {
      ...body(NewModBody),
      responses: {
        201: answer('It was begun', json(link('Named')), 'Location'),
        ...problems(400, 409, 415, ...writing),
      },
    }),
  },
  '/api/mods/{mod}': get('A whole mod', {
    parameters: [mod],
    responses: {
      200: answer('The mod and where it stands', json(link('Mod')), 'ETag'),
      ...problems(404),
    },
  }),
  '/api/mods/{mod}/edits': {
    ...get('The log of edits', {
      parameters: [
        mod,
        whole('after', 'Only edits after this revision; the last hundred when left out'),
      ],
      responses: {
        200: answer('Edits, oldest first', json(link('LoggedEdits')), 'ETag'),
        ...problems(400, 404),
      },
    }),
    ...post('Edit the mod', {
      parameters: [mod, ifMatch, author],
      ...body(EditBody),
      responses: { ...logged, ...problems(400, 412, 415, 428, ...writing) },
    }),
  },
  '/api/mods/{mod}/undo': post('Take back the last edit', {
    parameters: [mod, ifMatch, author],
    responses: { ...logged, ...problems(400, 409, 412, 415, 428, ...writing) },
  }),
  '/api/mods/{mod}/redo': post('Bring back what was taken back', {
    parameters: [mod, ifMatch, author],
    responses: { ...logged, ...problems(400, 409, 412, 415, 428, ...writing) },
  }),
  '/api/mods/{mod}/events': get('Edits as they happen', {
    parameters: [mod],
    responses: {
      200: answer(
        'Server-sent events: "hello" with the revision; then "edit" with the edit and what ' +
          'undo and redo would take, or "moved" with the revision alone for an edit that is too ' +
          'long. A reader that does not keep up is dropped and may come back.',
        { content: { 'text/event-stream': { schema: { type: 'string' } } } },
      ),
      ...problems(404, 503),
    },
  }),
  '/api/mods/{mod}/pack': get('The built pack as a ZIP', {
    parameters: [mod],
    responses: {
      200: answer('ZIP', bytes('application/zip'), 'Content-Disposition'),
      ...problems(404, 507),
    },
  }),
  '/api/mods/{mod}/folder.zip': get('The mod as a folder of text, pictures and sounds', {
    parameters: [mod],
    responses: {
      200: answer('ZIP', bytes('application/zip'), 'Content-Disposition'),
      ...problems(404),
    },
  }),
  '/api/mods/{mod}/plan': post('Work out what a build would do', {
    parameters: [mod],
    ...body(PlanBody),
    responses: { ...started, ...problems(400, 415, ...writing) },
  }),
  '/api/mods/{mod}/compare': post('One file before and after a build', {
    parameters: [mod],
    ...body(CompareBody),
    responses: { ...started, ...problems(400, 415, ...writing) },
  }),
  '/api/mods/{mod}/builds': post('Build into a folder or file of this machine', {
    parameters: [mod],
    ...body(BuildBody),
    responses: { ...started, ...problems(400, 415, ...writing) },
  }),
  '/api/jobs/{job}': {
    ...get('How far a job is', {
      parameters: [job, whole('wait', 'So many milliseconds, up to 30,000, to wait for its end')],
      responses: { 200: answer('The job', json(link('Job'))), ...problems(400, 404) },
    }),
    delete: {
      summary: 'Cancel a job',
      parameters: [job],
      responses: { 200: answer('The job', json(link('Job'))), ...problems(404) },
    },
  },
  '/api/pictures': post('Upload a PNG', {
    requestBody: { required: true, ...bytes('image/png') },
    responses: {
      201: answer('Facts of the picture', json(link('Picture'))),
      ...problems(400, 413, 422, 503, 507),
    },
  }),
  '/api/sounds': post('Upload a WAV or Ogg file', {
    requestBody: { required: true, ...bytes('audio/wav', 'audio/ogg') },
    responses: {
      201: answer('Facts of the sound', json(link('Sound'))),
      ...problems(400, 413, 422, 503, 507),
    },
  }),
  '/api/blobs/{sha256}': get('A picture or sound by its SHA-256', {
    parameters: [
      inPath('sha256', 'The digest in hexadecimal digits', { pattern: '^[0-9a-f]{64}$' }),
    ],
    responses: {
      200: answer('The bytes', bytes('image/png', 'audio/wav', 'audio/ogg')),
      ...problems(404),
    },
  }),
};

/**
 * The description of the API (OpenAPI 3.1), its bodies and answers made from the schemas that check
 * them.
 */
export const openapi = () => ({
  openapi: '3.1.0',
  info: {
    title: 'Obrank',
    version: '0.1.0',
    description:
      'Mods as validated documents with an append-only log of edits. Every write names the ' +
      'revision that it was made at. The server answers on this machine alone.',
  },
  servers: [{ url: '/' }],
  paths,
  components: {
    schemas: Object.fromEntries(
      Object.entries(shared).map(([name, schema]) => [name, component(name, schema)]),
    ),
  },
});
