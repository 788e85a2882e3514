import { z } from 'zod';
import { HeaderSchema } from '../../core/mod/index.ts';
import { BuildBody, PlanBody } from './builds.ts';
import { EditBody, NewModBody } from './mods.ts';

const schema = (of: z.ZodType): unknown => z.toJSONSchema(of, { io: 'input', unrepresentable: 'any' });
const json = (of: unknown) => ({ content: { 'application/json': { schema: of } } });
const problem = { description: 'What went wrong (RFC 9457)', content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } } };
const ok = (description: string, of: unknown = {}) => ({ description, ...json(of) });
const mod = { name: 'mod', in: 'path', required: true, schema: { type: 'string' }, description: 'The namespace of the mod' };
const ifMatch = { name: 'If-Match', in: 'header', required: true, schema: { type: 'string' }, description: 'The ETag of the mod that the edit was made at' };

/** The description of the API (OpenAPI 3.1), its bodies made from the schemas that check them. */
export const openapi = () => ({
  openapi: '3.1.0',
  info: { title: 'Obrank', version: '0.1.0', description: 'Mods as validated documents with an append-only log of edits. Every write names the revision that it was made at.' },
  paths: {
    '/api/mods': {
      get: { summary: 'All mods', responses: { 200: ok('Name, title and revision of each') } },
      post: { summary: 'Begin a mod', requestBody: json(schema(NewModBody)), responses: { 201: ok('Made'), 409: problem, 422: problem } },
    },
    '/api/mods/{mod}': { get: { summary: 'A whole mod', parameters: [mod], responses: { 200: ok('The mod with its revision, also as ETag', { type: 'object', properties: { revision: { type: 'integer' }, mod: { type: 'object', properties: { header: schema(HeaderSchema) } } } }), 404: problem } } },
    '/api/mods/{mod}/edits': {
      get: { summary: 'The log of edits', parameters: [mod, { name: 'after', in: 'query', schema: { type: 'integer' } }], responses: { 200: ok('Edits, oldest first') } },
      post: { summary: 'Edit the mod', parameters: [mod, ifMatch], requestBody: json(schema(EditBody)), responses: { 201: ok('The edit as logged'), 400: problem, 412: problem, 413: problem, 422: problem, 428: problem } },
    },
    '/api/mods/{mod}/undo': { post: { summary: 'Take back the last edit', parameters: [mod, ifMatch], responses: { 201: ok('The edit as logged'), 409: problem, 412: problem } } },
    '/api/mods/{mod}/redo': { post: { summary: 'Bring back what was taken back', parameters: [mod, ifMatch], responses: { 201: ok('The edit as logged'), 409: problem, 412: problem } } },
    '/api/mods/{mod}/events': { get: { summary: 'Edits as they happen', parameters: [mod], responses: { 200: { description: 'Server-sent events', content: { 'text/event-stream': {} } } } } },
    '/api/mods/{mod}/pack.obpack': { get: { summary: 'The built pack as a ZIP', parameters: [mod], responses: { 200: { description: 'ZIP', content: { 'application/zip': {} } } } } },
    '/api/mods/{mod}/folder.zip': { get: { summary: 'The mod as a folder of text and pictures', parameters: [mod], responses: { 200: { description: 'ZIP', content: { 'application/zip': {} } } } } },
    '/api/mods/{mod}/plan': { post: { summary: 'What a build would do', parameters: [mod], requestBody: json(schema(PlanBody)), responses: { 200: ok('The plan'), 409: problem } } },
    '/api/mods/{mod}/compare': { post: { summary: 'One file before and after a build', parameters: [mod], requestBody: json(schema(PlanBody.extend({ path: z.string() }))), responses: { 200: ok('Both texts'), 404: problem } } },
    '/api/mods/{mod}/builds': { post: { summary: 'Build into a folder or file of this machine', parameters: [mod], requestBody: json(schema(BuildBody)), responses: { 202: ok('A job'), 409: problem } } },
    '/api/jobs/{job}': { get: { summary: 'How far a job is', responses: { 200: ok('The job'), 404: problem } }, delete: { summary: 'Cancel a job', responses: { 200: ok('The job'), 404: problem } } },
    '/api/pictures': { post: { summary: 'Upload a PNG', requestBody: { content: { 'image/png': {} } }, responses: { 201: ok('Facts of the picture'), 413: problem, 422: problem } } },
    '/api/sounds': { post: { summary: 'Upload a WAV or Ogg file', requestBody: { content: { 'audio/wav': {}, 'audio/ogg': {} } }, responses: { 201: ok('Facts of the sound'), 413: problem, 422: problem } } },
    '/api/blobs/{sha256}': { get: { summary: 'A picture or sound by its SHA-256', responses: { 200: { description: 'The bytes' }, 404: problem } } },
  },
  components: { schemas: { Problem: { type: 'object', required: ['title', 'status', 'detail'], properties: { type: { type: 'string' }, title: { type: 'string' }, status: { type: 'integer' }, detail: { type: 'string' }, errors: { type: 'array', items: { type: 'object', properties: { pointer: { type: 'string' }, detail: { type: 'string' } } } } } } } },
});
