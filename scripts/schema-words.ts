/**
 * What text editors show of each key: a sentence and, where it may be left out, what then counts.
 */
export interface KeyWords {
  description: string;
  default?: unknown;
}

/**
 * The words of every key, by the key alone, or by what it belongs to and the key where that means
 * something of its own. What a schema says itself goes before.
 */
export const schemaWords: Readonly<Record<string, KeyWords>> = {
  $schema: {
    description: 'Where the schema of this file lies, for text editors. Nobody else reads it.',
  },
  about: { description: 'The axis of the model about which the box is turned.' },
  all: { description: 'Holds when every one of these conditions does.' },
  alpha: { description: 'Whether texels are clear (holes), half clear (partial), or neither.' },
  alphaCutoff: {
    description:
      'With alpha mode mask: texels with an alpha below this share, 0 to 1, are left out; those at or above it are drawn whole.',
    default: 0.5,
  },
  alphaMode: {
    description:
      'opaque: alpha is not looked at. mask: a texel is there or not. blend: texels let through what lies behind.',
  },
  any: { description: 'Holds when at least one of these conditions does.' },
  at: { description: 'The corner with the lowest coordinates: right, up and forward, in texels.' },
  'fields.at': { description: 'The lowest bit of the field; bit 0 is the lowest of the code.' },
  authors: { description: 'Who made it.' },
  bits: { description: 'How many bits a code takes.' },
  blastRating: { description: 'The blast energy that the block withstands.' },
  fluid: { description: 'The id of the fluid that it is about.' },
  creature: { description: 'The creature that comes, by its id.' },
  do: { description: 'What is done.' },
  function: { description: 'The function of the mod’s own code that runs.' },
  if: { description: 'What must hold besides: everything that is named.' },
  item: { description: 'The item, by its id.' },
  onto: { description: 'The block under the cell, or a block tag after a #; any where left out.' },
  reactions: { description: 'What it does when something happens; the first that fits does it.' },
  side: { description: 'The side on which it is done.' },
  strength: { description: 'How strong it is.' },
  then: { description: 'What is done, in order.' },
  ticks: { description: 'For so many ticks; until it is ended where left out.' },
  within: { description: 'So many blocks away at most.' },
  block: { description: 'The block, by its id.' },
  blocks: { description: 'How many blocks were registered.' },
  bounce: {
    description: 'The share 0 to 1 of the speed with which one comes back after falling on it.',
    default: 0,
  },
  boxes: { description: 'The cuboids of the model. Left out where a template brings them.' },
  bucket: {
    description: 'The item is a bucket: what it is filled with, and what it is when it is empty.',
  },
  burnsAway: { description: 'Chance 0 to 1 a second of being gone once it burns.' },
  by: { description: 'By how many degrees, by the right-hand rule.' },
  bytes: { description: 'The length of the file in bytes.' },
  careful: {
    description: 'Whether it is dug carefully, a way of digging that yields the block itself.',
  },
  catchesFire: {
    description: 'Chance 0 to 1 a second of catching fire while one of its six neighbours burns.',
  },
  chance: { description: 'How likely each try is, 0 to 1.' },
  channels: { description: '1 for mono, 2 for stereo.' },
  clipped: { description: 'Whether the tops of the waves are cut off.', default: false },
  codes: { description: 'How the states are stored as whole numbers in a saved world.' },
  'table.codes': {
    description: 'The code of each state in the order of the digits; −1 for a state that has none.',
  },
  collision: { description: 'The boxes that stop what moves, by state.' },
  'shapes.collision': {
    description:
      'What stops what moves: the boxes of the model, the whole cell, nothing, or boxes of its own; also by state.',
    default: 'model',
  },
  count: { description: 'How many.', default: 1 },
  counts: { description: 'How much was registered of each kind.' },
  crouching: { description: 'Whether the player crouches.' },
  default: {
    description: 'The value when nothing says otherwise; one of the values that the property has.',
  },
  digits: {
    description:
      'The properties from the highest digit to the lowest, each with its values in the order of their digits.',
  },
  display: { description: 'How the block is drawn and heard, in every state.' },
  dragInside: {
    description:
      'The share 0 to 1 of the speed that is lost each tick by whoever is inside the block.',
    default: 0,
  },
  draws: {
    description:
      'What is drawn when the block breaks, one after the other. An empty list drops nothing.',
  },
  edition: { description: 'The edition of the Block Pack that the files follow.' },
  empty: { description: 'The item that the bucket is when it is empty, by its id.' },
  entries: { description: 'What is registered.' },
  fields: { description: 'The properties, each with the bits that hold it.' },
  files: {
    description:
      'Length and digest of every other file, as it was built. A pack that is written by hand may leave it out.',
  },
  form: {
    description: 'How it is held: block, as the block in its default state; flat, as its texture.',
  },
  format: { description: 'The format of the file.' },
  formerly: {
    description:
      'Ids that it had before, so that saved worlds that know it by an old one are understood.',
    default: [],
  },
  frameHeight: { description: 'The height of one frame in texels; as high as wide when left out.' },
  friction: { description: '0 for ice without end, 1 for stopping at once; by state.' },
  from: { description: 'The first value of a range of whole numbers.' },
  front: { description: 'Where the front of the model faces.', default: 'south' },
  gated: { description: 'Whether only the right tool of enough grade yields a drop.' },
  gives: { description: 'What comes of it, by its id.' },
  grade: { description: 'The grade on the tool ladder, counted from 0.' },
  grades: {
    description: 'The steps of the tool ladder, the lowest first; a grade is counted from 0.',
  },
  grey: { description: 'Whether it has no colours.' },
  group: {
    description: 'The catalogue group in which players find it. Without one nobody finds it.',
  },
  groups: { description: 'The catalogue groups in the order in which players see them.' },
  'counts.fluids': { description: 'How many fluids were registered.' },
  'counts.groups': { description: 'How many groups were registered.' },
  half: { description: 'Which half of the clicked side, seen upright, was clicked.' },
  harmOnTouch: {
    description: 'The share of a whole life that a second of touching the block costs.',
    default: 0,
  },
  hardness: { description: 'Seconds to dig with bare hands, or "unbreakable".' },
  height: { description: 'Height in texels.' },
  icon: { description: 'The item that stands for the group, by its id.' },
  id: { description: 'Its id: the namespace, a colon, and the name of the file.' },
  identity: { description: 'What it is to players and to whoever makes it.' },
  items: { description: 'How many items were registered.' },
  joinsOwnKind: { description: 'Whether the face between two blocks of this kind is left out.' },
  keys: {
    description:
      'What each letter of the pattern stands for: an item by its id or, with a leading #, whatever is in an item tag.',
  },
  kind: { description: 'Which kind it is of.' },
  'tool.kind': { description: 'The kind of tool.' },
  kinds: { description: 'For each kind of tool the block tag of what it digs.' },
  kit: { description: 'The target that it is built for.' },
  language: { description: 'The language, as a BCP 47 tag.' },
  languages: {
    description: 'The languages, the first one first: it stands in where another has no text.',
  },
  leastGrade: { description: 'The lowest grade of the tool that counts; 0 for any.' },
  license: { description: 'Under which terms it may be used: an SPDX identifier, or in words.' },
  lightAbsorbed: {
    description: 'Light levels, 0 to 15, that are lost on the way through it; by state.',
  },
  lightEmitted: { description: 'The light level, 0 to 15, that it gives; by state.' },
  looks: { description: 'Which model each state shows.' },
  loot: {
    description:
      'What it drops: "itself", "nothing", or draws. Left out, the block drops nothing and inspection asks about it.',
  },
  lots: {
    description:
      'What one draw may give: the first lot without a share whose condition holds, else one of the others by their shares.',
  },
  mapColour: { description: 'Its colour on a map, as #rrggbb in sRGB.' },
  max: { description: 'The highest value.' },
  mean: { description: 'The mean colour of what is not clear, as #rrggbb in sRGB.' },
  members: { description: 'What is in the tag: ids or, with a leading #, other tags.' },
  min: { description: 'The lowest value.' },
  mode: {
    description:
      'one-of: the first row that matches is shown. layered: every row that matches is drawn.',
  },
  model: {
    description: 'The model, by its id, or a built-in template whose slots are all filled.',
  },
  name: {
    description: 'Its name: lowercase letters, digits and underscores, beginning with a letter.',
  },
  names: { description: 'What players call it, by language.' },
  namespace: { description: 'The first part of all its ids.' },
  needs: { description: 'Other mods of which it names things, by their namespaces.', default: [] },
  not: { description: 'Holds when this condition does not.' },
  note: { description: 'A note for whoever makes the mod. It is not built.' },
  number: { description: 'Its number in saved worlds. It never moves, and is never given again.' },
  of: { description: 'The block that the bucket is filled with, by its id.' },
  outline: { description: 'The boxes that are lit up when one looks at the block, by state.' },
  'shapes.outline': {
    description:
      'What is lit up when one looks at it: the boxes of the model, the whole cell, nothing, or boxes of its own; also by state.',
    default: 'model',
  },
  pace: { description: 'A tool of this grade digs so many times as fast as bare hands.' },
  picture: { description: 'Facts of the picture.' },
  pitch: {
    description:
      'The lowest and the highest factor of the pitch; one between them is drawn each time.',
    default: [1, 1],
  },
  pivot: { description: 'The point that stays where it is, in texels of the model.' },
  placement: {
    description:
      'How placing the block chooses its state: for each property the first rule that holds and gives a value.',
  },
  placing: {
    description:
      'How placing the block chooses its state: for each property the first rule that holds and gives a value.',
    default: [],
  },
  problem: { description: 'Why the sound cannot be read.' },
  properties: { description: 'What a state is made of.' },
  property: { description: 'The property, by its name.' },
  rate: { description: 'Samples a second of each channel.' },
  retired: { description: 'What is registered no more. Their numbers stay taken.' },
  rows: {
    description: 'Which states show what: a row counts for the states that its condition names.',
  },
  scatter: { description: 'The greatest random offset in texels, to each of the four sides.' },
  seconds: { description: 'How long it lasts.' },
  set: { description: 'The property that the rule sets.' },
  sha256: { description: 'The SHA-256 digest of the file in hexadecimal digits.' },
  shadedCorners: { description: 'Whether corners between blocks are drawn darker.' },
  shapes: {
    description:
      'What stops what moves, and what is lit up when one looks at it. Both are the boxes of the model when left out.',
  },
  scale: { description: 'How large it is: 1 is as large as the block.' },
  share: { description: 'Its weight in the choice among the candidates.', default: 1 },
  sides: {
    description:
      "The sides of the box that are drawn, in the model's own frame. A side that is left out is open.",
  },
  signal: { description: 'Whether a signal reaches the place.' },
  size: { description: 'Width, height and depth in texels.' },
  slot: { description: 'The slot whose texture is shown.' },
  slots: { description: 'The texture of each slot, by its id.' },
  sound: { description: 'The sound, by its id.' },
  soundSet: { description: 'The sounds that it makes, by the id of a sound set.' },
  speedOnTop: { description: 'Walking on it is so many times as fast.', default: 1 },
  stack: { description: 'How many lie in one place.', default: 50 },
  states: { description: 'What it may be in, and how placing chooses.' },
  'entries.states': { description: 'How many states the block has.' },
  strip: { description: 'The timing, where the picture is a strip of frames.' },
  successor: { description: 'What stands in old worlds where this one stood, by its id.' },
  tag: { description: 'The block tag of what this kind of tool digs, by its id.' },
  takes: {
    description:
      'What it is made of: items by their ids or, with a leading #, whatever is in an item tag.',
  },
  template: { description: 'The model, by its id, whose boxes this one takes over.' },
  texels: { description: 'Texels along one edge of a block.' },
  texts: { description: 'The texts by their keys.' },
  texture: { description: 'The texture that is shown when it is held, by its id.' },
  tickRate: { description: 'Ticks a second.' },
  tint: {
    description:
      'A colour that is multiplied over the textures: grass, leaf or water of the climate, or #rrggbb in sRGB.',
  },
  title: { description: 'What people call it.' },
  to: { description: 'How the value is chosen.' },
  'values.to': { description: 'The last value of a range of whole numbers.' },
  tool: { description: 'The tool.' },
  tools: { description: 'The tool ladder.' },
  top: {
    description:
      'Where the top of the model points; it may not lie on one line with the front. Up when left out, or north and south where the front faces up or down.',
  },
  traits: { description: 'What it changes from its stock material.' },
  tries: { description: 'How many tries.' },
  upright: {
    description: 'Whether pictures stay as if the model had not been turned.',
    default: false,
  },
  use: {
    description: 'What is shown: one candidate, or several of which one is chosen by their shares.',
  },
  value: { description: 'What counts for these states.' },
  values: { description: 'The values that it may have, in their order.' },
  version: { description: 'Its version (SemVer 2.0.0).' },
  volume: {
    description:
      'The lowest and the highest factor of the volume; one between them is drawn each time.',
    default: [1, 1],
  },
  when: { description: 'Which states it counts for; all that no earlier row took when left out.' },
  width: { description: 'Width in texels.' },
  'fields.width': { description: 'How many bits the field takes.' },
};

