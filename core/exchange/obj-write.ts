import { itemAt } from '../lists/index.ts';
import { normalOf } from './glb-write.ts';
import type { Scene } from './scene.ts';

const short = (value: number): string => String(Math.round(value * 1e6) / 1e6 + 0);

/**
 * A scene as Wavefront OBJ with a library of materials and its pictures (Wavefront, *Object Files
 * (.obj)*, Appendix B1, 1992): by file name, every part an object, groups as groups.
 */
export function writeObj(scene: Scene, name: string): Map<string, Uint8Array> {
  const files = new Map<string, Uint8Array>();
  const pictures = scene.materials.map(({ picture }, i) =>
    picture ? `${name}_${i + 1}.png` : undefined,
  );
  const text = new TextEncoder();
  files.set(`${name}.obj`, text.encode(objText(scene, name)));
  files.set(`${name}.mtl`, text.encode(mtlText(scene, pictures)));
  scene.materials.forEach(({ picture }, i) => {
    const file = pictures[i];
    if (picture && file !== undefined) files.set(file, picture.bytes);
  });
  return files;
}

/** Names without blanks, which would end them. */
const word = (name: string): string => name.replaceAll(/\s+/g, '_');

function objText(scene: Scene, name: string): string {
  const lines = [`# ${scene.name}, one unit a block`, `mtllib ${name}.mtl`];
  let first = 1;
  let normals = 1;
  for (const part of scene.parts) {
    lines.push(`o ${word(part.name)}`);
    if (part.group !== undefined) lines.push(`g ${word(part.group)}`);
    else lines.push('g default');
    if (part.box) {
      const numbers = [part.box.corner, ...part.box.edges].flat();
      lines.push(`# box ${numbers.map(short).join(' ')}`);
    }
    for (const face of part.faces) {
      for (const { at } of face.corners) lines.push(`v ${at.map(short).join(' ')}`);
      for (const { uv } of face.corners) lines.push(`vt ${short(uv[0])} ${short(1 - uv[1])}`);
      lines.push(`vn ${normalOf(face).map(short).join(' ')}`);
      lines.push(`usemtl ${word(itemAt(scene.materials, face.material).name)}`);
      const corners = face.corners.map((_, i) => `${first + i}/${first + i}/${normals}`);
      lines.push(`f ${corners.join(' ')}`);
      first += face.corners.length;
      normals += 1;
    }
  }
  return `${lines.join('\n')}\n`;
}

const mtlText = ({ materials }: Scene, pictures: readonly (string | undefined)[]): string =>
  materials
    .map(({ name, tint, alphaMode }, i) => {
      const picture = pictures[i];
      return [
        `newmtl ${word(name)}`,
        `Kd ${tint.map(short).join(' ')}`,
        'Ks 0 0 0',
        'illum 1',
        ...(picture !== undefined ? [`map_Kd ${picture}`] : []),
        ...(picture !== undefined && alphaMode !== 'opaque' ? [`map_d ${picture}`] : []),
        '',
      ].join('\n');
    })
    .join('\n');
