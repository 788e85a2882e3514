import { idOf } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { modRule } from '../../rule.ts';

export const notSquare = modRule({
  id: 'textures/not-square',
  severity: 'warning',
  title: 'Not square and no strip',
  why:
    'A texture is square, or a strip of square frames with a timing file. Otherwise the ' +
    'picture is squeezed onto the side of a block.',
  messages: {
    notSquare: 'The texture {id} is {width} × {height} texels: neither square nor a strip.',
  },
  fails: { '/textures/bank/picture/height': 48 },
  passes: { '/textures/bank/picture/height': 48, '/textures/bank/strip': { ticks: 4 } },
  check: (mod) =>
    Object.entries(mod.textures).flatMap(
      ([
        name,
        {
          picture: { width, height },
          strip,
        },
      ]) => {
        if (strip || width === height) return [];
        const frames = height / width;
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
          },
        ];
      },
    ),
});
