import type { ShippedForm } from './shipped.ts';
import { fromForm } from './from-form.ts';

/** What a cutting bench makes of a cube: as much in pieces as went in. */
const cutOfCube = {
  '{cell}_cut': {
    kind: 'cut',
    takes: '{id}',
    choices: [
      { gives: '{id:slab}', count: 2 },
      { gives: '{id:stair}' },
      { gives: '{id:pillar}' },
      { gives: '{id:wall}' },
      { gives: '{id:fence}', count: 2 },
      { gives: '{id:pane}', count: 4 },
      { gives: '{id:plate}', count: 4 },
      { gives: '{id:carpet}', count: 8 },
      { gives: '{id:button}', count: 12 },
    ],
  },
};

/** Layered by hand as well as cut: the pattern, and how many come of it. */
const layered = (pattern: string[], count: number, of = '{id:cube}') => ({
  '{cell}': { kind: 'pattern', pattern, keys: { '#': of }, gives: '{id}', count },
});

/** The forms of blocks, the plain ones first. */
export const blockForms: readonly ShippedForm[] = [
  fromForm('cube', 'cube', {
    called: '{material}',
    names: { en: '{material}', de: '{material}' },
    recipes: cutOfCube,
  }),
  fromForm('pillar', 'column', {
    title: 'Pillar',
    called: '{material}_pillar',
    names: { en: '{material} pillar', de: '{material}säule' },
    recipes: layered(['#', '#'], 2),
  }),
  fromForm('slab', 'slab', {
    called: '{material}_slab',
    names: { en: '{material} slab', de: '{material}platte' },
    recipes: layered(['##'], 4),
  }),
  fromForm('stair', 'stair', {
    called: '{material}_stair',
    names: { en: '{material} stair', de: '{material}treppe' },
    recipes: layered(['# ', '##'], 4),
  }),
  fromForm('fence', 'post_and_arms', {
    title: 'Fence',
    called: '{material}_fence',
    names: { en: '{material} fence', de: '{material}zaun' },
    recipes: layered(['# #', '###'], 10),
  }),
  fromForm('wall', 'wall', {
    called: '{material}_wall',
    names: { en: '{material} wall', de: '{material}mauer' },
    recipes: layered(['#', '#', '#'], 3),
  }),
  fromForm('pane', 'pane', {
    called: '{material}_pane',
    names: { en: '{material} pane', de: '{material}scheibe' },
  }),
  fromForm('door', 'door', {
    title: 'Door',
    called: '{material}_door',
    names: { en: '{material} door', de: '{material}tür' },
    recipes: layered(['##', '##', '##'], 4),
  }),
  fromForm('hatch', 'hatch', {
    called: '{material}_hatch',
    names: { en: '{material} hatch', de: '{material}luke' },
    recipes: layered(['###', '###'], 8),
  }),
  fromForm('gate', 'gate', {
    called: '{material}_gate',
    names: { en: '{material} gate', de: '{material}tor' },
    recipes: layered(['###', '# #'], 4),
  }),
  fromForm('ladder', 'ladder', {
    called: '{material}_ladder',
    names: { en: '{material} ladder', de: '{material}leiter' },
    recipes: layered(['# #', '###', '# #'], 7),
  }),
  fromForm('button', 'button', {
    called: '{material}_button',
    names: { en: '{material} button', de: '{material}knopf' },
  }),
  fromForm('plate', 'plate', {
    called: '{material}_plate',
    names: { en: '{material} plate', de: '{material}trittplatte' },
  }),
  fromForm('carpet', 'carpet', {
    called: '{material}_carpet',
    names: { en: '{material} carpet', de: '{material}belag' },
  }),
  fromForm('seam', 'cube', {
    title: 'Seam',
    note: 'The material in its rock: it yields lumps, or itself when it is dug carefully.',
    stock: 'granite',
    called: '{material}_seam',
    names: { en: '{material} seam', de: '{material}ader' },
    block: {
      identity: { group: '{group?}', stock: '{stock?}', item: 'block', natural: true },
      loot: {
        draws: [
          {
            times: 1,
            lots: [
              { give: '{id}', when: { careful: true } },
              { give: '{id:lump|id:bar|id}', count: [1, 2] },
            ],
          },
        ],
      },
    },
  }),
  fromForm('bar_block', 'ends_and_sides', {
    title: 'Block of bars',
    note: 'Four bars, stacked; they come apart again.',
    called: '{material}_block',
    names: { en: 'Stack of {material} bars', de: '{material}barrenstapel' },
    recipes: {
      ...layered(['##', '##'], 1, '{id:bar}'),
      '{cell}_apart': { kind: 'mix', takes: ['{id}'], gives: '{id:bar}', count: 4 },
    },
  }),
];
