import type { EntityManager } from 'typeorm';
import type { AnswerOf, BodyOf, endpoints } from '../../core/api/index.ts';
import { YardTable } from './tables.ts';

type Left = BodyOf<typeof endpoints.leaveWorld>;
type Found = AnswerOf<typeof endpoints.getWorld>;

/** So many worlds of a mod are kept: those that were left last. */
const mostWorlds = 60;

/** Keeps the world of a scene, in place of what was kept of it. */
export async function leaveWorld(
  manager: EntityManager,
  mod: string,
  { scene, world }: Left,
  now: Date,
): Promise<void> {
  const yards = manager.getRepository(YardTable);
  const row = { mod, scene, left: now.toISOString(), world: JSON.stringify(world) };
  await yards.upsert(row, ['mod', 'scene']);
  const older = await yards.find({
    select: { mod: true, scene: true },
    where: { mod },
    order: { left: 'DESC' },
    skip: mostWorlds,
    take: mostWorlds,
  });
  for (const one of older) await yards.delete({ mod, scene: one.scene });
}

/** The world of a scene as it was left, or of the scene that was left last. */
export async function readWorld(
  manager: EntityManager,
  mod: string,
  scene: string | undefined,
): Promise<Found> {
  const [row] = await manager.getRepository(YardTable).find({
    where: { mod, ...(scene !== undefined && { scene }) },
    order: { left: 'DESC' },
    take: 1,
  });
  if (row) return { scene: row.scene, world: JSON.parse(row.world) as Left['world'] };
  return scene === undefined ? null : { scene, world: null };
}
