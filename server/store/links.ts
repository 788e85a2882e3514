import type { EntityManager } from 'typeorm';
import type { Agreed, Digests, Unit } from '../../core/linked/index.ts';
import { LinkedUnitTable, LinkTable } from './tables.ts';
import { connectionOf } from './transaction.ts';

/** One exchange between a mod and its folder: when, and what. */
export interface Exchanged {
  time: string;
  label: string;
}

/** A mod that lives in a folder, with the last exchange each way. */
export interface LinkRecord {
  mod: string;
  folder: string;
  taken?: Exchanged | undefined;
  given?: Exchanged | undefined;
}

const exchangedIn = (text: string | null): Exchanged | undefined =>
  text === null ? undefined : (JSON.parse(text) as Exchanged);

/** All links of this database. */
export async function readLinks(manager: EntityManager): Promise<LinkRecord[]> {
  const rows = await manager.getRepository(LinkTable).find({ order: { mod: 'ASC' } });
  return rows.map(({ mod, folder, taken, given }) => ({
    mod,
    folder,
    taken: exchangedIn(taken),
    given: exchangedIn(given),
  }));
}

/** Keeps a link, in place of what was kept of that mod. */
export async function keepLink(manager: EntityManager, link: LinkRecord): Promise<void> {
  const { mod, folder, taken, given } = link;
  const text = (exchanged: Exchanged | undefined) =>
    exchanged === undefined ? null : JSON.stringify(exchanged);
  await manager
    .getRepository(LinkTable)
    .upsert({ mod, folder, taken: text(taken), given: text(given) }, ['mod']);
}

/** Forgets a link, and what both sides held. */
export async function dropLink(manager: EntityManager, mod: string): Promise<void> {
  await manager.getRepository(LinkedUnitTable).delete({ mod });
  await manager.getRepository(LinkTable).delete({ mod });
}

/** What a mod and its folder held when they were alike last, by unit. */
export async function readAgreed(manager: EntityManager, mod: string): Promise<Map<Unit, Agreed>> {
  const rows = await manager.getRepository(LinkedUnitTable).findBy({ mod });
  return new Map(
    rows.map(({ unit, files, value, previous }) => [
      unit,
      {
        files: JSON.parse(files) as Digests,
        value: value === null ? undefined : (JSON.parse(value) as unknown),
        ...(previous === null ? {} : { previous: JSON.parse(previous) as Digests }),
      },
    ]),
  );
}

/**
 * Notes what both sides hold. A unit that is nowhere any more is forgotten. Linking a large mod notes
 * thousands, which is why SQLite is spoken to directly.
 */
export async function noteAgreed(
  manager: EntityManager,
  mod: string,
  agreed: ReadonlyMap<Unit, Agreed>,
): Promise<void> {
  const connection = connectionOf(manager.dataSource);
  const put = connection.prepare(
    'INSERT INTO linked_units (mod, unit, files, value, previous) VALUES (?, ?, ?, ?, ?) ' +
      'ON CONFLICT (mod, unit) DO UPDATE SET files = excluded.files, value = excluded.value, ' +
      'previous = excluded.previous',
  );
  for (const [unit, one] of agreed)
    if (isNowhere(one)) await manager.getRepository(LinkedUnitTable).delete({ mod, unit });
    else put.run(mod, unit, ...[one.files, one.value, one.previous].map(textOf));
}

const textOf = (value: unknown): string | null =>
  value === undefined ? null : JSON.stringify(value);

/** Whether nothing is left of a unit on either side. */
export const isNowhere = ({ files, value, previous }: Agreed): boolean =>
  value === undefined && previous === undefined && Object.keys(files).length === 0;
