import type { Standing } from '../../reactions/index.ts';
import type { Vec3 } from '../../space/index.ts';
import type { Body, CellFacts } from '../grid/facts.ts';
import type { PackWorld } from '../pack-world.ts';
import { bodyOf, type Player } from '../player/body.ts';

/** What a fluid in which somebody stands, or has the head, does to the fire on them. */
export function fireOn(
  player: Player,
  standingAt: (place: Vec3) => Standing | undefined,
  fluids: PackWorld['fluids'],
): { fluid: string; does: 'puts out' | 'sets' } | undefined {
  const [x, low, z] = player.at.map(Math.floor) as [number, number, number];
  for (let y = low; y < bodyOf(player)[4]; y += 1) {
    const stands = standingAt([x, y, z]);
    const fluid = stands && 'fluid' in stands ? stands.fluid : undefined;
    const does = fluid === undefined ? undefined : fluids.get(fluid)?.fire;
    if (fluid !== undefined && does) return { fluid, does };
  }
  return undefined;
}

/** Whoever stands on something, or against it, touches it. */
const near = 0.02;

const meets = (a: Body, b: Body): boolean =>
  [0, 1, 2].every((axis) => a[axis]! < b[axis + 3]! && a[axis + 3]! > b[axis]!);

/**
 * The cell that does the most harm of those that somebody touches, and the share of a life that a
 * second of it costs; by the sentence Contact of the section Reference physics. A block with bodies
 * is touched where they are, one without, and a fluid, within its cell.
 */
export function harmTo(
  player: Player,
  factsAt: (place: Vec3) => CellFacts,
): { place: Vec3; share: number } | undefined {
  const body = bodyOf(player);
  const grown = body.map((part, i) => part + (i < 3 ? -near : near)) as unknown as Body;
  let most: { place: Vec3; share: number } | undefined;
  for (let y = Math.floor(grown[1]); y < grown[4]; y += 1)
    for (let z = Math.floor(grown[2]); z < grown[5]; z += 1)
      for (let x = Math.floor(grown[0]); x < grown[3]; x += 1) {
        const { harm, collision } = factsAt([x, y, z]);
        if (harm <= (most?.share ?? 0)) continue;
        const moved = (one: Body) =>
          one.map((part, i) => part + [x, y, z][i % 3]!) as unknown as Body;
        const touches = collision.length
          ? collision.some((one) => meets(grown, moved(one)))
          : meets(body, [x, y, z, x + 1, y + 1, z + 1]);
        if (touches) most = { place: [x, y, z], share: harm };
      }
  return most;
}
