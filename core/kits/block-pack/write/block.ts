import { shapeByState } from '../../../models/index.ts';
import {
  packedTraits,
  sameData,
  type Mod,
  type NewLook,
  type ResolvedBlock,
} from '../../../mod/index.ts';
import { usualTop } from '../../../space/index.ts';
import type {
  BlockDocument,
  LookDocument,
  LootDocument,
  NewLookDocument,
} from '../format/index.ts';

/**
 * Writes `rules/blocks/<name>.json`: everything the simulation needs, each state-dependent value as
 * rows.
 */
export function writeBlock(mod: Mod, block: ResolvedBlock): BlockDocument {
  const { toolKind, leastGrade } = block.traits;
  const { shapes } = block;
  const collision = shapeByState(mod, block, shapes.collision);
  // Mostly the two are the same, and working one out is half of what a block costs.
  const isSame = sameData(shapes.collision, shapes.outline);
  // The tool stands before the gate, where people look for it.
  const { hardness, blastRating, ...others } = packedTraits(block.traits, 'block');
  return {
    id: block.id,
    hardness,
    blastRating,
    tool: toolKind === 'none' ? undefined : { kind: toolKind, leastGrade },
    ...others,
    properties: block.declared.states.properties,
    placement: block.declared.states.placing ?? [],
    collision,
    outline: isSame ? collision : shapeByState(mod, block, shapes.outline),
    reactions: block.declared.reactions?.length ? block.declared.reactions : undefined,
  };
}

/** Writes `view/looks/<name>.json`: every candidate with its front and top said outright. */
export function writeLook(block: ResolvedBlock): LookDocument {
  const { soundSet, mapColour, alphaMode, alphaCutoff, shadedCorners, ...faces } = packedTraits(
    block.traits,
    'display',
  );
  return {
    block: block.id,
    mode: block.looks.mode,
    display: {
      alphaMode,
      alphaCutoff: alphaMode === 'mask' ? alphaCutoff : undefined,
      ...faces,
      mapColour,
      shadedCorners,
      soundSet,
    },
    rows: rowsOf(block.looks.rows),
  };
}

/** Writes `view/looks/<namespace>/<name>.json`: what a block of another mod is to look like. */
export const writeNewLook = (
  id: string,
  { states, tint, looks: { mode, rows } }: NewLook,
): NewLookDocument => ({
  block: id,
  properties: states?.properties,
  placement: states?.placing?.length ? states.placing : undefined,
  tint,
  mode,
  rows: rowsOf(rows.map(({ when, use }) => ({ when, value: use }))),
});

const rowsOf = (rows: ResolvedBlock['looks']['rows']): LookDocument['rows'] =>
  rows.map(({ when, value }) => ({
    when,
    use: value.map(({ model, front = 'south', top, upright, share }) => ({
      model,
      front,
      top: top ?? usualTop(front),
      upright: upright || undefined,
      share: value.length > 1 ? (share ?? 1) : share,
    })),
  }));

/** Writes `rules/loot/<name>.json`. A block that drops nothing has a table without draws. */
export const writeLoot = (block: ResolvedBlock): LootDocument => ({
  block: block.id,
  draws: block.draws,
});
