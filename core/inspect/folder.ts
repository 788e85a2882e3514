import { pointer, pointerSteps } from '../json/index.ts';
import { builtKits, KitError, type Declared, type Kit } from '../kits/index.ts';
import { kitFlawed, placeOfProblem, problemInWords } from './rules/kits/flawed.ts';
import { expandFamilies, ownerOf } from '../families/index.ts';
import { heldUnder } from '../lists/index.ts';
import { entryOf, everythingRegistered, restingOn, standIns, type Mod } from '../mod/index.ts';
import { inWords } from '../words/index.ts';
import { inspectDeclared } from './declared.ts';
import type { Files } from '../bytes/index.ts';
import {
  readModFolder,
  type FileProblem,
  type ModFolder,
  type UnreadEntry,
} from '../folder/index.ts';
import { byWeight, facetOf, type Finding } from './finding.ts';
import { inspectBuilt, inspectFindings } from './run.ts';
import { toldOf } from './silence.ts';
import { rules } from './rules/index.ts';

/**
 * Everything that is wrong with a mod folder: its files as such, its declaration, and, when the
 * declaration has no error, the pack that would be built from it, read back by the reader that
 * knows nothing of the declaration. Nothing is concluded from what could not be read.
 */
export const inspectModFolder = (files: Files): Finding[] => readFolderForm(files).findings;

/** The same with what the files declare. */
export function readFolderForm(files: Files): {
  findings: Finding[];
  declared: Declared | undefined;
} {
  const folder = readModFolder(files, { goesOn: true });
  const findings = folder.problems.map(asFinding);
  // Without its header a mod has no namespace, and every reference would be reported as missing.
  if (folder.unread.some(({ kind }) => kind === 'header'))
    return { findings: findings.sort(byWeight), declared: undefined };
  const declared = declaredIn(folder);
  findings.push(...inspectDeclared(builtKits(declared.mod), declared));
  const { header } = declared.mod;
  const isWhole = !folder.unread.length;
  const ofFindings = isWhole ? inspectFindings(declared.mod, findings) : [];
  const told = toldOf(header, [
    ...findings,
    ...ofFindings.flatMap((finding) => ({ ...finding, ...declared.placeOf(finding.at ?? '') })),
  ]);
  if (isWhole && !told.some((finding) => finding.severity === 'error'))
    told.push(
      ...toldOf(
        header,
        builtKits(declared.mod).flatMap((kit) => ofBuilt(kit, folder, declared)),
      ),
    );
  return { findings: told.sort(byWeight), declared };
}

/**
 * The errors in the pack that would be built, read back by a reader that knows only its files; or why
 * a kit of the mod's own cannot write it.
 */
function ofBuilt(kit: Kit, { blobs }: ModFolder, { mod, placeOf }: Declared): Finding[] {
  let built: Files;
  try {
    built = kit.write(mod, (sha256) => blobs.get(sha256)!);
  } catch (error) {
    if (error instanceof KitError) return [unwritten(kit, error, placeOf)];
    throw error;
  }
  return inspectBuilt(kit, built)
    .filter((finding) => finding.severity === 'error')
    .map(({ fix: _, ...finding }) => ({ ...finding, file: `(built)/${finding.file}` }));
}

/** Why a kit cannot write the mod, at its template. */
function unwritten(kit: Kit, { problem }: KitError, placeOf: Declared['placeOf']): Finding {
  const at = pointer(placeOfProblem(kit, problem));
  const parts = { kit: kit.title, file: problem.file, problem: problemInWords(problem) };
  return {
    rule: kitFlawed.id,
    severity: kitFlawed.severity,
    facet: facetOf(kitFlawed.id),
    message: inWords(kitFlawed.messages ?? {}, { says: 'flawed', parts }),
    at,
    ...placeOf(at),
    ...(problem.place && { place: problem.place }),
  };
}

/** What stands for an entry of a kind that could not be read; others are only known to be unread. */
const standInOf: Partial<Record<UnreadEntry['kind'], unknown>> = {
  blocks: standIns.block,
  items: standIns.item,
  models: standIns.model,
  textures: standIns.texture,
  sounds: standIns.sound,
  lootTables: { draws: [] },
  soundSets: {},
  blockTags: {},
  itemTags: {},
};

