import { itemAt } from '../../lists/index.ts';
import { lookUp, ownName, type Mod, type ResolvedBlock } from '../../mod/index.ts';
import { turningOf } from '../../placing/index.ts';
import { count } from '../../words/index.ts';
import type { Shortfall } from '../kit.ts';
import { compileBlock } from './states/compile.ts';
import { byteAfter } from './verdict/asks/states.ts';
import { drawingOf, mostLight, stopsLight } from './write/nodes.ts';
import { reactionShortfalls } from './write/reactions.ts';
import { materialsOf, mostTiles } from './write/shape.ts';
import { mostAlternatives } from './write/sounds.ts';

/** What the engine shows otherwise than a block declares, each in a sentence. */
export function shortfallsOf(mod: Mod, block: ResolvedBlock): Shortfall[] {
  if (block.space.tooLarge) return [];
  return [
    ...looksOf(mod, block),
    ...traitsOf(mod, block),
    ...turningOfBlock(mod, block),
    ...reactionShortfalls(mod, block),
  ];
}

function looksOf(mod: Mod, block: ResolvedBlock): Shortfall[] {
  const most = Math.max(0, ...block.looks.rows.map(({ value }) => value.length));
  const tiles = Math.max(
    0,
    ...compileBlock(mod, block).nodes.map(({ body }) => materialsOf(body.faces).length),
  );
  return [
    ...(most > 1
      ? [{ facet: 'looks' as const, words: `The engine shows the first of ${most} candidates.` }]
      : []),
    ...(tiles > mostTiles
      ? [
          {
            facet: 'looks' as const,
            words: `The engine shows ${mostTiles} of the ${tiles} pictures of one state.`,
          },
        ]
      : []),
  ];
}

const trait = (words: string): Shortfall => ({ facet: 'traits', words });

function traitsOf(mod: Mod, block: ResolvedBlock): Shortfall[] {
  const { traits } = block;
  const { nodes } = compileBlock(mod, block);
  const brightest = Math.max(...nodes.map(({ body }) => body.lightEmitted));
  const absorbed = nodes.map(({ body }) => body.lightAbsorbed);
  const between = absorbed.find((level) => level > 1 && level < stopsLight);
  const open = nodes.some(
    (node) =>
      node.body.lightAbsorbed >= stopsLight &&
      (node.body.lightEmitted > 0 || drawingOf(block, node) !== 'normal'),
  );
  return [
    ...(brightest > mostLight
      ? [trait(`The engine's brightest light is ${mostLight}; ${brightest} becomes that.`)]
      : []),
    ...(between !== undefined
      ? [trait(`Light loses one level on its way through in the engine, not ${between}.`)]
      : []),
    ...(open
      ? [trait('The engine lets light through what gives light itself or is no whole cube.')]
      : []),
    ...(traits.speedOnTop !== 1 ? [trait('The engine does not know speed on top.')] : []),
    ...(traits.scatter > 0 ? [trait('The engine does not scatter meshes.')] : []),
    ...(traits.alphaMode === 'mask' && traits.alphaCutoff !== 0.5
      ? [trait(`The engine cuts holes at 0.5, not at ${traits.alphaCutoff}.`)]
      : []),
    ...(traits.burnsAway > 0
      ? [trait('The engine has no fire of its own; the group flammable tells mods that have one.')]
      : []),
    ...soundsLeftOut(mod, traits.soundSet),
  ];
}

/** The engine plays Ogg Vorbis alone. */
function soundsLeftOut(mod: Mod, id: string): Shortfall[] {
  const name = ownName(mod.header.namespace, id);
  const set = name === undefined ? undefined : lookUp(mod.soundSets, name);
  const files = Object.values(set ?? {}).map((list) =>
    list.map(({ sound }) => lookUp(mod.sounds, ownName(mod.header.namespace, sound) ?? '')),
  );
  const others = new Set(files.flat().filter((sound) => sound && sound.format !== 'ogg')).size;
  const many = Math.max(0, ...files.map((list) => list.length));
  return [
    ...(others
      ? [trait(`The engine plays Ogg files alone: ${count(others, 'sound')} of ${id} left out.`)]
      : []),
    ...(many > mostAlternatives
      ? [trait(`The engine chooses among ${mostAlternatives} of the ${many} sounds of an event.`)]
      : []),
  ];
}

/** States that the engine leaves as they are when a structure is turned, where we turn them. */
function turningOfBlock(mod: Mod, block: ResolvedBlock): Shortfall[] {
  const { nodes, codes, reads } = compileBlock(mod, block);
  const { quarter } = turningOf(block.space, block.declared.states.placing ?? []);
  const apart = codes.findIndex(({ node, byte }, state) => {
    const turned = byteAfter(itemAt(nodes, node).byte, byte, 1);
    return itemAt(reads, node).get(turned) !== quarter[state];
  });
  if (apart < 0) return [];
  return [
    {
      facet: 'states',
      words:
        'Turned as part of a structure the engine leaves ' +
        `${block.space.describe(apart)} as it is, since that is not kept as a turn.`,
    },
  ];
}
