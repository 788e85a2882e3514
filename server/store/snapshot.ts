import type { EntityManager } from 'typeorm';
import {
  applyChanges,
  bringEntryForward,
  currentEdition,
  EditConflict,
  entryKinds,
  invertChanges,
  type Change,
  type Mod,
} from '../../core/mod/index.ts';
import { Problem } from '../problem.ts';
import type { HeldMod } from './held.ts';
import { SnapshotTable, type SnapshotRow } from './tables.ts';

/** A mod as it stood at an earlier revision. */
export interface Snapshot {
  revision: number;
  mod: Mod;
}

/** Keeps the mod as it stands at a revision, in place of what was kept before. */
export async function keepSnapshot(
  manager: EntityManager,
  name: string,
  { revision, mod }: Snapshot,
): Promise<void> {
  const row = { mod: name, revision, edition: currentEdition, document: JSON.stringify(mod) };
  await manager.getRepository(SnapshotTable).upsert(row, ['mod']);
}

/** The mod that was kept; undefined when none was. */
export async function readSnapshot(
  manager: EntityManager,
  name: string,
): Promise<Snapshot | undefined> {
  const row = await manager.getRepository(SnapshotTable).findOneBy({ mod: name });
  return row ? { revision: row.revision, mod: modIn(row) } : undefined;
}

/** The mod in a document of an edition, as the current one has it. */
export function modIn({ document, edition }: Pick<SnapshotRow, 'document' | 'edition'>): Mod {
  const mod = JSON.parse(document) as Mod;
  if (edition >= currentEdition) return mod;
  const brought = entryKinds.map((kind) => [
    kind,
    Object.fromEntries(
      Object.entries<unknown>(mod[kind]).map(([name, entry]) => [
        name,
        bringEntryForward(kind, entry, edition),
      ]),
    ),
  ]);
  return {
    header: bringEntryForward('header', mod.header, edition) as Mod['header'],
    ledger: bringEntryForward('ledger', mod.ledger, edition) as Mod['ledger'],
    ...(Object.fromEntries(brought) as Pick<Mod, (typeof entryKinds)[number]>),
  };
}

/**
 * The mod as it stood before these edits, which are the last ones, oldest first. Throws a 409
 * {@link Problem} when they cannot be taken back, as where an entry that they touched does not fit
 * and was left out.
 */
export function takenBack(
  { mod }: Pick<HeldMod, 'mod'>,
  edits: readonly { changes: Change[] }[],
): Mod {
  try {
    return [...edits]
      .reverse()
      .reduce((earlier, { changes }) => applyChanges(earlier, invertChanges(changes)), mod);
  } catch (error) {
    if (!(error instanceof EditConflict)) throw error;
    throw new Problem(
      409,
      'Earlier mod not known',
      `What the mod was when it was built last cannot be worked out: ${error.path} is not as the ` +
        'log has it. It is known again after the next build.',
    );
  }
}
