import { expect, test } from '@jest/globals';
import { openapi } from './openapi.ts';
import { BuildBody, PlanBody } from './builds.ts';
import { EditBody, NewModBody } from './mods.ts';

type Operation = { summary: string; parameters?: { name: string; in: string }[]; requestBody?: { content: Record<string, { schema?: { properties?: object } }> }; responses: Record<string, object> };
const described = openapi();
const operations = Object.entries(described.paths).flatMap(([path, methods]) => Object.entries(methods as Record<string, Operation>).map(([method, operation]) => ({ path, method, operation })));

test('every address says what it does and what it answers', () => {
  expect(operations.length).toBeGreaterThan(14);
  for (const { operation } of operations) {
    expect(operation.summary).toMatch(/^[A-Z]/);
    expect(Object.keys(operation.responses).some((status) => status.startsWith('2'))).toBe(true);
  }
});

test('every write of a mod names the revision that it was made at, and tells of a stale one', () => {
  for (const { path, method, operation } of operations) {
    if (method !== 'post' || !/\/(edits|undo|redo)$/.test(path)) continue;
    expect(operation.parameters!.some((parameter) => parameter.name === 'If-Match' && parameter.in === 'header')).toBe(true);
    expect(Object.keys(operation.responses)).toContain('412');
  }
});

test('the bodies are described by the schemas that check them', () => {
  const fields = (path: string) => Object.keys(operations.find((one) => one.path === path && one.method === 'post')!.operation.requestBody!.content['application/json']!.schema!.properties!);
  expect(fields('/api/mods/{mod}/edits')).toEqual(Object.keys(EditBody.shape));
  expect(fields('/api/mods')).toEqual(Object.keys(NewModBody.shape));
  expect(fields('/api/mods/{mod}/plan')).toEqual(Object.keys(PlanBody.shape));
  expect(fields('/api/mods/{mod}/builds')).toEqual(Object.keys(BuildBody.shape));
});

test('it is plain data, and every reference in it leads somewhere', () => {
  const text = JSON.stringify(described);
  expect(JSON.parse(text)).toEqual(described);
  for (const [, name] of text.matchAll(/"#\/components\/schemas\/([A-Za-z]+)"/g)) expect(Object.keys(described.components.schemas)).toContain(name);
});
