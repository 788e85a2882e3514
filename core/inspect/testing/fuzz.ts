import { crc32, readZip, writeZip, ZipProblem, type Files } from '../../bytes/index.ts';
import { itemAt } from '../../lists/index.ts';
import { kitNamed } from '../../kits/index.ts';
import { readModFolder } from '../../folder/index.ts';
import { pageChecksum } from '../../sounds/ogg.ts';
import { soundEntry } from '../../sounds/index.ts';
import { pictureEntry, PictureProblem } from '../../textures/index.ts';
import { mendFiles } from '../mend-files.ts';
import { formOf } from '../form.ts';

/** A number from 0 to below `below`, the next of a sequence that a seed begins. */
export type Dice = (below: number) => number;

/** The sequence of a seed (Mulberry32, T. Ettinger, 2017). */
export function diceOf(seed: number): Dice {
  let state = seed >>> 0;
  return (below) => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return Math.floor((((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296) * below);
  };
}

/** A kind of file that is damaged: what there is of it, how it is damaged, and who then reads it. */
export interface Target {
  name: string;
  samples: readonly (readonly [file: string, bytes: Uint8Array])[];
  damage: (bytes: Uint8Array, dice: Dice) => Uint8Array;
  /** Reads it; throws for nothing but what a person is told. */
  read: (file: string, bytes: Uint8Array) => void;
}

const kit = kitNamed('block-pack');
const form = formOf(kit);
/** So much may come out of an archive while it is tried. */
const zipBounds = { files: 2000, bytes: 16 * 1024 * 1024 };

/** Every kind of file that comes from elsewhere, with samples out of a built pack and more sounds. */
export function targetsIn(built: Files, sounds: Files): Target[] {
  const samples = (ending: string): [file: string, bytes: Uint8Array][] =>
    [...built, ...sounds].filter(([file]) => file.endsWith(ending));
  const some = new Map([...built].filter(([file]) => !file.startsWith('view/textures/')));
  const targets: Target[] = [
    { name: 'JSON', samples: samples('.json'), damage: damagedJson, read: readAsJson },
    { name: 'PNG', samples: samples('.png'), damage: damagedPng, read: readAsPicture },
    { name: 'WAV', samples: samples('.wav'), damage: damagedBytes, read: readAsSound },
    { name: 'Ogg', samples: samples('.ogg'), damage: damagedOgg, read: readAsSound },
    {
      name: 'ZIP',
      samples: [['pack.obpack', writeZip(some)]],
      damage: damagedZip,
      read: readAsZip,
    },
  ];
  return targets.filter((target) => target.samples.length);
}

/** One file of a kind, damaged as the seed says, and read. Throws where the reader falls over. */
export function tryOne(target: Target, seed: number): void {
  const dice = diceOf(seed);
  const [file, bytes] = itemAt(target.samples, dice(target.samples.length));
  let damaged = target.damage(bytes, dice);
  for (let more = dice(3); more > 0; more -= 1) damaged = target.damage(damaged, dice);
  target.read(file, damaged);
}

/** In a pack and as a file of a mod folder, judged, and one of its fixes made. */
function readAsJson(file: string, bytes: Uint8Array): void {
  const files = new Map([[file, bytes]]);
  const { findings } = form.read(files);
  const fix = findings.find((finding) => finding.fix)?.fix;
  if (fix) mendFiles(form, files, [fix]);
  for (const finding of findings)
    if (!finding.message || /undefined|\[object/.test(finding.message))
      throw new Error(`It is told without words: ${finding.rule} ${finding.message}`);
  readModFolder(new Map([['mod.json', bytes]]), { goesOn: true });
}

function readAsPicture(_: string, bytes: Uint8Array): void {
  try {
    pictureEntry(bytes);
  } catch (error) {
    if (!(error instanceof PictureProblem)) throw error;
  }
}

const readAsSound = (file: string, bytes: Uint8Array): void =>
  void soundEntry(bytes, file.endsWith('.wav') ? 'wav' : 'ogg');

function readAsZip(_: string, bytes: Uint8Array): void {
  try {
    readZip(bytes, zipBounds);
  } catch (error) {
    if (!(error instanceof ZipProblem)) throw error;
  }
}

const extremes = [0, 1, 2, 0x7f, 0x80, 0xff, 0xffff, 0x7fffffff, 0x80000000, 0xffffffff];

/** Bytes turned, lost, doubled, put in, cut short, or read as a number that nobody expects. */
export function damagedBytes(bytes: Uint8Array, dice: Dice): Uint8Array {
  const at = dice(bytes.length + 1);
  const length = 1 + dice(Math.min(64, bytes.length + 1));
  const copy = bytes.slice();
  const splice = (from: number, to: number, middle: Uint8Array) =>
    Uint8Array.from([...bytes.subarray(0, from), ...middle, ...bytes.subarray(to)]);
  switch (dice(7)) {
    case 0:
      if (at < copy.length) copy[at] = copy[at]! ^ (1 << dice(8));
      return copy;
    case 1:
      return splice(at, at + length, new Uint8Array());
    case 2:
      return splice(at, at, bytes.subarray(at, at + length));
    case 3:
      return splice(
        at,
        at,
        Uint8Array.from({ length }, () => dice(256)),
      );
    case 4:
      return bytes.subarray(0, at);
    default: {
      const view = new DataView(copy.buffer, copy.byteOffset, copy.byteLength);
      const number = itemAt(extremes, dice(extremes.length));
      if (at + 4 <= copy.length) view.setUint32(at, number, dice(2) === 0);
      return copy;
    }
  }
}

/** The same, with the checksum of every part set right again, so that what lies deeper is met. */
function damagedPng(bytes: Uint8Array, dice: Dice): Uint8Array {
  const damaged = damagedBytes(bytes, dice).slice();
  if (dice(4) === 0) return damaged;
  const view = new DataView(damaged.buffer, damaged.byteOffset, damaged.byteLength);
  for (let at = 8; at + 12 <= damaged.length;) {
    const length = view.getUint32(at);
    if (at + 12 + length > damaged.length) break;
    view.setUint32(at + 8 + length, crc32(damaged.subarray(at + 4, at + 8 + length)));
    at += 12 + length;
  }
  return damaged;
}

/** The same for the pages of an Ogg file. */
function damagedOgg(bytes: Uint8Array, dice: Dice): Uint8Array {
  const damaged = damagedBytes(bytes, dice).slice();
  if (dice(4) === 0) return damaged;
  const view = new DataView(damaged.buffer, damaged.byteOffset, damaged.byteLength);
  for (let at = 0; at + 27 <= damaged.length;) {
    const segments = damaged.subarray(at + 27, at + 27 + (damaged[at + 26] ?? 0));
    const end = at + 27 + segments.length + segments.reduce((sum, length) => sum + length, 0);
    if (end > damaged.length) break;
    view.setUint32(at + 22, pageChecksum(damaged, at, end), true);
    at = end;
  }
  return damaged;
}

/** Bytes damaged anywhere, more often than not in the list of files at the end. */
function damagedZip(bytes: Uint8Array, dice: Dice): Uint8Array {
  if (dice(3) === 0) return damagedBytes(bytes, dice);
  const from = Math.max(0, bytes.length - 1 - dice(Math.min(4000, bytes.length)));
  const tail = damagedBytes(bytes.subarray(from), dice);
  const whole = new Uint8Array(from + tail.length);
  whole.set(bytes.subarray(0, from));
  whole.set(tail, from);
  return whole;
}

const odd = [
  'null',
  '-0',
  '1e308',
  '-1e400',
  '0.1',
  '""',
  '"\\ud800"',
  '[]',
  '{}',
  '{"__proto__":{}}',
  '"constructor"',
  'true',
  '[[[[[[]]]]]]',
  '9007199254740993',
  '"a:b:c"',
  '"#saltmarsh:x"',
];

/** The text of JSON with a value, a key or a sign otherwise; now and then the bytes as such. */
function damagedJson(bytes: Uint8Array, dice: Dice): Uint8Array {
  if (dice(3) === 0) return damagedBytes(bytes, dice);
  const text = new TextDecoder().decode(bytes);
  const tokens = [...text.matchAll(/"(?:[^"\\]|\\.)*"|-?\d[\d.eE+-]*|true|false|null|[[\]{},:]/g)];
  if (!tokens.length) return damagedBytes(bytes, dice);
  const one = itemAt(tokens, dice(tokens.length));
  const other = itemAt(tokens, dice(tokens.length))[0];
  const put = (words: string) =>
    new TextEncoder().encode(
      text.slice(0, one.index) + words + text.slice(one.index + one[0].length),
    );
  switch (dice(6)) {
    case 0:
      return put('');
    case 1:
      return put(one[0] + one[0]);
    case 2:
      return put(other);
    case 3:
      return put('['.repeat(1 + dice(dice(40) === 0 ? 20_000 : 20)));
    case 4:
      return put(`"${'x'.repeat(dice(dice(40) === 0 ? 200_000 : 300))}"`);
    default:
      return put(itemAt(odd, dice(odd.length)));
  }
}
