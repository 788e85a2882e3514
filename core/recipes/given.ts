import { moving } from '../lists/index.ts';
import { idOf } from '../mod/index.ts';
import type { Obtaining, ObtainingPart } from './diggings.ts';

/**
 * The blocks of a mod apart: those that the world gives and that drop themselves, by id, which
 * everybody can have and nothing more comes of; and all others, by name.
 */
export interface Given {
  outright: ReadonlySet<string>;
  others: ReadonlyMap<string, ObtainingPart>;
}

const isOutright = ({ loot, identity }: ObtainingPart): boolean =>
  loot === 'itself' && identity.natural === true;

const apart = moving<
  ObtainingPart,
  { outright: Set<string>; others: Map<string, ObtainingPart> },
  [namespace: string]
>(
  () => ({ outright: new Set(), others: new Map() }),
  ({ outright, others }, name, making, _before, namespace) => {
    const id = idOf(namespace, name);
    if (making && isOutright(making)) outright.add(id);
    else outright.delete(id);
    if (making && !isOutright(making)) others.set(name, making);
    else others.delete(name);
  },
);

/** Tells the blocks apart; after an edit only what changed is looked at. */
export const givenIn = (mod: Pick<Obtaining, 'header' | 'makings'>): Given =>
  apart(mod.makings, mod.header.namespace);
