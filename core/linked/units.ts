import { fileOfKit, keptFolder, kitPart, pictureFile } from '../folder/index.ts';
import { lookUp, pointer, pointerSteps, valueAt } from '../json/index.ts';
import type { Written } from '../mend/index.ts';
import {
  besidePictures,
  entryKinds,
  entryOf,
  jsonFolders,
  type Change,
  type Mod,
} from '../mod/index.ts';

/**
 * A part of a mod that stands in files of its own, by its JSON Pointer: the header, the ledger, an
 * entry, or a file that a build only carries along.
 */
export type Unit = string;

const keptUnits = '/header/kept';
const pictureUnit = '/header/picture';

const textureFile = new RegExp(
  `^textures/(.+?)(?:\\.png|${besidePictures.map((part) => `\\.${part}\\.json`).join('|')})$`,
);

/**
 * The unit that a file of a mod folder belongs to; undefined for a file that is none's.
 *
 * @example unitOf('textures/oven/side.strip.json') // '/textures/oven~1side'
 */
export function unitOf(file: string): Unit | undefined {
  if (file === 'mod.json') return '/header';
  if (file === 'ledger.json') return '/ledger';
  if (file === pictureFile) return pictureUnit;
  if (file.startsWith(keptFolder)) return keptUnits + pointer([file.slice(keptFolder.length)]);
  if (file.split('/').some((part) => part.startsWith('.'))) return undefined;
  const [, texture] = textureFile.exec(file) ?? [];
  if (texture !== undefined) return pointer(['textures', texture]);
  const [, sound] = /^sounds\/(.+)\.(?:wav|ogg)$/.exec(file) ?? [];
  if (sound !== undefined) return pointer(['sounds', sound]);
  const part = kitPart(file);
  if (part) return pointer([part.kind, part.name]);
  const folder = jsonFolders.find(([, name]) => file.startsWith(`${name}/`));
  if (!folder || !file.endsWith('.json')) return undefined;
  return pointer([folder[0], file.slice(folder[1].length + 1, -'.json'.length)]);
}

/** Every file in which a unit may stand; some of them are usually not there. */
export function filesOfUnit(unit: Unit): string[] {
  const [kind = '', name = ''] = pointerSteps(unit);
  const kept = keptPath(unit);
  if (kept !== undefined) return [keptFolder + kept];
  if (unit === pictureUnit) return [pictureFile];
  if (kind === 'header') return ['mod.json'];
  if (kind === 'ledger') return ['ledger.json'];
  if (kind === 'sounds') return [`sounds/${name}.wav`, `sounds/${name}.ogg`];
  if (kind === 'kits' || kind === 'kitFiles') return [fileOfKit({ kind, name })];
  if (kind === 'textures')
    return ['png', ...besidePictures.map((part) => `${part}.json`)].map(
      (ending) => `textures/${name}.${ending}`,
    );
  return [`${folderOf(kind)}/${name}.json`];
}

const folderOf = (kind: string): string =>
  jsonFolders.find(([known]) => known === kind)?.[1] ?? kind;

/** The path of a kept file in a pack; undefined for any other unit. */
const keptPath = (unit: Unit): string | undefined =>
  unit.startsWith(`${keptUnits}/`) ? pointerSteps(unit)[2] : undefined;

/** Every unit of a mod. */
export const unitsOfMod = (mod: Mod): Unit[] => [
  '/header',
  '/ledger',
  ...(mod.header.picture ? [pictureUnit] : []),
  ...Object.keys(mod.header.kept ?? {}).map((path) => keptUnits + pointer([path])),
  ...entryKinds.flatMap((kind) => Object.keys(mod[kind]).map((name) => pointer([kind, name]))),
];

/** The units that changes of a mod touch, each once. */
export function touchedUnits(changes: readonly Change[]): Unit[] {
  const touched = changes.flatMap(({ path, before, after }) => {
    if (path === '/header') return [path, pictureUnit, ...keptOf(before), ...keptOf(after)];
    if (path === pictureUnit || path.startsWith(`${pictureUnit}/`)) return [pictureUnit];
    if (path === keptUnits)
      return [before, after].flatMap((kept) =>
        Object.keys(kept ?? {}).map((name) => keptUnits + pointer([name])),
      );
    if (path.startsWith(`${keptUnits}/`)) return [pointer(pointerSteps(path).slice(0, 3))];
    const { kind, name } = entryOf(path);
    return [name ? pointer([kind, name]) : `/${kind}`];
  });
  return [...new Set(touched)];
}