function declaredIn({ mod: read, unread: entries, placeOf }: ModFolder): Declared {
  const mod = { ...read };
  const unread = new Set<string>();
  for (const { kind, name } of entries) {
    unread.add(pointer(name ? [kind, name] : [kind]));
    const standIn = standInOf[kind];
    if (standIn && kind !== 'header' && kind !== 'ledger' && !Object.hasOwn(mod[kind], name))
      Object.assign(mod, { [kind]: { ...mod[kind], [name]: standIn } });
  }
  for (const [kind, name] of madeByUnread(mod, entries)) {
    unread.add(pointer([kind, name]));
    if (name !== unknownName)
      Object.assign(mod, { [kind]: { ...mod[kind], [name]: standInOf[kind] } });
  }
  if (unread.has('/ledger')) mod.ledger = everythingRegistered(mod);
  for (const name of restingOn(mod.header.namespace, mod.models, unread))
    unread.add(pointer(['models', name]));
  const start = { file: 'mod.json', place: { line: 1, column: 1 } };
  const spread = expandFamilies({ ...mod });
  const unreadFiles = entries.map(({ kind, name }) => (name ? `${kind}/${name}` : kind));
  const ofCell = (at: string) =>
    placesOfCell(mod, at)
      .map(placeOf)
      .find((place) => place);
  return {
    mod: spread,
    unread,
    unreadFiles,
    placeOf: (at) => placeOf(at) ?? ofCell(at) ?? start,
  };
}

/**
 * What a family makes that could not be read: of the blocks and items that the ledger knows those
 * that nobody else makes, and models and recipes of unknown names.
 */
function madeByUnread(
  mod: Mod,
  entries: readonly UnreadEntry[],
): ['blocks' | 'items' | 'models' | 'recipes', string][] {
  if (!entries.some(({ kind }) => kind === 'families')) return [];
  const spread = expandFamilies({ ...mod });
  const made = mod.ledger.entries.flatMap(({ kind, name }): ['blocks' | 'items', string][] => {
    if (kind === 'group') return [];
    const list = kind === 'block' ? 'blocks' : 'items';
    return name in spread[list] ? [] : [[list, name]];
  });
  return [...made, ['models', unknownName], ['recipes', unknownName]];
}
/** What no entry is called. */
const unknownName = '?';

/**
 * Where a family declares what it makes: the cell where it says something of it, else the form, else
 * the family itself. Nowhere for what the mod declares itself.
 */
function placesOfCell(mod: Mod, at: string): string[] {
  const { kind, name } = entryOf(at);
  const owner = ownerOf(mod, kind, name)?.place;
  if (!owner) return [];
  const { family, material, form } = owner;
  const index = heldUnder(mod.families, family).forms.findIndex((one) => one.name === form);
  return [['cells', material, form], ['forms', index], []].map((steps) =>
    pointer(['families', family, ...steps]),
  );
}

/** A problem of a file as a finding, with the severity of its rule. */
export const asFinding = ({ file, place, rule, message, fix }: FileProblem): Finding => ({
  rule,
  severity: rules.find((one) => one.id === rule)?.severity ?? 'error',
  facet: facetOf(rule),
  message,
  file,
  place,
  ...(fix && { fix: { ...fix, changes: [] } }),
});

/** What a database keeps and cannot be shown, as a finding. */
export const unfitFinding = ({
  kind,
  name,
  message,
}: {
  kind: string;
  name: string;
  message: string;
}): Finding => ({
  rule: 'files/does-not-fit',
  severity: 'error',
  facet: facetOf('files/does-not-fit'),
  message:
    `What is kept of ${name ? `${kind}/${name}` : `the ${kind}`} does not fit and is left ` +
    `out: ${message} It stays as it is in the database.`,
});

/** A file of a linked folder that is not taken in, as a finding. */
export function unreadFinding({ rule, unit, file, line, column, message }: UnreadFile): Finding {
  const [kind, name] = pointerSteps(unit ?? '');
  return {
    rule,
    severity: 'error',
    facet: facetOf(rule),
    message:
      `${file}, line ${line}, column ${column}: ${message} What was read last stays until the ` +
      'file is whole again.',
    file,
    place: { line, column },
    ...(unit === undefined ? {} : { at: unit }),
    ...(kind === 'blocks' && name !== undefined ? { block: name } : {}),
  };
}

/** What is told of a file in a linked folder that cannot be read. */
interface UnreadFile {
  rule: string;
  unit?: string | undefined;
  file: string;
  line: number;
  column: number;
  message: string;
}
