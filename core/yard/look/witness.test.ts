import { expect, test } from '@jest/globals';
import { resolveBlocks } from '../../mod/index.ts';
import { modelQuads, resolvedModelOf, textureOf, uprightQuads } from '../../models/index.ts';
import { orientations, rotationOf, turn, type Vec3 } from '../../space/index.ts';
import { frameSize } from '../../textures/index.ts';
import { facesOf } from '../index.ts';
import { demoWorld } from '../../../demo/art/demo-world.ts';

const { mod, world } = demoWorld();
const { texels } = mod.header;

const sizeOf = (id: string) => {
  const texture = textureOf(mod, id);
  return texture && frameSize(texture);
};
const near = (value: number): number => Math.round(value * 1e6) / 1e6 + 0;

test('every model of the demo, in all 24 orientations, has the faces that the bench draws', () => {
  const models = new Set(
    resolveBlocks(mod).flatMap(({ looks }) =>
      looks.rows.flatMap(({ value }) => value.map(({ model }) => model)),
    ),
  );
  let compared = 0;
  for (const id of models)
    for (const orientation of orientations)
      for (const upright of [false, true]) {
        const model = resolvedModelOf(mod, id)!;
        const quads = upright
          ? uprightQuads(model, orientation, texels, sizeOf)
          : modelQuads(model, texels, sizeOf);
        const lie = ([x, y, z]: Vec3) => {
          const half = texels / 2;
          return turn(rotationOf(orientation), [x - half, y - half, z - half]).map((part) =>
            near(part / texels + 0.5),
          );
        };
        const foretold = quads.map(({ corners, uv, texture, untinted = false }) => ({
          corners: corners.map(lie),
          uv: uv.map((point) => point.map(near)),
          picture: texture,
          isTinted: !untinted,
        }));
        const found = facesOf({ model: id, ...orientation, upright }, world.view).map(
          ({ corners, uv, picture, isTinted }) => ({
            corners: corners.map((point) => point.map(near)),
            uv: uv.map((point) => point.map(near)),
            picture,
            isTinted,
          }),
        );
        if (JSON.stringify(found) !== JSON.stringify(foretold)) expect(found).toEqual(foretold);
        compared += found.length;
      }
  expect(compared).toBeGreaterThan(5000);
});