const keptOf = (header: unknown): Unit[] =>
  Object.keys((header as Mod['header'] | undefined)?.kept ?? {}).map(
    (path) => keptUnits + pointer([path]),
  );

/** What a mod holds as a unit; undefined when there is nothing. */
export function valueOfUnit(mod: Mod, unit: Unit): unknown {
  const kept = keptPath(unit);
  if (kept !== undefined) return lookUp(mod.header.kept, kept);
  if (unit !== '/header') return valueAt(mod, unit);
  const { kept: _, picture: __, ...header } = mod.header;
  return header;
}

/** The mod with other values of units; undefined takes one away. The given mod stays as it is. */
export function withUnits(mod: Mod, values: ReadonlyMap<Unit, unknown>): Mod {
  const changed = { ...mod };
  const copied = new Set<string>();
  for (const [unit, value] of values) {
    const [kind = '', name = ''] = pointerSteps(unit);
    if (kind === 'ledger') Object.assign(changed, { ledger: value });
    else if (kind === 'header') changed.header = headerWith(changed.header, unit, value);
    else {
      const held = changed[kind as (typeof entryKinds)[number]] as Record<string, unknown>;
      const entries = copied.has(kind) ? held : { ...held };
      copied.add(kind);
      if (value === undefined) delete entries[name];
      else entries[name] = value;
      Object.assign(changed, { [kind]: entries });
    }
  }
  return changed;
}

function headerWith(header: Mod['header'], unit: Unit, value: unknown): Mod['header'] {
  const path = keptPath(unit);
  if (unit === pictureUnit) {
    const { picture: _, ...bare } = header;
    return value === undefined ? bare : { ...bare, picture: value as Mod['header']['picture'] };
  }
  if (path === undefined) {
    const { kept, picture } = header;
    return { ...(value as Mod['header']), ...(picture && { picture }), ...(kept && { kept }) };
  }
  const { [path]: _, ...others } = header.kept ?? {};
  const kept = value === undefined ? others : { ...others, [path]: value };
  const { kept: __, ...bare } = header;
  return Object.keys(kept).length ? { ...bare, kept: kept as Mod['header']['kept'] } : bare;
}

/** The JSON files of a unit that holds a value. */
export function documentsOfUnit(unit: Unit, value: unknown): Written[] {
  const [kind, name] = pointerSteps(unit);
  if (value === undefined || kind === 'sounds' || kind === 'kitFiles' || isBareFile(unit))
    return [];
  if (kind !== 'textures') return filesOfUnit(unit).map((file): Written => [file, value]);
  return besidePictures.flatMap((part): Written[] => {
    const said = (value as Mod['textures'][string])[part];
    return said === undefined ? [] : [[`textures/${name}.${part}.json`, said]];
  });
}

/** Whether a unit is one file that says itself what it is. */
const isBareFile = (unit: Unit): boolean => unit === pictureUnit || keptPath(unit) !== undefined;

/** The plain texts of a unit that holds a value: a template of a kit. */
export function textsOfUnit(unit: Unit, value: unknown): [file: string, text: string][] {
  const [kind] = pointerSteps(unit);
  if (value === undefined || kind !== 'kitFiles') return [];
  const { text } = value as Mod['kitFiles'][string];
  return filesOfUnit(unit).map((file) => [file, text]);
}

/** The other files of a unit that holds a value, each with its SHA-256. */
export function blobsOfUnit(unit: Unit, value: unknown): [file: string, sha256: string][] {
  const [kind, name] = pointerSteps(unit);
  if (value === undefined) return [];
  if (isBareFile(unit))
    return filesOfUnit(unit).map((file) => [file, (value as { sha256: string }).sha256]);
  if (kind === 'textures')
    return [[`textures/${name}.png`, (value as Mod['textures'][string]).picture.sha256]];
  if (kind !== 'sounds') return [];
  const { format, sha256 } = value as Mod['sounds'][string];
  return [[`sounds/${name}.${format}`, sha256]];
}
