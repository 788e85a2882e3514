/**
 * Inspects and draws beside the page, on a copy of the mod that follows every edit.
 */
import { addressOf, endpoints } from '../../core/api/index.ts';
import { heldUnder } from '../../core/lists/index.ts';
import {
  cellsIn,
  compareSheets,
  drawIsometric,
  drawnModels,
  fillingView,
  neededTextures,
  sheetCells,
  sheetColumns,
  sheetProblem,
  sheetSteps,
  texturePixels,
  wholeCell,
  type SheetCell,
} from '../../core/draw/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { diffFindings, fixAll, inspect, type Finding } from '../../core/inspect/index.ts';
import { checkDraft, previewOf } from '../../core/kits/index.ts';
import { lootSource, simulate } from '../../core/loot/index.ts';
import { fitBoxes, textureOf } from '../../core/models/index.ts';
import {
  applyChanges,
  lookUp,
  resolveBlock,
  shownNamed,
  type Change,
  type Mod,
} from '../../core/mod/index.ts';
import { seededRandom } from '../../core/space/index.ts';
import {
  decodePicture,
  encodePicture,
  PictureProblem,
  type Pixels,
} from '../../core/textures/index.ts';
import { craterSteps } from '../../core/traits/index.ts';
import type { BlastAnswer, BreaksAnswer, FromWorker, SheetAnswer, ToWorker } from './protocol.ts';

/** The mod as it is declared, and with its families spread out. */
let declared: Mod | undefined;
let mod: Mod | undefined;
/** The findings that the page has. */
let told: readonly Finding[] = [];
const bytes = new Map<string, Promise<Uint8Array | undefined>>();
const loaded = new Map<string, Uint8Array>();
const decoded = new Map<string, Pixels>();

const answer = (message: FromWorker) => (self as unknown as Worker).postMessage(message);

function bytesOf(sha256: string): Promise<Uint8Array | undefined> {
  const known =
    bytes.get(sha256) ??
    fetch(addressOf(endpoints.getBlob, { sha256 }))
      .then(async (response) => {
        if (!response.ok) return undefined;
        const found = new Uint8Array(await response.arrayBuffer());
        loaded.set(sha256, found);
        return found;
      })
      .catch(() => {
        bytes.delete(sha256);
        return undefined;
      });
  bytes.set(sha256, known);
  return known;
}

/** The long work that is going on; what is taken out stops. */
const working = new Set<number>();
/** Lets other messages come in between. */
const pause = () => new Promise((resolve) => setTimeout(resolve, 0));

/** Draws one sheet a few pictures at a time. Undefined when it was cancelled. */
async function drawn(
  mod: Mod,
  cells: (SheetCell | undefined)[],
  columns: number,
  { id, size, tick }: { id: number; size: number; tick: number },
): Promise<Pixels | undefined> {
  const models = cells.flatMap((cell) =>
    cell
      ? drawnModels(
          mod,
          resolveBlock(mod, cell.block, heldUnder(mod.blocks, cell.block)),
          cell.state,
        )
      : [],
  );
  await Promise.all(
    neededTextures(models)
      .map((texture) => textureOf(mod, texture)?.picture.sha256)
      .filter((sha) => sha !== undefined)
      .map(bytesOf),
  );
  const steps = sheetSteps(mod, cells, {
    size,
    columns,
    pixelsOf: texturePixels(mod, (sha256) => loaded.get(sha256), decoded, tick),
  });
  let since = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - since < 40) continue;
    answer({ kind: 'progress', id, done: step.value, total: cells.length });
    await pause();
    since = performance.now();
    if (!working.has(id)) return undefined;
  }
}

async function sheetOf(message: ToWorker & { kind: 'sheet' }): Promise<SheetAnswer> {
  const at = mod!;
  let cells: SheetCell[] = [];
  let columns = 1;
  try {
    cells = sheetCells(at, message.block);
    columns = message.columns ?? sheetColumns(at, cells);
    const problem = cells.length
      ? sheetProblem(cells.length, { size: message.size, columns })
      : undefined;
    if (problem) return { cells: [], columns, problem };
    const pixels = await drawn(at, cells, columns, message);
    if (!pixels) return { cells: [], columns };
    if (!message.before) return { pixels, cells, columns };
    const before =
      'png' in message.before
        ? decodePicture(message.before.png)
        : await drawn(message.before.mod, cellsIn(message.before.mod, cells, at), columns, message);
    if (!before) return { cells: [], columns };
    const { pixels: laid, differing, cells: marked } = compareSheets(pixels, before, message.size);
    return { pixels: laid, cells, columns, differing, marked };
  } catch (error) {
    if (error instanceof RangeError || error instanceof PictureProblem)
      return { cells, columns, problem: error.message };
    throw error;
  }
}

/**
 * Tries charges before walls of a block, at every distance and with every strength. Undefined when
 * it was cancelled.
 */
