import type { Standing } from '../../reactions/index.ts';
import type { Vec3 } from '../../space/index.ts';
import type { State } from '../../states/index.ts';
import type { PackWorld } from '../pack-world.ts';
import type { Run } from './run.ts';

/** What stands somewhere, by names, so that another edition of the pack may know it. */
type Kept = { block: string; state: State } | { fluid: string } | null;

/** A world as it is kept: what stands where, and whoever is in it. */
export interface KeptWorld {
  size: Vec3;
  kinds: Kept[];
  /** Pairs: a number into `kinds`, and in how many cells after one another it stands. */
  cells: number[];
  player: { at: Vec3; yaw: number; pitch: number };
  hour: number;
}

/** A kept world that was brought to a pack, ready to be laid. */
export interface SavedWorld {
  player: KeptWorld['player'];
  hour: number;
  lay: (put: (place: Vec3, stands: Standing) => void) => void;
}

/** The world of a run as it stands now. */
export function keptOf({ now, player, hour, pack }: Run): KeptWorld {
  const kinds: Kept[] = [];
  const known = new Map<string, number>();
  const cells: number[] = [];
  for (const place of placesIn(now.cells.size)) {
    const kept = keep(now.standingAt(place), pack);
    const key = JSON.stringify(kept);
    let kind = known.get(key);
    if (kind === undefined) {
      kind = kinds.push(kept) - 1;
      known.set(key, kind);
    }
    if (cells.at(-2) === kind) cells[cells.length - 1]! += 1;
    else cells.push(kind, 1);
  }
  const { at, yaw, pitch } = player;
  return { size: now.cells.size, kinds, cells, player: { at, yaw, pitch }, hour };
}

/** In the order of their numbers. */
function* placesIn(size: Vec3): Generator<Vec3, undefined> {
  for (let y = 0; y < size[1]; y += 1)
    for (let z = 0; z < size[2]; z += 1) for (let x = 0; x < size[0]; x += 1) yield [x, y, z];
}

function keep(stands: Standing | undefined, { blocks }: PackWorld): Kept {
  if (!stands) return null;
  if ('fluid' in stands) return { fluid: stands.fluid };
  return { block: stands.block, state: blocks.get(stands.block)?.space.decode(stands.state) ?? {} };
}

/**
 * Brings a kept world to a pack: values that a property has no more are its default. What the pack
 * does not know keeps its name, unless another thing stands for it now.
 */
export function savedFrom(kept: KeptWorld, pack: PackWorld): SavedWorld {
  const kinds = kept.kinds.map((one) => standing(one, pack));
  return {
    player: kept.player,
    hour: kept.hour,
    lay: (put) => {
      const places = placesIn(kept.size);
      for (let i = 0; i + 1 < kept.cells.length; i += 2) {
        const stands = kinds[kept.cells[i]!];
        for (let many = kept.cells[i + 1]!; many > 0; many -= 1) {
          const next = places.next();
          if (next.done) return;
          if (stands) put(next.value, stands);
        }
      }
    },
  };
}

/** Whether something that came from elsewhere is a kept world. */
export function isKept(value: unknown): value is KeptWorld {
  const { size, kinds, cells, player, hour } = (value ?? {}) as Partial<KeptWorld>;
  const isThree = (list: unknown): boolean =>
    Array.isArray(list) && list.length === 3 && list.every(Number.isFinite);
  return (
    isThree(size) &&
    isThree(player?.at) &&
    [player?.yaw, player?.pitch, hour].every(Number.isFinite) &&
    Array.isArray(cells) &&
    cells.every((one) => Number.isInteger(one) && one >= 0) &&
    Array.isArray(kinds) &&
    kinds.every(isKind)
  );
}

function isKind(kind: unknown): boolean {
  if (kind === null) return true;
  const { block, state, fluid } = kind as Record<string, unknown>;
  return (
    typeof fluid === 'string' ||
    (typeof block === 'string' && typeof state === 'object' && state !== null)
  );
}

function standing(kept: Kept, pack: PackWorld): Standing | undefined {
  if (!kept) return undefined;
  if ('fluid' in kept) return { fluid: nameNow('fluid', kept.fluid, pack) };
  const block = nameNow('block', kept.block, pack);
  const space = pack.blocks.get(block)?.space;
  if (!space) return { block, state: 0 };
  const known = Object.entries(kept.state).filter(([name, value]) =>
    space.values[space.indexOf(name)]?.includes(value),
  );
  const usual = space.decode(space.defaultState);
  return { block, state: space.encode({ ...usual, ...Object.fromEntries(known) }) };
}

/** What stands for a name now, by the section Registry of the format: itself where it is there. */
function nameNow(kind: 'block' | 'fluid', name: string, pack: PackWorld): string {
  const there: ReadonlyMap<string, unknown> = kind === 'block' ? pack.blocks : pack.fluids;
  const seen = new Set<string>();
  let now = name;
  while (!there.has(now) && !seen.has(now)) {
    seen.add(now);
    now = pack.standIns.get(`${kind} ${now}`) ?? now;
  }
  return there.has(now) ? now : name;
}
