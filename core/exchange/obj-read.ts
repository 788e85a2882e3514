import type { Vec3 } from '../space/index.ts';
import {
  exchangeLimits,
  ExchangeProblem,
  type Corner,
  type Face,
  type Material,
  type Part,
  type PartBox,
  type ReadScene,
} from './scene.ts';

/** Hands over a file that lies beside the model, by the name under which the model knows it. */
export type Beside = (name: string) => Uint8Array | undefined;

interface Reading {
  points: [number, number, number][];
  uvs: [number, number][];
  parts: Map<string, Part>;
  materials: Material[];
  numbers: Map<string, number>;
  notes: Set<string>;
  triangles: number;
}

const plainMaterial = (name: string): Material => ({
  name,
  alphaMode: 'opaque',
  alphaCutoff: 0.5,
  tint: [1, 1, 1],
});

/**
 * A scene out of a Wavefront OBJ file, its materials and pictures out of files beside it. Objects
 * are parts; curves, lines and points are left out and said. Throws an {@link ExchangeProblem} when
 * it is no such file or too large.
 */
export function readObj(bytes: Uint8Array, name: string, beside: Beside): ReadScene {
  if (bytes.length > exchangeLimits.bytes)
    throw new ExchangeProblem('The file is larger than 32 MB.');
  const text = new TextDecoder().decode(bytes);
  const reading: Reading = {
    points: [],
    uvs: [],
    parts: new Map(),
    materials: [],
    numbers: new Map(),
    notes: new Set(),
    triangles: 0,
  };
  readLines(text, reading, beside);
  if (!reading.points.length || !reading.parts.size)
    throw new ExchangeProblem('The file holds no faces, so it is no OBJ file or an empty one.');
  return {
    name,
    parts: [...reading.parts.values()].filter(({ faces }) => faces.length),
    materials: reading.materials,
    notes: [...reading.notes],
  };
}

function readLines(text: string, reading: Reading, beside: Beside): void {
  let [object, group, material] = ['', '', ''];
  let box: PartBox | undefined;
  let line = 0;
  for (const raw of text.replaceAll(/\\\r?\n/g, ' ').split(/\r?\n/)) {
    line += 1;
    box = boxIn(raw) ?? box;
    const [word = '', ...rest] = raw.replace(/#.*$/, '').trim().split(/\s+/);
    const named = rest.join(' ');
    switch (word) {
      case 'v':
        reading.points.push(threeOf(rest, line));
        break;
      case 'vt':
        reading.uvs.push([numberOf(rest[0], line), 1 - numberOf(rest[1] ?? '0', line)]);
        break;
      case 'o':
        object = named;
        box = undefined;
        break;
      case 'g':
        group = named === 'default' || named === 'off' ? '' : named;
        break;
      case 'usemtl':
        material = named;
        break;
      case 'mtllib':
        readMaterials(named, reading, beside);
        break;
      case 'f':
        addFace(rest, line, reading, { object, group, material, box });
        break;
      case 'l':
      case 'p':
        reading.notes.add('Lines and points are left out.');
        break;
      case 'curv':
      case 'surf':
        reading.notes.add('Curves and curved surfaces are left out.');
        break;
    }
    if (reading.points.length > exchangeLimits.vertices)
      throw new ExchangeProblem(`It has more than ${exchangeLimits.vertices} corners.`);
  }
}

function numberOf(text: string | undefined, line: number): number {
  const value = Number(text);
  if (text === undefined || text === '' || !Number.isFinite(value))
    throw new ExchangeProblem(`Line ${line} should hold a number and does not.`);
  return value;
}

const threeOf = ([x, y, z]: readonly string[], line: number): [number, number, number] => [
  numberOf(x, line),
  numberOf(y, line),
  numberOf(z, line),
];

interface Under {
  object: string;
  group: string;
  material: string;
  box: PartBox | undefined;
}

/** The box of a part, as we write it behind a number sign; others read over it. */
function boxIn(line: string): PartBox | undefined {
  if (!line.startsWith('# box ')) return undefined;
  const numbers = line.slice(6).trim().split(' ').map(Number);
  if (numbers.length !== 12 || !numbers.every(Number.isFinite)) return undefined;
  const point = (i: number): Vec3 => [numbers[i] ?? 0, numbers[i + 1] ?? 0, numbers[i + 2] ?? 0];
  return { corner: point(0), edges: [point(3), point(6), point(9)] };
}

function addFace(words: string[], line: number, reading: Reading, under: Under): void {
  if (words.length < 3)
    throw new ExchangeProblem(`Line ${line} is a face of fewer than 3 corners.`);
  reading.triangles += words.length - 2;
  if (reading.triangles > exchangeLimits.triangles)
    throw new ExchangeProblem(`It has more than ${exchangeLimits.triangles} triangles.`);
  const corners = words.map((word): Corner => {
    const [point, uv] = word.split('/');
    const at = indexed(reading.points, point, line);
    return { at, uv: uv ? indexed(reading.uvs, uv, line) : [0, 0] };
  });
  const { object, group, material } = under;
  const key = object || group;
  const part = reading.parts.get(key) ?? {
    name: key || 'box',
    ...(object && group && { group }),
    faces: [],
    ...(under.box && { box: under.box }),
  };
  if (!reading.parts.has(key) && reading.parts.size >= exchangeLimits.parts)
    throw new ExchangeProblem(`It has more than ${exchangeLimits.parts} objects.`);
  reading.parts.set(key, part);
  const face: Face = { corners, material: materialNumber(material, reading) };
  part.faces.push(face);
}

/** What a number of the file points at: from 1 on, or backwards from the last one. */
function indexed<T>(list: readonly T[], text: string | undefined, line: number): T {
  const number = numberOf(text, line);
  const found = list[number < 0 ? list.length + number : number - 1];
  if (!found) throw new ExchangeProblem(`Line ${line} names a corner that is not there.`);
  return found;
}

function materialNumber(name: string, reading: Reading): number {
  const known = reading.numbers.get(name);
  if (known !== undefined) return known;
  reading.numbers.set(name, reading.materials.length);
  reading.materials.push(plainMaterial(name || 'face'));
  return reading.materials.length - 1;
}

/** The materials of a library beside the model. One that is not there is said. */
function readMaterials(file: string, reading: Reading, beside: Beside): void {
  const bytes = beside(file);
  if (!bytes) {
    reading.notes.add(`The materials ${file} are not beside it, so its pictures are open.`);
    return;
  }
  let now: Material | undefined;
  for (const raw of new TextDecoder().decode(bytes).split(/\r?\n/)) {
    const [word = '', ...rest] = raw.replace(/#.*$/, '').trim().split(/\s+/);
    if (word === 'newmtl') {
      now = plainMaterial(rest.join(' '));
      reading.numbers.set(now.name, reading.materials.length);
      reading.materials.push(now);
    }
    if (word === 'map_Kd' && now) {
      // Options stand before the name and begin with a dash; the name is what comes last.
      const name = rest.at(-1) ?? '';
      const picture = beside(name);
      if (picture) now.picture = { name, bytes: picture };
      else reading.notes.add(`The picture ${name} is not beside it, so its slot is open.`);
    }
    if (word === 'map_d' && now) now.alphaMode = 'mask';
  }
}
