import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import type { IncomingHttpHeaders } from 'node:http';
import { openapi } from '../api/openapi.ts';

interface Response {
  content?: Record<string, { schema: object }>;
  headers?: Record<string, object>;
}
type Operations = Record<string, { responses: Record<string, Response> }>;

const described = openapi();
const ajv = new Ajv2020({ strict: false, allErrors: false, validateFormats: false });
ajv.addSchema({ $id: 'api', components: described.components });
const checks = new Map<string, ValidateFunction>();

/** Compiles a schema whose references lead into the description. */
function checkOf(schema: object): ValidateFunction {
  const text = JSON.stringify(schema).replaceAll('"#/components', '"api#/components');
  const known = checks.get(text) ?? ajv.compile(JSON.parse(text) as object);
  checks.set(text, known);
  return known;
}

function operationOf(
  method: string,
  address: string,
): { responses: Record<string, Response> } | undefined {
  const path = address.replace(/\?.*$/, '');
  const found = Object.entries(described.paths).find(([template]) =>
    new RegExp(`^${template.replaceAll(/\{\w+\}/g, '[^/]+').replaceAll('.', '\\.')}$`).test(path),
  );
  return (found?.[1] as Operations | undefined)?.[method.toLowerCase()];
}

/**
 * Throws unless an answer is one that the description of the API tells of: its status, its headers,
 * its type and its body.
 */
export function holdAgainstDescription(
  method: string,
  address: string,
  answer: { status: number; headers: IncomingHttpHeaders; json: unknown },
): void {
  const operation = operationOf(method, address);
  if (!operation) return;
  const where = `${method} ${address} answers ${answer.status}`;
  const response = operation.responses[String(answer.status)];
  if (!response) throw new Error(`${where}, which the description does not tell of.`);
  for (const header of Object.keys(response.headers ?? {}))
    if (answer.headers[header.toLowerCase()] === undefined)
      throw new Error(`${where} without ${header}.`);
  const type = (answer.headers['content-type'] ?? '').split(';')[0] ?? '';
  const content = response.content?.[type];
  if (response.content && !content)
    throw new Error(`${where} as ${type}, which the description does not tell of.`);
  if (!content || answer.json === undefined) return;
  const check = checkOf(content.schema);
  if (!check(answer.json)) throw new Error(`${where}: ${ajv.errorsText(check.errors)}`);
}
