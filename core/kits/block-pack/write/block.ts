import { shapeByState } from '../../../models/index.ts';
import type { Mod, ResolvedBlock } from '../../../mod/index.ts';
import { usualTop } from '../../../space/index.ts';
import type { BlockDocument, LookDocument, LootDocument } from '../format/index.ts';

/** Writes `rules/blocks/<name>.json`: everything the simulation needs, each state-dependent value as rows. */
export function writeBlock(mod: Mod, block: ResolvedBlock): BlockDocument {
  const { traits } = block;
  return {
    id: block.id,
    hardness: traits.hardness,
    blastRating: traits.blastRating,
    tool:
      traits.toolKind === 'none'
        ? undefined
        : { kind: traits.toolKind, leastGrade: traits.leastGrade },
    gated: traits.gated,
    lightEmitted: [...traits.lightEmitted],
    lightAbsorbed: [...traits.lightAbsorbed],
    friction: [...traits.friction],
    // What nearly all blocks have is left out, so that their files stay as they are.
    bounce: traits.bounce || undefined,
    speedOnTop: traits.speedOnTop === 1 ? undefined : traits.speedOnTop,
    catchesFire: traits.catchesFire,
    burnsAway: traits.burnsAway,
    properties: block.declared.states.properties,
    placement: block.declared.states.placing ?? [],
    collision: shapeByState(mod, block, block.shapes.collision),
    outline: shapeByState(mod, block, block.shapes.outline),
  };
}

/** Writes `view/looks/<name>.json`: every candidate with its front and top said outright. */
export function writeLook(block: ResolvedBlock): LookDocument {
  const { traits } = block;
  return {
    block: block.id,
    mode: block.looks.mode,
    display: {
      alphaMode: traits.alphaMode,
      alphaCutoff: traits.alphaMode === 'mask' ? traits.alphaCutoff : undefined,
      hidesNeighbours: traits.hidesNeighbours,
      joinsOwnKind: traits.joinsOwnKind,
      tint: traits.tint,
      scatter: traits.scatter,
      mapColour: traits.mapColour,
      shadedCorners: traits.shadedCorners,
      soundSet: traits.soundSet,
    },
    rows: block.looks.rows.map(({ when, value }) => ({
      when,
      use: value.map(({ model, front = 'south', top, upright, share }) => ({
        model,
        front,
        top: top ?? usualTop(front),
        upright: upright || undefined,
        share: value.length > 1 ? (share ?? 1) : share,
      })),
    })),
  };
}

/** Writes `rules/loot/<name>.json`. A block that drops nothing has a table without draws. */
export const writeLoot = (block: ResolvedBlock): LootDocument => ({
  block: block.id,
  draws: block.draws,
});
