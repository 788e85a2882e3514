import type { Files } from '../../../bytes/index.ts';
import { itemAt } from '../../../lists/index.ts';
import type { Mod } from '../../../mod/index.ts';
import type { Vec3 } from '../../../space/index.ts';
import { vector } from '../../../space/index.ts';
import type { Difference } from '../../kit.ts';
import type { BodyFace } from '../states/body.ts';
import { drawingOf, meshFile } from '../write/nodes.ts';
import { triedBlocks } from './tried.ts';

const word = (points: readonly Vec3[]): string =>
  points
    .map((point) => vector((axis) => Math.round(point[axis] * 1e4) / 1e4 + 0).join(' '))
    .sort()
    .join(', ');

/** The faces of a mesh as the engine takes them: x the other way round (and z, as it was written). */
export function facesOfMesh(text: string): Vec3[][] {
  const points: Vec3[] = [];
  const faces: Vec3[][] = [];
  for (const line of text.split('\n')) {
    const [first, ...rest] = line.trim().split(/\s+/);
    const [x = NaN, y = NaN, z = NaN] = rest.map(Number);
    if (first === 'v') points.push([-x, y, -z]);
    if (first === 'f')
      faces.push(rest.map((corner) => points[Number(corner.split('/')[0]) - 1] ?? [NaN, NaN, NaN]));
  }
  return faces;
}

/** True where a face has an area: others are not written. */
const hasArea = ({ corners }: BodyFace): boolean =>
  new Set(corners.map((corner) => corner.join())).size > 2;

/** Meshes that do not hold the faces that they should. */
export function meshDifferences(mod: Mod, built: Files): Difference[] {
  return triedBlocks(mod).flatMap(({ block, nodes, title }) =>
    nodes.flatMap((node): Difference[] => {
      if (drawingOf(block, node) !== 'mesh') return [];
      const file = `models/${meshFile(mod, node)}`;
      const text = new TextDecoder().decode(built.get(file) ?? new Uint8Array());
      const found = facesOfMesh(text).map(word).sort();
      const ours = node.body.faces
        .filter(hasArea)
        .map(({ corners }) => word(corners))
        .sort();
      const apart = ours.findIndex((face, i) => face !== found[i]);
      if (apart < 0 && ours.length === found.length) return [];
      return [
        {
          about: `${title}: the mesh ${file}`,
          of: { kind: 'block', name: block.name },
          facet: 'looks',
          ours: `${ours.length} faces${apart < 0 ? '' : `, one at ${itemAt(ours, apart)}`}`,
          engine: `${found.length} faces`,
        },
      ];
    }),
  );
}
