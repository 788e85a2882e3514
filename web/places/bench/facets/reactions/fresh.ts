import {
  idOf,
  type Action,
  type Mod,
  type Reaction,
  type ReactionIf,
} from '../../../../../core/mod/index.ts';
import { valuesOf, type Property } from '../../../../../core/states/index.ts';

/** What a new part of a reaction is filled with: of what the mod and the block have. */
export interface Filling {
  properties: readonly Property[];
  /** Ids of the mod, the first of each offered first. */
  blocks: readonly string[];
  fluids: readonly string[];
  items: readonly string[];
  sounds: readonly string[];
}

export function fillingOf(mod: Mod, properties: readonly Property[]): Filling {
  const ids = (entries: object) =>
    Object.keys(entries).map((name) => idOf(mod.header.namespace, name));
  const held = Object.entries(mod.blocks).flatMap(([name, { identity }]) =>
    (identity.item ?? 'none') === 'none' ? [] : [idOf(mod.header.namespace, name)],
  );
  return {
    properties,
    blocks: ids(mod.blocks),
    fluids: ids(mod.fluids),
    items: [...ids(mod.items), ...held],
    sounds: ids(mod.sounds),
  };
}

/** How each action is called in a list. */
export const actionTitles: Readonly<Record<Action['do'], string>> = {
  set: 'a property becomes…',
  flip: 'a property goes on',
  step: 'a number goes up or down',
  become: 'it becomes another block',
  vanish: 'it is gone',
  drop: 'it drops…',
  give: 'the player gets…',
  take: 'the hand loses…',
  play: 'a sound is heard',
  signal: 'it gives a signal',
  pour: 'a fluid springs…',
  drain: 'a fluid goes…',
  place: 'a block comes…',
  spread: 'it spreads',
  blast: 'a charge goes off',
  call: 'a creature comes',
  run: 'the mod’s code runs',
};
export const conditionTitles = {
  state: 'its state is…',
  tool: 'the tool is…',
  holds: 'in the hand is…',
  crouching: 'they crouch',
  light: 'the light is…',
  signal: 'a signal is there',
  neighbour: 'beside it is…',
  chance: 'by chance',
} as const;
export type ConditionPart = keyof typeof conditionTitles;

/** The action of a sort with which one begins; undefined where the mod has nothing for it. */
export function freshAction(kind: Action['do'], filling: Filling): Action | undefined {
  const { properties, blocks, fluids, items, sounds } = filling;
  const [property] = properties;
  const number = properties.find((one) => one.kind === 'number');
  const [block, fluid, item, sound] = [blocks[0], fluids[0], items[0], sounds[0]];
  switch (kind) {
    case 'set':
      return (
        property && { do: kind, property: property.name, to: valuesOf(property).at(-1) ?? true }
      );
    case 'flip':
      return property && { do: kind, property: property.name };
    case 'step':
      return number && { do: kind, property: number.name, by: 1 };
    case 'become':
      return block === undefined ? undefined : { do: kind, block };
    case 'place':
      return block === undefined ? undefined : { do: kind, block, side: 'up' };
    case 'drop':
    case 'give':
      return item === undefined ? undefined : { do: kind, item };
    case 'play':
      return sound === undefined ? undefined : { do: kind, sound };
    case 'pour':
      return fluid === undefined ? undefined : { do: kind, fluid, side: 'down' };
    case 'drain':
      return { do: kind, side: 'down' };
    case 'signal':
      return { do: kind, strength: 15, ticks: 20 };
    case 'spread':
      return { do: kind, within: 2 };
    case 'blast':
      return { do: kind, strength: 4 };
    case 'call':
      return { do: kind, creature: 'game:creature' };
    case 'run':
      return { do: kind, function: 'answer' };
    default:
      return { do: kind };
  }
}

/** A condition with another part, filled with what fits at first. */
export function withCondition(
  asked: ReactionIf,
  part: ConditionPart,
  { properties, items, blocks, fluids }: Filling,
): ReactionIf {
  const [property] = properties;
  switch (part) {
    case 'state':
      return property ? { ...asked, state: { [property.name]: property.default } } : asked;
    case 'tool':
      return { ...asked, tool: 'pick' };
    case 'holds':
      return { ...asked, holds: items[0] ?? 'nothing' };
    case 'crouching':
      return { ...asked, crouching: true };
    case 'light':
      return { ...asked, light: [9, 15] };
    case 'signal':
      return { ...asked, signal: true };
    case 'neighbour':
      return { ...asked, neighbour: { is: fluids[0] ?? blocks[0] ?? 'nothing' } };
    case 'chance':
      return { ...asked, chance: 0.5 };
  }
}

/** A reaction with which one begins: something happens that people try first. */
export const freshReaction = (filling: Filling): Reaction => ({
  when: 'used',
  by: 'players',
  then: [freshAction('flip', filling) ?? { do: 'drop', item: filling.items[0] ?? 'obrank:timber' }],
});