async function blastOf({
  id,
  rating,
  strengths,
  distances,
  samples,
  seed,
}: ToWorker & { kind: 'blast' }): Promise<BlastAnswer | undefined> {
  const found: BlastAnswer = { crater: [], odds: [] };
  const total = strengths.length * distances.length * samples;
  let before = 0;
  let since = performance.now();
  for (const strength of strengths) {
    const odds = [];
    for (const distance of distances) {
      const steps = craterSteps(rating, strength, distance, samples, seed);
      for (let step = steps.next(); ; step = steps.next()) {
        if (step.done) {
          odds.push(step.value.survives);
          if (distance === distances[0]) found.crater.push(step.value);
          break;
        }
        if (performance.now() - since < 40) continue;
        answer({ kind: 'progress', id, done: before + step.value, total });
        await pause();
        since = performance.now();
        if (!working.has(id)) return undefined;
      }
      before += samples;
    }
    found.odds.push(odds);
  }
  return found;
}

/** Breaks a block again and again. Undefined when it was cancelled or the block is gone. */
async function breaksOf({
  id,
  block,
  breaking,
  breaks,
  seed,
}: ToWorker & { kind: 'breaks' }): Promise<BreaksAnswer | undefined> {
  const declared = lookUp(mod?.blocks, block);
  if (!mod || !declared) return undefined;
  const resolved = resolveBlock(mod, block, declared);
  const steps = simulate(
    resolved.draws,
    breaking,
    lootSource(mod, resolved),
    breaks,
    seededRandom(seed),
  );
  let since = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - since < 40) continue;
    answer({ kind: 'progress', id, done: step.value, total: breaks });
    await pause();
    since = performance.now();
    if (!working.has(id)) return undefined;
  }
}

/**
 * So long after a key in a template, in milliseconds, it is inspected: what it writes comes first.
 */
const templateRestMs = 30;
/** How many changes came since findings were told last. */
let unanswered = 0;
let waiting: ReturnType<typeof setTimeout> | undefined;
const isOfTemplate = ({ path }: Change): boolean => path.startsWith('/kitFiles/');

function inspectNow(): void {
  if (!mod) return;
  const findings = inspect(mod);
  answer({ kind: 'findings', diff: diffFindings(told, findings), changes: unanswered });
  unanswered = 0;
  told = findings;
}

self.onmessage = async ({ data: message }: MessageEvent<ToWorker>) => {
  if (message.kind === 'mod' || message.kind === 'changes') {
    declared = message.kind === 'mod' ? message.mod : applyChanges(declared!, message.changes);
    mod = expandFamilies(declared);
    unanswered += 1;
    clearTimeout(waiting);
    if (message.kind === 'changes' && message.changes.every(isOfTemplate))
      waiting = setTimeout(inspectNow, templateRestMs);
    else inspectNow();
  } else if (message.kind === 'draw') {
    const at = mod;
    const block = at && shownNamed(at, message.block);
    if (!at || !block) {
      answer({ kind: 'drawn', id: message.id, size: message.size, data: undefined });
      return;
    }
    const models = drawnModels(
      at,
      resolveBlock(at, message.block, block),
      message.state,
      message.pick,
    );
    await Promise.all(
      neededTextures(models)
        .map((id) => textureOf(at, id)?.picture.sha256)
        .filter((sha) => sha !== undefined)
        .map(bytesOf),
    );
    const { texels } = at.header;
    const pixelsOf = texturePixels(at, (sha256) => loaded.get(sha256), decoded);
    const view = message.fills ? fillingView(models, texels, pixelsOf) : wholeCell;
    answer({
      kind: 'drawn',
      id: message.id,
      size: message.size,
      data: drawIsometric(models, texels, message.size, pixelsOf, view).data,
    });
  } else if (message.kind === 'sheet') {
    working.add(message.id);
    answer({ kind: 'sheet drawn', id: message.id, ...(await sheetOf(message)) });
    working.delete(message.id);
  } else if (message.kind === 'blast') {
    working.add(message.id);
    answer({ kind: 'blasted', id: message.id, found: await blastOf(message) });
    working.delete(message.id);
  } else if (message.kind === 'breaks') {
    working.add(message.id);
    answer({ kind: 'broken', id: message.id, found: await breaksOf(message) });
    working.delete(message.id);
  } else if (message.kind === 'cancel') {
    working.delete(message.id);
  } else if (message.kind === 'encode') {
    answer({ kind: 'encoded', id: message.id, png: encodePicture(message.pixels) });
  } else if (message.kind === 'for kit') {
    const { id, kit } = message;
    const other = declared && { ...declared, header: { ...declared.header, kit } };
    const findings = other ? inspect(expandFamilies(other)) : [];
    answer({ kind: 'found for kit', id, findings });
  } else if (message.kind === 'check kit') {
    const { id, draft } = message;
    answer({ kind: 'kit checked', id, check: mod && checkDraft(draft, mod) });
  } else if (message.kind === 'try kit') {
    const { id, draft, rule, called } = message;
    const preview = mod ? previewOf(draft, rule, called, mod) : { subjects: [], problems: [] };
    answer({ kind: 'kit tried', id, preview });
  } else if (message.kind === 'fit') {
    const { id, boxes, most } = message;
    answer({ kind: 'fitted', id, fits: fitBoxes(boxes, most) });
  } else {
    answer({
      kind: 'all fixed',
      id: message.id,
      ...(mod ? fixAll(mod, message.rule) : { changes: [], mended: 0 }),
    });
  }
};
