import { idOf } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { resolvedModels } from '../../models.ts';
import { powerOfTwoNear } from '../../../textures/mending/index.ts';
import { resizing } from '../../picture-mends.ts';
import { modRule } from '../../rule.ts';
import type { ModView } from '../../view.ts';

export const notSquare = modRule({
  id: 'textures/not-square',
  severity: 'warning',
  guesses: true,
  title: 'Not square and no strip',
  why:
    'A texture is square, or a strip of square frames with a timing file, unless sides show parts ' +
    'of it alone. Otherwise the picture is squeezed onto the side of a block.',
  messages: {
    notSquare: 'The texture {id} is {width} × {height} texels: neither square nor a strip.',
  },
  fails: { '/textures/bank/picture/height': 48 },
  passes: {
    '/textures/bank/picture/height': 48,
    '/textures/bank/strip': { ticks: 4 },
    '/textures/lamp/picture/width': 32,
    '/models/lamp/boxes/0/sides': { front: { slot: 'metal', crop: [16, 0, 8, 12] } },
  },
  restsOn: ['models'],
  check(mod) {
    const sheets = sheetsOf(mod);
    return Object.entries(mod.textures).flatMap(
      ([
        name,
        {
          picture: { width, height },
          strip,
        },
      ]) => {
        if (strip || width === height || sheets.has(idOf(mod.header.namespace, name))) return [];
        const frames = height / width;
        // It is squeezed onto a square anyhow: this makes it the square that is seen.
        const side = powerOfTwoNear(Math.max(width, height));
        const fix = Number.isInteger(frames)
          ? {
              title: `Make it a strip of ${frames} frames`,
              changes: [{ path: pointer(['textures', name, 'strip']), after: { ticks: 4 } }],
            }
          : undefined;
        return [
          {
            at: ['textures', name],
            says: 'notSquare',
            parts: { id: idOf(mod.header.namespace, name), width, height },
            fix,
            mend: resizing(name, height, side, side),
          },
        ];
      },
    );
  },
});

/** Textures of which every side that shows them shows a part: they may be as wide as they like. */
function sheetsOf(mod: ModView): Set<string> {
  const [parts, wholes] = [new Set<string>(), new Set<string>()];
  for (const { boxes } of resolvedModels(mod).values())
    for (const box of boxes)
      for (const { texture, crop } of Object.values(box.sides))
        if (texture !== undefined) (crop ? parts : wholes).add(texture);
  for (const { texture } of Object.values(mod.items)) if (texture) wholes.add(texture);
  return new Set([...parts].filter((texture) => !wholes.has(texture)));
}
