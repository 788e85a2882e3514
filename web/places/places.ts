import type { ComponentType } from 'react';

/** A place of the page. The bar, the tabs of Data, the palette and the routes are made of these. */
export interface Place {
  /** Its address below that of the mod. */
  path: string;
  title: string;
  /** What belongs to one of its things has an address below it: the name of that part. */
  within?: string[];
  /** Where it is offered besides the palette. */
  shownIn: 'bar' | 'data' | 'palette';
  /** How the palette calls it, where that says more, and what it says of it. */
  label?: string;
  says?: string;
  /** Other words for what is done there. */
  alsoFound?: readonly string[];
  /** What draws it; a place without is one that opens another. */
  load?: () => Promise<ComponentType>;
  opens?: string;
}

const dataPlaces: readonly Place[] = [
  {
    path: 'data/traits',
    title: 'Traits',
    shownIn: 'data',
    label: 'Table of traits',
    says: 'Every block as a line: sort, compare, change many at once, CSV',
    load: () => import('./data/traits/trait-table.tsx').then((file) => file.TraitTable),
  },
  {
    path: 'data/tools',
    title: 'Tools',
    shownIn: 'data',
    label: 'Tool ladder',
    says: 'Grades, paces and kinds of tools',
    load: () => import('./data/tools/tool-ladder.tsx').then((file) => file.ToolLadder),
  },
  {
    path: 'data/items',
    title: 'Items',
    within: [':item'],
    shownIn: 'data',
    says: 'Plain items, tools, buckets',
    load: () => import('./data/items/items.tsx').then((file) => file.Items),
  },
  {
    path: 'data/loot',
    title: 'Loot tables',
    within: [':table'],
    shownIn: 'data',
    says: 'What several blocks drop alike',
    load: () => import('./data/loot-tables.tsx').then((file) => file.LootTables),
  },
  {
    path: 'data/tags',
    title: 'Tags',
    shownIn: 'data',
    says: 'Who is in which tag, and who needs it',
    load: () => import('./data/tags/tags.tsx').then((file) => file.Tags),
  },
  {
    path: 'data/recipes',
    title: 'Recipes',
    within: [':recipe'],
    shownIn: 'data',
    says: 'How things are made, and whether they can be had',
    load: () => import('./data/recipes/recipes.tsx').then((file) => file.Recipes),
  },
  {
    path: 'data/groups',
    title: 'Groups',
    shownIn: 'data',
    label: 'Catalogue groups',
    says: 'What players find where',
    load: () => import('./data/groups/groups.tsx').then((file) => file.Groups),
  },
  {
    path: 'data/texts',
    title: 'Names',
    shownIn: 'data',
    label: 'Names in all languages',
    says: 'Every text, missing ones marked, PO and JSON',
    alsoFound: ['languages', 'translations'],
    load: () => import('./data/texts/texts.tsx').then((file) => file.TextsTable),
  },
  {
    path: 'data/registry',
    title: 'Registry',
    shownIn: 'data',
    label: 'Registry and releases',
    says: 'Numbers that never move',
    alsoFound: ['version', 'retired', 'deleted'],
    load: () => import('./data/registry/registry.tsx').then((file) => file.Registry),
  },
];

/** Every place of a mod, in the order in which places are offered. */
export const places: readonly Place[] = [
  {
    path: 'blocks',
    title: 'Blocks',
    shownIn: 'bar',
    load: () => import('./blocks/blocks.tsx').then((file) => file.Blocks),
  },
  {
    path: 'families',
    title: 'Families',
    within: [':family'],
    shownIn: 'palette',
    says: 'One declaration spread over materials and forms',
    alsoFound: ['materials', 'forms', 'loom', 'gather blocks'],
    load: () => import('./families/families.tsx').then((file) => file.Families),
  },
  {
    path: 'fluids',
    title: 'Fluids',
    within: [':fluid'],
    shownIn: 'palette',
    says: 'What pours, in a cut through the ground: how far it comes and when',
    alsoFound: ['liquids', 'water', 'brine', 'bucket', 'pour'],
    load: () => import('./fluids/fluids.tsx').then((file) => file.Fluids),
  },
  {
    path: 'library',
    title: 'Library',
    shownIn: 'bar',
    load: () => import('./library/library.tsx').then((file) => file.Library),
  },
  {
    path: 'data',
    title: 'Data',
    shownIn: 'bar',
    opens: 'data/traits',
  },
  {
    path: 'inspection',
    title: 'Inspection',
    shownIn: 'bar',
    load: () => import('./inspection/inspection.tsx').then((file) => file.InspectionPlace),
  },
  {
    path: 'inspection/rules',
    title: 'Rules of inspection',
    shownIn: 'palette',
    says: 'What each finds and why, and how much it counts in this mod',
    load: () => import('./inspection/rules.tsx').then((file) => file.RulesPlace),
  },
  {
    path: 'inspection/pack',
    title: 'A pack from elsewhere',
    shownIn: 'palette',
    label: 'Inspect a pack from elsewhere',
    says: 'Drop one, read what is wrong in it, mend it in its own text',
    load: () => import('./pack/pack.tsx').then((file) => file.PackPlace),
  },
  {
    path: 'yard',
    title: 'Yard',
    shownIn: 'bar',
    says: 'Walk about in the built pack: place, dig, light, blast, and read why',
    alsoFound: ['try', 'world', 'walk', 'play', 'night', 'test'],
    load: () => import('./yard/yard.tsx').then((file) => file.Yard),
  },
  {
    path: 'build',
    title: 'Build',
    shownIn: 'bar',
    says: 'The pack for a kit, a walk through it, and what a real engine says',
    alsoFound: ['kit', 'target', 'export'],
    within: ['engine', 'walk'],
    load: () => import('./build/build.tsx').then((file) => file.Build),
  },
  {
    path: 'kits',
    title: 'Kits',
    within: [':kit'],
    shownIn: 'palette',
    label: 'Kits of your own',
    says: 'Write for an engine of your own: limits, rules and templates',
    alsoFound: ['templates', 'liquid', 'engine', 'format', 'workshop'],
    load: () => import('./kits/kits.tsx').then((file) => file.Kits),
  },
  {
    path: 'home',
    title: 'The mod itself',
    shownIn: 'palette',
    label: 'Settings of the mod',
    says: 'Title, version, authors, licence, kits; its folder and its history',
    alsoFound: [
      'about',
      'description',
      'ticks',
      'license',
      'home',
      'name of the mod',
      'folder',
      'version control',
      'history',
      'namespace',
      'picture',
    ],
    load: () => import('./home/home.tsx').then((file) => file.Home),
  },
  ...dataPlaces,
  {
    path: 'sheet',
    title: 'Contact sheet',
    shownIn: 'palette',
    label: 'Contact sheet of the mod',
    says: 'Every block as it looks, to export or to lay on an earlier one',
    load: () => import('./sheet/sheet.tsx').then((file) => file.Sheet),
  },
];

/** Where a mod opens. */
export const firstPlace = 'blocks';

/** The places that are offered somewhere. */
export const placesIn = (where: Place['shownIn']): readonly Place[] =>
  places.filter((place) => place.shownIn === where);
