import { lookUp } from '../mod/index.ts';
import type { Box, Model } from '../mod/entries.schema.ts';
import type { Vec3 } from '../space/index.ts';
import { templateNamed, type Template } from './templates.ts';

/** A box side with its texture found: undefined where the slot is open. */
export interface TexturedBox extends Omit<Box, 'sides'> {
  sides: {
    [S in keyof Box['sides']]?: NonNullable<Box['sides'][S]> & { texture: string | undefined };
  };
}

/** A model with its templates followed and its slots filled. */
export interface ResolvedModel {
  boxes: readonly TexturedBox[];
  /** Slots that the boxes use, each with its texture or undefined. */
  slots: ReadonlyMap<string, string | undefined>;
  /** Slots that are given a texture and used by no box. */
  unusedSlots: readonly string[];
  /** The template that does not exist. */
  missing?: string;
  /** The templates that lead back to themselves, in order. */
  circle?: string[];
}

/** Finds a model by its id; built-in templates need not be known to it. */
export type FindModel = (id: string) => Model | undefined;

/**
 * Follows a model's templates and fills its slots: the outermost model wins. A slot may name
 * another slot's texture only by id. Built-in templates are scaled to the mod's texels.
 */
export function resolveModel(model: Model, find: FindModel, texels: number): ResolvedModel {
  // What rests on nothing of the mod is the same for as long as the model is.
  if (!standsAlone(model)) return resolved(model, find, texels);
  const before = known.get(model);
  if (before?.texels === texels) return before.found;
  const found = resolved(model, find, texels);
  known.set(model, { texels, found });
  return found;
}

const known = new WeakMap<Model, { texels: number; found: ResolvedModel }>();

/** Whether a model starts from nothing, or from a built-in template, which starts from nothing. */
const standsAlone = ({ template }: Model): boolean =>
  template === undefined || template.startsWith('obrank:');

function resolved(model: Model, find: FindModel, texels: number): ResolvedModel {
  const slots: Record<string, string> = {};
  const seen: string[] = [];
  let boxes: Box[] | undefined;
  let missing: string | undefined;
  let circle: string[] | undefined;
  for (let at: Model | undefined = model; at;) {
    for (const [slot, texture] of Object.entries(at.slots ?? {}))
      if (!Object.hasOwn(slots, slot)) slots[slot] = texture;
    boxes ??= at.boxes;
    const id: string | undefined = at.template;
    if (id === undefined) break;
    if (seen.includes(id)) {
      circle = [...seen.slice(seen.indexOf(id)), id];
      break;
    }
    seen.push(id);
    const own = find(id);
    const builtIn: Template | undefined = own ? undefined : templateNamed(id);
    if (!own && !builtIn) missing = id;
    at = own ?? (builtIn && scaled(builtIn.model, texels / 16));
  }
  const used = new Map<string, string | undefined>();
  const textured = (boxes ?? []).map((box): TexturedBox => ({
    ...box,
    sides: Object.fromEntries(
      Object.entries(box.sides).map(([side, made]) => {
        used.set(made.slot, lookUp(slots, made.slot));
        return [side, { ...made, texture: lookUp(slots, made.slot) }];
      }),
    ),
  }));
  return {
    boxes: textured,
    slots: used,
    unusedSlots: Object.keys(slots).filter((slot) => !used.has(slot)),
    missing,
    circle,
  };
}

function scaled(model: Model, by: number): Model {
  if (by === 1) return model;
  const grow = ([x, y, z]: Vec3): [number, number, number] => [x * by, y * by, z * by];
  return {
    ...model,
    boxes: model.boxes?.map((box) => ({
      ...box,
      at: grow(box.at),
      size: grow(box.size),
      spin: box.spin && { ...box.spin, pivot: grow(box.spin.pivot) },
    })),
  };
}
