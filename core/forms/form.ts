import type { Block, Loot, Looks, Placing, Reaction } from '../mod/index.ts';
import type { PlainBox } from '../space/index.ts';
import type { State, When } from '../states/index.ts';

/** What a picture of a form shows: where on the thing it is seen. */
export const pictureRoles = [
  'face',
  'side',
  'end',
  'front',
  'edge',
  'plant',
  'pad',
  'rungs',
] as const;
export type PictureRole = (typeof pictureRoles)[number];

/** A model that a form needs: a template, with the picture for each of its slots. */
export interface FormModel {
  template: string;
  slots: Readonly<Record<string, PictureRole>>;
}

export type FormProperty = Block['states']['properties'][number];

/**
 * A form is how a block is built and how it behaves where it is placed: its properties, how placing
 * sets them, what each state shows and which models that takes. What it is made of comes from a
 * stock material.
 */
export interface Form {
  name: string;
  title: string;
  /** What it is for, and what comes with it. */
  note: string;
  properties: readonly FormProperty[];
  placing: readonly Placing[];
  /** The models by a name of their own; the one under `main` is called as the block is. */
  models: Readonly<Record<string, FormModel>>;
  /** Looks whose candidates name models of the form. */
  looks: Looks;
  /** What of the traits follows from the form and not from the material. */
  traits: Block['traits'];
  /** What one bumps into and points at, where not the boxes of the model; in sixteenths. */
  shapes?: Readonly<Partial<Record<'collision' | 'outline', 'none' | readonly PlainBox[]>>>;
  /** The state in which it is drawn where one chooses a form; its default where none is named. */
  shown?: State;
  /** The state in which one is drawn on top of it there, of a form that is two high. */
  onTop?: State;
  /** How many of itself it drops in some states, where not one; 0 where another block of it does. */
  drops?: readonly { when: When; count: number }[];
  /** What it does when something happens, of a block that is called by an id. */
  reactions?: (id: string) => Reaction[];
  /** How it is held, where not as the block. */
  item?: 'flat';
}

/** The pictures that a form needs, the one that shows it best first. */
export const rolesOf = ({ models }: Form): PictureRole[] => [
  ...new Set(Object.values(models).flatMap(({ slots }) => Object.values(slots))),
];

/**
 * What a block of a form drops that is called by an id: itself, and as many of it as its state holds.
 *
 * @example lootOfForm(formNamed('slab')!, 'saltmarsh:tile_slab') // two where both halves are there
 */
export function lootOfForm({ drops = [] }: Form, id: string): Loot {
  if (!drops.length) return 'itself';
  const several = drops.map(({ when, count }) => ({
    ...(count > 0 && { give: id, count }),
    when: { state: when },
  }));
  return { draws: [{ times: 1, lots: [...several, { give: id }] }] };
}
