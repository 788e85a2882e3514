import { LessThan, type EntityManager } from 'typeorm';
import { daysInBin, type ModSummary } from '../../core/api/index.ts';
import { expansionOf } from '../../core/families/index.ts';
import { entrySchemas } from '../../core/mod/index.ts';
import { Problem } from '../problem.ts';
import {
  EditTable,
  EntryTable,
  LinkedUnitTable,
  LinkTable,
  ModTable,
  PointTable,
  SnapshotTable,
  YardTable,
  type ModRow,
} from './tables.ts';

const dayMs = 86_400_000;

/** What is told of one mod in a list, as the database has it. */
interface SummaryRow {
  name: string;
  revision: number;
  created: string;
  removed: string | null;
  header: string | null;
  blocks: number;
  changed: string | null;
  folder: string | null;
}

/** All mods by name. A title that cannot be read is given as the name. */
export async function readSummaries(manager: EntityManager): Promise<ModSummary[]> {
  const rows = await manager.query<SummaryRow[]>(
    'SELECT name, revision, created, removed, ' +
      "(SELECT document FROM entries WHERE mod = mods.name AND kind = 'header') AS header, " +
      "(SELECT COUNT(*) FROM entries WHERE mod = mods.name AND kind = 'blocks') AS blocks, " +
      '(SELECT time FROM edits WHERE mod = mods.name AND edits.revision = mods.revision) AS ' +
      'changed, (SELECT folder FROM links WHERE mod = mods.name) AS folder ' +
      'FROM mods ORDER BY name',
  );
  const made = await madeByFamilies(manager, new Map(rows.map((row) => [row.name, row.header])));
  return rows.map(({ name, revision, created, removed, header, blocks, changed, folder }) => ({
    name,
    revision,
    title: titleIn(header ?? '') ?? name,
    blocks: blocks + (made.get(name) ?? 0),
    changed: changed ?? created,
    ...(folder !== null && { folder }),
    ...(removed !== null && { removed }),
  }));
}

/** How many blocks the families of each mod make; none where they, or its header, cannot be read. */
async function madeByFamilies(
  manager: EntityManager,
  headers: ReadonlyMap<string, string | null>,
): Promise<Map<string, number>> {
  const rows = await manager.query<{ mod: string; name: string; document: string }[]>(
    "SELECT mod, name, document FROM entries WHERE kind = 'families'",
  );
  const families = new Map<string, Record<string, unknown>>();
  for (const { mod, name, document } of rows)
    families.set(mod, { ...families.get(mod), [name]: readJson(document) });
  return new Map(
    [...families].map(([mod, held]) => {
      const header = entrySchemas.header.safeParse(readJson(headers.get(mod) ?? ''));
      const fitting = Object.entries(held).flatMap(([name, family]) => {
        const fits = entrySchemas.families.safeParse(family);
        return fits.success ? [[name, fits.data] as const] : [];
      });
      if (!header.success) return [mod, 0];
      const read = { header: header.data, families: Object.fromEntries(fitting) };
      return [mod, expansionOf(read).owners.blocks.size];
    }),
  );
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

function titleIn(document: string): string | undefined {
  try {
    const { title } = JSON.parse(document) as { title?: unknown };
    return typeof title === 'string' ? title : undefined;
  } catch {
    return undefined;
  }
}

/** Why a mod cannot have a name that another one has. */
export const modExists = ({ name, removed }: Pick<ModRow, 'name' | 'removed'>): Problem =>
  new Problem(
    409,
    'Mod exists',
    removed === null
      ? `There is already a mod called ${name}.`
      : `A mod called ${name} lies in the bin. Bring it back, or remove it for good first.`,
  );

async function rowOf(manager: EntityManager, name: string): Promise<ModRow> {
  const row = await manager.getRepository(ModTable).findOneBy({ name });
  if (!row) throw new Problem(404, 'No such mod', `There is no mod called ${name.slice(0, 100)}.`);
  return row;
}

/** Puts a mod into the bin or, where it is there, takes it away for good. */
export async function binMod(manager: EntityManager, name: string, time: string): Promise<void> {
  const { removed } = await rowOf(manager, name);
  if (removed !== null) await drop(manager, name);
  else await manager.getRepository(ModTable).update({ name }, { removed: time });
}

/** Brings a mod back out of the bin. */
export async function unbinMod(manager: EntityManager, name: string): Promise<void> {
  await rowOf(manager, name);
  await manager.getRepository(ModTable).update({ name }, { removed: null });
}

/** Takes away for good what has lain in the bin for long enough. */
export async function emptyBin(manager: EntityManager, now: Date): Promise<void> {
  const before = new Date(now.getTime() - daysInBin * dayMs).toISOString();
  const rows = await manager.getRepository(ModTable).findBy({ removed: LessThan(before) });
  for (const { name } of rows) await drop(manager, name);
}

/** Everything of a mod but its pictures and sounds, which others may show as well. */
async function drop(manager: EntityManager, mod: string): Promise<void> {
  for (const table of [
    YardTable,
    PointTable,
    LinkedUnitTable,
    LinkTable,
    SnapshotTable,
    EditTable,
    EntryTable,
  ] as const)
    await manager.createQueryBuilder().delete().from(table).where('mod = :mod', { mod }).execute();
  await manager.getRepository(ModTable).delete({ name: mod });
}
