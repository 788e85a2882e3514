import { z } from 'zod';
import {
  endpoints,
  Job,
  LoggedEdit,
  LoggedEdits,
  ModAnswer,
  ModSummaries,
  NamedAnswer,
  Picture,
  problemStatuses,
  ProblemAnswer,
  Sound,
  BaselineAnswer,
  FolderAnswer,
  HistoryAnswer,
  ThenAnswer,
  type Endpoint,
  type ProblemStatus,
} from '../../core/api/index.ts';

type Parts = Record<string, unknown>;

/** Schemas that several answers share, by name. */
const shared: Readonly<Record<string, z.ZodType>> = {
  ModSummaries,
  Named: NamedAnswer,
  Mod: ModAnswer,
  Baseline: BaselineAnswer,
  Then: ThenAnswer,
  Folder: FolderAnswer,
  History: HistoryAnswer,
  LoggedEdit,
  LoggedEdits,
  Job,
  Picture,
  Sound,
  Problem: ProblemAnswer,
};

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

/** A reference to a shared schema, or the schema itself. */
function answerSchema(schema: z.ZodType): Parts {
  const named = Object.entries(shared).find(([, known]) => known === schema);
  return named ? { $ref: `#/components/schemas/${named[0]}` } : schemaOf(schema, 'output');
}

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
const withHeaders = (names: readonly string[]): Parts =>
  names.length ? { headers: Object.fromEntries(names.map((name) => [name, headers[name]])) } : {};
const binary = (types: readonly string[]): Parts =>
  Object.fromEntries(types.map((type) => [type, { schema: { type: 'string', format: 'binary' } }]));

function successOf({ answer }: Endpoint): Parts {
  const { description, schema, types = [], headers: names = [] } = answer;
  const content = schema ? { 'application/json': { schema: answerSchema(schema) } } : binary(types);
  return { description, content, ...withHeaders(names) };
}

function problemOf(status: ProblemStatus): Parts {
  const schema = { $ref: '#/components/schemas/Problem' };
  return {
    description: problemStatuses[status],
    content: { 'application/problem+json': { schema } },
    ...withHeaders(status === 503 ? ['Retry-After'] : []),
  };
}

const pathParts: Readonly<Record<string, { description: string; schema?: Parts }>> = {
  mod: { description: 'The namespace of the mod' },
  job: { description: 'The id of the job' },
  revision: { description: 'A revision of the mod', schema: { pattern: '^\\d{1,15}$' } },
  sha256: {
    description: 'The digest in hexadecimal digits',
    schema: { pattern: '^[0-9a-f]{64}$' },
  },
};
/** What every edit says in its headers. */
const editHeaders: Parts[] = [
  {
    name: 'If-Match',
    in: 'header',
    required: true,
    description: 'The revision that the edit was made at: the ETag of the mod',
    schema: { type: 'string', pattern: '^"\\d{1,15}"$' },
  },
  {
    name: 'X-Obrank-Author',
    in: 'header',
    required: false,
    description: 'Who makes the edit, for the history',
    schema: { type: 'string', maxLength: 80 },
  },
];

function parametersOf({ path, query, isEdit }: Endpoint): Parts[] {
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name = '']) => ({
    name,
    in: 'path',
    required: true,
    description: pathParts[name]?.description,
    schema: { type: 'string', ...pathParts[name]?.schema },
  }));
  const asked = query ? (schemaOf(query, 'output')['properties'] as Record<string, Parts>) : {};
  const inQuery = Object.entries(asked).map(([name, { description, ...schema }]) => ({
    name,
    in: 'query',
    required: false,
    description,
    schema,
  }));
  return [...inPath, ...inQuery, ...(isEdit ? editHeaders : [])];
}

function bodyOf({ body, upload }: Endpoint): Parts {
  if (body)
    return {
      requestBody: {
        required: true,
        content: { 'application/json': { schema: schemaOf(body, 'input') } },
      },
    };
  return upload ? { requestBody: { required: true, content: binary(upload.types) } } : {};
}

/** One address with one method, as the description has it. */
function operationOf(name: string, endpoint: Endpoint): Parts {
  const parameters = parametersOf(endpoint);
  const statuses: ProblemStatus[] = [403, 500, ...endpoint.problems];
  return {
    operationId: name,
    summary: endpoint.summary,
    ...(parameters.length ? { parameters } : {}),
    ...bodyOf(endpoint),
    responses: {
      [endpoint.answer.status]: successOf(endpoint),
      ...Object.fromEntries(statuses.map((status) => [status, problemOf(status)])),
    },
  };
}

function paths(): Record<string, Parts> {
  const described: Record<string, Parts> = {
    '/api/openapi.json': {
      get: {
        operationId: 'describeApi',
        summary: 'This description',
        responses: {
          200: {
            description: 'OpenAPI 3.1',
            content: { 'application/json': { schema: { type: 'object' } } },
          },
          403: problemOf(403),
          500: problemOf(500),
        },
      },
    },
  };
  for (const [name, endpoint] of Object.entries<Endpoint>(endpoints))
    (described[endpoint.path] ??= {})[endpoint.method.toLowerCase()] = operationOf(name, endpoint);
  return described;
}

/** The description of the API (OpenAPI 3.1), made from the table of its addresses. */
export const openapi = () => ({
  openapi: '3.1.0',
  info: {
    title: 'Obrank',
    version: '0.1.0',
    description:
      'Mods as validated documents with an append-only log of edits. Every write names the ' +
      'revision that it was made at. The server answers on this machine alone.',
    license: { name: 'MIT', identifier: 'MIT' },
  },
  servers: [{ url: '/' }],
  // Only this machine is answered, so nobody signs in.
  security: [],
  paths: paths(),
  components: {
    schemas: Object.fromEntries(
      Object.entries(shared).map(([name, schema]) => [name, component(name, schema)]),
    ),
  },
});
