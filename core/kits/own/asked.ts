import { resolvedModelOf } from '../../models/index.ts';
import { codesOf, idOf, resolveBlocks, type Mod } from '../../mod/index.ts';
import { isOrientation, usualTop, type Orientation } from '../../space/index.ts';
import { frameSize } from '../../textures/index.ts';
import type { KitLimits } from '../kit.ts';

/** What a mod asks of an engine in one respect, beside what the engine holds. */
export interface Asked {
  limit: keyof KitLimits;
  /** What it is about, in words. */
  words: string;
  /** What the engine holds, in words. */
  holds: string;
  /** What the mod asks at most, in words; empty where it asks nothing. */
  asks: string;
  /** Who asks it. */
  by?: { kind: 'block' | 'model' | 'texture' | 'recipe'; name: string };
  isHeld: boolean;
}

type By = NonNullable<Asked['by']>;
/** The largest of some numbers, and whose it is. */
interface Most {
  many: number;
  by?: By;
}

function most(kind: By['kind'], list: Iterable<readonly [name: string, many: number]>): Most {
  let found: Most = { many: 0 };
  for (const [name, many] of list) if (many > found.many) found = { many, by: { kind, name } };
  return found;
}

/**
 * What a mod asks of an engine in every respect that has a limit, beside what the engine holds.
 *
 * @example askedOf(mod, limits).filter(({ isHeld }) => !isHeld)
 */
export function askedOf(mod: Mod, limits: KitLimits): Asked[] {
  return [
    counted('states', 'States of a block', statesOf(mod), limits),
    counted('stateCodeBits', 'Bits of a state code', bitsOf(mod), limits),
    counted('boxes', 'Boxes of a model', boxesOf(mod), limits),
    counted('reach', 'Reach outside the cell, in sixteenths', reachOf(mod), limits),
    counted('textureSide', 'Side of a texture, in texels', sidesOf(mod), limits),
    patternAsked(mod, limits),
    recipesAsked(mod, limits),
    spinsAsked(mod, limits),
    waysAsked(mod, limits),
    sharesAsked(mod, limits),
  ];
}

type Counted = 'states' | 'stateCodeBits' | 'boxes' | 'reach' | 'textureSide';

const counted = (limit: Counted, words: string, { many, by }: Most, limits: KitLimits): Asked => ({
  limit,
  words,
  holds: limits[limit].toLocaleString('en'),
  asks: by ? many.toLocaleString('en') : '',
  ...(by && { by }),
  isHeld: many <= limits[limit],
});

const statesOf = (mod: Mod): Most =>
  most(
    'block',
    resolveBlocks(mod).map(({ name, space }) => [name, space.size]),
  );

const bitsOf = (mod: Mod): Most =>
  most(
    'block',
    resolveBlocks(mod).map(({ name, space }) => [name, codesOf(mod.ledger, name, space).bits]),
  );

const models = (mod: Mod) =>
  Object.keys(mod.models).flatMap((name) => {
    const model = resolvedModelOf(mod, idOf(mod.header.namespace, name));
    return model ? [[name, model] as const] : [];
  });

const boxesOf = (mod: Mod): Most =>
  most(
    'model',
    models(mod).map(([name, { boxes }]) => [name, boxes.length]),
  );

function reachOf(mod: Mod): Most {
  const { texels } = mod.header;
  return most(
    'model',
    models(mod).map(([name, { boxes }]) => [
      name,
      Math.max(
        0,
        ...boxes.flatMap(({ at, size }) =>
          at.flatMap((low, axis) => [-low, low + (size[axis] ?? 0) - texels]),
        ),
      ) *
        (16 / texels),
    ]),
  );
}

const sidesOf = (mod: Mod): Most =>
  most(
    'texture',
    Object.entries(mod.textures).map(([name, texture]) => {
      const { width, height } = frameSize(texture);
      return [name, Math.max(width, height)];
    }),
  );

