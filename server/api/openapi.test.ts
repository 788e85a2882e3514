import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test } from '@jest/globals';
import { Validator } from '@seriousme/openapi-schema-validator';
import { holdAgainstDescription } from '../testing/described.ts';
import { openapi } from './openapi.ts';
import { BuildBody, EditBody, NewModBody, PlanBody } from '../../core/api/index.ts';

type Operation = {
  summary: string;
  parameters?: { name: string; in: string; required: boolean; description: string }[];
  requestBody?: { content: Record<string, { schema?: { properties?: object } }> };
  responses: Record<string, { description: string; content?: Record<string, { schema?: object }> }>;
};
const described = openapi();
const operations = Object.entries(described.paths).flatMap(([path, methods]) =>
  Object.entries(methods as unknown as Record<string, Operation>).map(([method, operation]) => ({
    path,
    method,
    operation,
  })),
);

test('every address says what it does and what it answers', () => {
  expect(operations.length).toBeGreaterThan(14);
  for (const { operation } of operations) {
    expect(operation.summary).toMatch(/^[A-Z]/);
    expect(Object.keys(operation.responses).some((status) => status.startsWith('2'))).toBe(true);
  }
});

test(
  'every write of a mod names the revision that it was made at, and tells of a stale ' + 'one',
  () => {
    for (const { path, method, operation } of operations) {
      if (method !== 'post' || !/\/(edits|undo|redo)$/.test(path)) continue;
      expect(
        operation.parameters!.some(
          (parameter) => parameter.name === 'If-Match' && parameter.in === 'header',
        ),
      ).toBe(true);
      expect(Object.keys(operation.responses)).toContain('412');
    }
  },
);

test('the bodies are described by the schemas that check them', () => {
  const fields = (path: string) =>
    Object.keys(
      operations.find((one) => one.path === path && one.method === 'post')!.operation.requestBody!
        .content['application/json']!.schema!.properties!,
    );
  expect(fields('/api/mods/{mod}/edits')).toEqual(Object.keys(EditBody.shape));
  expect(fields('/api/mods')).toEqual(Object.keys(NewModBody.shape));
  expect(fields('/api/mods/{mod}/plan')).toEqual(Object.keys(PlanBody.shape));
  expect(fields('/api/mods/{mod}/builds')).toEqual(Object.keys(BuildBody.shape));
});

test('every status, header and member of a problem is described, as a linter of others has it', () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-openapi-'));
  const file = path.join(folder, 'openapi.json');
  writeFileSync(file, JSON.stringify(described));
  const config = path.join(folder, 'redocly.yaml');
  writeFileSync(config, 'extends: [recommended-strict]\ntelemetry: off\n');
  const program = path.resolve('node_modules/@redocly/cli/bin/cli.js');
  const linted = spawnSync(
    process.execPath,
    [program, 'lint', file, '--config', config, '--format', 'json'],
    { encoding: 'utf8', env: { ...process.env, REDOCLY_TELEMETRY: 'off' } },
  );
  rmSync(folder, { recursive: true });
  const { problems } = JSON.parse(linted.stdout) as { problems: { ruleId: string }[] };
  expect(problems).toEqual([]);
});

test('a validator of others takes it as OpenAPI 3.1', async () => {
  const validator = new Validator();
  expect(await validator.validate(structuredClone(described))).toEqual({ valid: true });
  expect(validator.version).toBe('3.1');
});

test(
  'every part of an address in braces is a parameter of its own, and every answer has a ' +
    'schema and a sentence',
  () => {
    for (const { path, operation } of operations) {
      const inPath = (operation.parameters ?? []).filter((parameter) => parameter.in === 'path');
      expect(inPath.map(({ name, required }) => ({ name, required }))).toEqual(
        [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({ name, required: true })),
      );
      for (const parameter of operation.parameters ?? [])
        expect(parameter.description).toMatch(/^[A-Z]/);
      for (const { description, content } of Object.values(operation.responses)) {
        expect(description).toMatch(/^[A-Z]/);
        for (const { schema } of Object.values(content ?? {}))
          expect(Object.keys(schema ?? {}).length).toBeGreaterThan(0);
      }
    }
  },
);

test('it is plain data, and every reference in it leads somewhere', () => {
  const text = JSON.stringify(described);
  expect(JSON.parse(text)).toEqual(described);
  for (const [, name] of text.matchAll(/"#\/components\/schemas\/([A-Za-z]+)"/g))
    expect(Object.keys(described.components.schemas)).toContain(name);
});

test('an answer that the description does not tell of is noticed', () => {
  const answer =
    (status: number, json: unknown, type = 'application/json') =>
    () =>
      holdAgainstDescription('GET', '/api/mods', {
        status,
        headers: { 'content-type': type },
        json,
      });
  const mod = { name: 'a', title: 'A', blocks: 0, changed: '2026-11-27T10:00:00.000Z' };
  expect(answer(200, [{ ...mod, revision: 0 }])).not.toThrow();
  expect(answer(418, {})).toThrow(/answers 418, which the description does not tell of/);
  expect(answer(200, [mod])).toThrow(/revision/);
  expect(answer(200, [], 'text/html')).toThrow(/as text\/html/);
});
