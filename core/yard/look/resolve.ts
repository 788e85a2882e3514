import type { PackView, YardBox, YardModel } from '../pack-world.ts';

/** A model with its template followed and its slots filled. */
export interface ShownModel {
  boxes: readonly YardBox[];
  /** So many of the boxes' lengths make a block. */
  texels: number;
  /** The picture in a slot; undefined for one that is left open. */
  pictureIn: (slot: string) => string | undefined;
}

/**
 * What a model shows, by the section Models of the format: it takes its boxes from itself or else
 * from its template, and of the slots that both fill the outermost counts. Undefined where there is
 * no such model, or no boxes come of it: then a marker is drawn.
 *
 * @example shownModel('saltmarsh:lantern/lit', view)?.pictureIn('face') // 'saltmarsh:lantern/lit'
 */
export function shownModel(id: string, { modelOf }: PackView): ShownModel | undefined {
  const slots = new Map<string, string>();
  const seen = new Set<string>();
  let from: YardModel | undefined;
  for (let next: string | undefined = id; next !== undefined;) {
    if (seen.has(next)) return undefined;
    seen.add(next);
    const model: YardModel | undefined = modelOf(next);
    if (!model) return undefined;
    for (const [slot, picture] of Object.entries(model.slots ?? {}))
      if (!slots.has(slot)) slots.set(slot, picture);
    if (!from && model.boxes) from = model;
    next = model.template;
  }
  if (!from?.boxes) return undefined;
  return { boxes: from.boxes, texels: from.texels, pictureIn: (slot) => slots.get(slot) };
}