function patternAsked({ recipes }: Mod, { pattern: [across, down] }: KitLimits): Asked {
  let widest = { across: 0, down: 0 };
  let by: By | undefined;
  for (const [name, recipe] of Object.entries(recipes)) {
    if (recipe.kind !== 'pattern') continue;
    const size = { across: recipe.pattern[0]?.length ?? 0, down: recipe.pattern.length };
    if (size.across * size.down <= widest.across * widest.down) continue;
    widest = size;
    by = { kind: 'recipe', name };
  }
  return {
    limit: 'pattern',
    words: 'Places of a pattern',
    holds: `${across} × ${down}`,
    asks: by ? `${widest.across} × ${widest.down}` : '',
    ...(by && { by }),
    isHeld: widest.across <= across && widest.down <= down,
  };
}

function recipesAsked({ recipes }: Mod, limits: KitLimits): Asked {
  const held = limits.recipes;
  const used = [...new Set(Object.values(recipes).map(({ kind }) => kind))].sort();
  const odd = Object.entries(recipes).find(([, { kind }]) => held && !held.includes(kind));
  return {
    limit: 'recipes',
    words: 'Kinds of recipes',
    holds: held ? held.join(', ') || 'none' : 'all',
    asks: used.join(', '),
    ...(odd && { by: { kind: 'recipe', name: odd[0] } }),
    isHeld: odd === undefined,
  };
}

function spinsAsked(mod: Mod, { spinStep }: KitLimits): Asked {
  const spins = models(mod).flatMap(([name, { boxes }]) =>
    boxes.flatMap(({ spin }) => (spin?.by ? [[name, Math.abs(spin.by)] as const] : [])),
  );
  const isStep = (by: number) =>
    spinStep === 0 || Math.abs(by / spinStep - Math.round(by / spinStep)) < 1e-9;
  const odd = spins.find(([, by]) => !isStep(by));
  return {
    limit: 'spinStep',
    words: 'Spin of a box',
    holds: spinStep === 0 ? 'any' : `steps of ${spinStep}°`,
    asks: [...new Set(spins.map(([, by]) => `${by}°`))].slice(0, 6).join(', '),
    ...(odd && { by: { kind: 'model', name: odd[0] } }),
    isHeld: odd === undefined,
  };
}

/** The ways in which models of a mod stand, each with a block that shows it so. */
function waysIn(mod: Mod): { way: Orientation; block: string }[] {
  const found = new Map<string, { way: Orientation; block: string }>();
  for (const { name, looks } of resolveBlocks(mod))
    for (const { value } of looks.rows)
      for (const { front = 'south', top = usualTop(front) } of value) {
        const key = `${front} ${top}`;
        if (isOrientation({ front, top }) && !found.has(key))
          found.set(key, { way: { front, top }, block: name });
      }
  return [...found.values()];
}

/** Whether a kit can show a model standing so. */
export const holdsWay = ({ orientations }: KitLimits, way: Orientation): boolean =>
  !orientations || orientations.some(({ front, top }) => front === way.front && top === way.top);

function waysAsked(mod: Mod, limits: KitLimits): Asked {
  const ways = waysIn(mod);
  const odd = ways.find(({ way }) => !holdsWay(limits, way));
  return {
    limit: 'orientations',
    words: 'Ways in which a model stands',
    holds: String(limits.orientations?.length ?? 24),
    asks: odd ? `front ${odd.way.front}, top ${odd.way.top}` : String(ways.length || ''),
    ...(odd && { by: { kind: 'block', name: odd.block } }),
    isHeld: odd === undefined,
  };
}

function sharesAsked(mod: Mod, { wholeShares }: KitLimits): Asked {
  const odd = resolveBlocks(mod).find(({ looks }) =>
    looks.rows.some(({ value }) => value.some(({ share = 1 }) => !Number.isInteger(share))),
  );
  return {
    limit: 'wholeShares',
    words: 'Shares of candidates',
    holds: wholeShares ? 'whole numbers' : 'any',
    asks: odd ? 'fractions' : 'whole numbers',
    ...(odd && { by: { kind: 'block', name: odd.name } }),
    isHeld: !wholeShares || odd === undefined,
  };
}
