import {
  lookUp,
  ownName,
  type Action,
  type Mod,
  type Reaction,
  type ReactionIf,
  type ResolvedBlock,
} from '../../../mod/index.ts';
import type { State, When } from '../../../states/index.ts';
import type { Shortfall } from '../../kit.ts';
import { blockTagGroup, itemTagGroup } from './groups.ts';
import type { LuaValue } from './lua.ts';
import { engineName, fileName } from './names.ts';

/** Every value that is asked for as a list. */
const asLists = (when: When): LuaValue =>
  Object.fromEntries(Object.entries(when).map(([name, wanted]) => [name, [wanted].flat()]));
const values = (state: State): LuaValue => ({ ...state });

/** A thing as the engine knows it: by its name, or as a group for a tag. */
const thing = (id: string, groupOf: (tag: string) => string): LuaValue =>
  id === 'nothing'
    ? { nothing: true }
    : id.startsWith('#')
      ? { group: groupOf(id.slice(1)) }
      : { name: engineName(id) };

function conditionFor({ state, holds, neighbour, ...rest }: ReactionIf): LuaValue {
  return {
    ...rest,
    ...(state && { state: asLists(state) }),
    ...(holds !== undefined && { holds: thing(holds, itemTagGroup) }),
    ...(neighbour && {
      neighbour: {
        ...(neighbour.side && { side: neighbour.side }),
        is: thing(neighbour.is, blockTagGroup),
        ...(neighbour.state && { state: asLists(neighbour.state) }),
      },
    }),
  };
}

function actionFor(mod: Mod, action: Action): LuaValue {
  const { namespace } = mod.header;
  switch (action.do) {
    case 'become':
    case 'place':
      return {
        ...action,
        block: engineName(action.block),
        state: values(action.state ?? {}),
      };
    case 'drop':
    case 'give':
      return { ...action, item: engineName(action.item) };
    case 'play':
      return { do: 'play', sound: fileName(namespace, ownName(namespace, action.sound) ?? '') };
    case 'pour':
      return { ...action, fluid: engineName(action.fluid) };
    case 'spread':
      return {
        do: 'spread',
        within: action.within,
        ...(action.onto !== undefined && { onto: thing(action.onto, blockTagGroup) }),
      };
    case 'call':
      return { ...action, creature: engineName(action.creature) };
    default:
      return { ...action };
  }
}

/** The reactions of a block for the runtime; its ticks in seconds. */
export const reactionsForEngine = (mod: Mod, { declared }: ResolvedBlock): LuaValue =>
  (declared.reactions ?? []).map((reaction: Reaction) => ({
    when: reaction.when,
    ...(reaction.by && { by: reaction.by }),
    ...(reaction.ticks !== undefined && { seconds: reaction.ticks / mod.header.tickRate }),
    ...(reaction.if && { asks: conditionFor(reaction.if) }),
    acts: reaction.then.map((action) => actionFor(mod, inSeconds(mod, action))),
  }));

/** A signal that lasts for ticks lasts for so many seconds. */
const inSeconds = (mod: Mod, action: Action): Action =>
  action.do === 'signal' && action.ticks !== undefined
    ? { ...action, ticks: action.ticks / mod.header.tickRate }
    : action;

/** The Ogg sounds that reactions play by themselves, by the names that the engine finds them under. */
export function playedSounds(mod: Mod): Map<string, string> {
  const files = new Map<string, string>();
  for (const { reactions = [] } of Object.values(mod.blocks))
    for (const { then } of reactions)
      for (const action of then) {
        const name = action.do === 'play' ? ownName(mod.header.namespace, action.sound) : undefined;
        const sound = name === undefined ? undefined : lookUp(mod.sounds, name);
        if (sound?.format === 'ogg' && name !== undefined)
          files.set(`sounds/${fileName(mod.header.namespace, name)}.ogg`, sound.sha256);
      }
  return files;
}

/** What the engine does not do of the reactions of a block, each in a sentence. */
export function reactionShortfalls(mod: Mod, { declared }: ResolvedBlock): Shortfall[] {
  const { reactions = [] } = declared;
  const words = new Set<string>();
  for (const { when, by, then } of reactions) {
    if (when === 'landed on') words.add('The engine does not tell when somebody lands on a block.');
    if (when === 'dug wrongly')
      words.add('The engine does not tell when a block is dug by the wrong tool.');
    if (by === 'creatures' || (when === 'stepped on' && by === undefined))
      words.add('The engine tells of players alone: creatures set nothing off.');
    for (const action of then) {
      if (action.do === 'blast') words.add('The engine has no charges of its own.');
      const name = action.do === 'play' ? ownName(mod.header.namespace, action.sound) : undefined;
      if (name !== undefined && lookUp(mod.sounds, name)?.format === 'wav')
        words.add(`The engine plays Ogg files alone: ${name} is not heard.`);
    }
  }
  return [...words].map((one) => ({ facet: 'states', words: one }));
}
