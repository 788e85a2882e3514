import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { DataSource } from 'typeorm';
import { openDatabase } from '../database.ts';
import { tables } from '../tables.ts';
import { migrations } from './index.ts';

let folder: string;
let source: DataSource;
beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-migrations-'));
  source = await openDatabase(folder);
});
afterAll(async () => {
  await source.destroy();
  rmSync(folder, { recursive: true, force: true });
});

/** A column as SQLite has it. */
interface Column {
  name: string;
  type: string;
  notnull: number;
  pk: number;
}

test('every step has a file of its own, named by its time, and all are listed in order', () => {
  const files = readdirSync('server/store/migrations').filter((file) => /^\d/.test(file));
  const times = migrations.map(({ name }) => /\d+$/.exec(name)?.[0]);
  expect(files.sort().map((file) => /^\d+/.exec(file)?.[0])).toEqual(times);
});

test.each(tables.map((table) => [table.options.name, table] as const))(
  'the table %s has after all steps just the columns that the program knows',
  async (name, table) => {
    const found: Column[] = await source.query(`PRAGMA table_info(${name})`);
    const known = Object.entries(table.options.columns).map(([column, options]) => ({
      name: column,
      type: String(options.type).toUpperCase(),
      isNullable: options.nullable === true,
      isPrimary: options.primary === true,
    }));
    const migrated = found.map((column) => ({
      name: column.name,
      type: column.type,
      isNullable: column.notnull === 0,
      isPrimary: column.pk > 0,
    }));
    expect(migrated).toEqual(known);
  },
);

test('no table is left that the program does not know', async () => {
  const found: { name: string }[] = await source.query(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'",
  );
  const known = tables.map((table) => table.options.name);
  expect(found.map(({ name }) => name).sort()).toEqual([...known, 'migrations'].sort());
});
