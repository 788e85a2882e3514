import type { z } from 'zod';
import {
  modelFillsCell,
  modelQuads,
  resolvedModelOf,
  textureSizes,
  type Quad,
  type TexturedBox,
} from '../../../models/index.ts';
import { idOf, type Mod } from '../../../mod/index.ts';
import { sides } from '../../../space/index.ts';
import { ModelSchema } from '../../../mod/entries.schema.ts';
import { filledEntry } from './filled.ts';
import { lazily } from './lazily.ts';
import type { ModelModel, QuadModel } from './schema.ts';

type Models = z.output<typeof ModelModel>;
type Quads = z.output<typeof QuadModel>;

/** A model as templates see it: with its templates followed and its slots filled. */
export function modelModel(mod: Mod, name: string): Models {
  const id = idOf(mod.header.namespace, name);
  const declared = mod.models[name]!;
  const resolved = () => resolvedModelOf(mod, id)!;
  const { texels } = mod.header;
  return lazily<Models>({
    name: () => name,
    id: () => id,
    template: () => declared.template ?? null,
    isWhole: () => modelFillsCell(resolved(), texels),
    slots: () =>
      [...resolved().slots].map(([slot, texture]) => ({ slot, texture: texture ?? null })),
    boxes: () => resolved().boxes.map(boxModel),
    quads: () => modelQuads(resolved(), texels, textureSizes(mod)).map(quadModel),
    declared: () => filledEntry(declared, ModelSchema),
  });
}

function boxModel({ name, at, size, spin, sides: made }: TexturedBox): Models['boxes'][number] {
  return {
    name: name ?? null,
    at: [...at],
    size: [...size],
    spin: spin ? { about: spin.about, by: spin.by, pivot: [...spin.pivot] } : null,
    sides: sides.flatMap((side) => {
      const face = made[side];
      if (!face) return [];
      return [
        {
          side,
          slot: face.slot,
          texture: face.texture ?? null,
          crop: face.crop ? [...face.crop] : null,
          quarters: face.quarters ?? 0,
          isMirrored: face.mirrored ?? false,
          isTinted: !face.untinted,
        },
      ];
    }),
  };
}

const quadModel = ({
  corners,
  uv,
  normal,
  side,
  texture,
  slot,
  box,
  untinted,
  touches,
}: Quad): Quads => ({
  corners: corners.map((corner) => [...corner]),
  uv: uv.map((place) => [...place]),
  normal: [...normal],
  side,
  texture: texture ?? null,
  slot,
  box,
  isTinted: !untinted,
  hiddenBy: touches ?? null,
});