/** A key as a title: `leastGrade` is `Least grade`. */
export const titleOfKey = (key: string): string => {
  const words = key
    .replace(/^\$/, '')
    .replaceAll(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
};

type Schema = Record<string, unknown>;
const isSchema = (value: unknown): value is Schema =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Gives every key of a schema its title, its sentence and its default. `used` takes note of the
 * words that were needed.
 */
export function withWords(schema: unknown, used: Set<string>, parent = ''): unknown {
  if (Array.isArray(schema)) return schema.map((part) => withWords(part, used, parent));
  if (!isSchema(schema)) return schema;
  const kind = isSchema(schema['properties']) ? schema['properties']['kind'] : undefined;
  const kindHere = isSchema(kind) && typeof kind['const'] === 'string' ? kind['const'] : '';
  return Object.fromEntries(
    Object.entries(schema).map(([part, value]) => [
      part,
      part === 'properties' && isSchema(value)
        ? keysWithWords(value, used, [kindHere, parent])
        : withWords(value, used, parent),
    ]),
  );
}

function keysWithWords(properties: Schema, used: Set<string>, parents: string[]): Schema {
  return Object.fromEntries(
    Object.entries(properties).map(([key, value]) => {
      const name = [...parents.map((parent) => `${parent}.${key}`), key].find((one) =>
        Object.hasOwn(schemaWords, one),
      );
      if (name !== undefined) used.add(name);
      const words = name === undefined ? undefined : schemaWords[name];
      const inner = withWords(value, used, key) as Schema;
      return [key, { title: titleOfKey(key), ...words, ...inner }];
    }),
  );
}
