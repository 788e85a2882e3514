import type { ToolKind } from '../../mod/index.ts';
import type { ShippedForm } from './shipped.ts';

interface Thing extends Pick<ShippedForm, 'name' | 'title' | 'note' | 'called' | 'names'> {
  item?: Record<string, unknown>;
  recipe?: Record<string, unknown>;
}

/** A form whose cells are items with a picture. */
const item = ({ item: parts, recipe, ...told }: Thing): ShippedForm => ({
  ...told,
  makes: 'item',
  roles: ['item'],
  template: () => ({
    item: { group: '{group?}', texture: '{picture:item}', ...parts },
    ...(recipe && { recipes: { '{cell}': recipe } }),
  }),
});

/** How the bars lie for each kind of tool; a bar is `#`, its handle `|`. */
const toolPatterns: Readonly<Record<ToolKind, string[]>> = {
  pick: ['# #', ' | '],
  axe: ['##', '#|'],
  spade: ['#', '|'],
  sickle: ['##', ' |'],
  shears: ['# #', '| |'],
  hammer: ['###', '#|#'],
};

const tool = (kind: ToolKind, de: string): ShippedForm =>
  item({
    name: kind,
    title: `${kind.charAt(0).toUpperCase()}${kind.slice(1)}`,
    note: 'A tool of the ladder, on the step of its material.',
    called: `{material}_${kind}`,
    names: { en: `{material} ${kind}`, de: `{material}${de}` },
    item: { stack: 1, tool: { kind, grade: '{grade}' } },
    recipe: {
      kind: 'pattern',
      pattern: toolPatterns[kind],
      keys: { '#': '{id:bar|id:cube}', '|': 'obrank:timber' },
      gives: '{id}',
    },
  });

/** The forms of items. */
export const itemForms: readonly ShippedForm[] = [
  item({
    name: 'lump',
    title: 'Lump',
    note: 'What a seam yields, before it is melted.',
    called: 'raw_{material}',
    names: { en: 'Raw {material}', de: 'Roh{material}' },
  }),
  item({
    name: 'bar',
    title: 'Bar',
    note: 'Melted out of a lump.',
    called: '{material}_bar',
    names: { en: '{material} bar', de: '{material}barren' },
    recipe: {
      kind: 'fire',
      takes: '{id:lump}',
      gives: '{id}',
      seconds: 8,
      reward: '{reward?}',
    },
  }),
  item({
    name: 'bucket',
    title: 'Bucket',
    note: 'Empty; fluids have full ones beside it.',
    called: '{material}_bucket',
    names: { en: '{material} bucket', de: '{material}eimer' },
    item: { stack: 10 },
    recipe: {
      kind: 'pattern',
      pattern: ['# #', ' # '],
      keys: { '#': '{id:bar|id:cube}' },
      gives: '{id}',
    },
  }),
  tool('pick', 'hacke'),
  tool('axe', 'axt'),
  tool('spade', 'spaten'),
  tool('sickle', 'sichel'),
  tool('shears', 'schere'),
  tool('hammer', 'hammer'),
];
