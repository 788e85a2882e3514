import { idOf } from '../../../mod/index.ts';
import { frameCount } from '../../../textures/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const stripUneven = modRule({
  id: 'textures/strip-uneven',
  severity: 'error',
  title: 'Strip that does not hold whole frames',
  why:
    'The frames of a strip stand one below the other. If the height is not a whole number ' +
    'of frames, or the order names a frame that is not there, the animation tears.',
  messages: {
    frameCut: 'The strip {id} is {frames} frames high; it must be a whole number.',
    frameUnknown: 'The strip {id} asks for frame {frame}, but has only the frames 0 to {last}.',
  },
  fails: { '/textures/bank/picture/height': 40, '/textures/bank/strip': { ticks: 4 } },
  passes: {
    '/textures/bank/picture/height': 48,
    '/textures/bank/strip': { ticks: 4, order: [0, 1, 2, 1] },
  },
  check: (mod) =>
    Object.entries(mod.textures).flatMap(([name, texture]): ModReport[] => {
      if (!texture.strip) return [];
      const id = idOf(mod.header.namespace, name);
      const frames = frameCount(texture);
      if (!Number.isInteger(frames))
        return [
          {
            at: ['textures', name, 'strip'],
            says: 'frameCut',
            parts: { id, frames: frames.toFixed(2) },
          },
        ];
      const odd = texture.strip.order
        ?.map((entry) => (typeof entry === 'number' ? entry : entry.frame))
        .find((frame) => frame < 0 || frame >= frames);
      return odd === undefined
        ? []
        : [
            {
              at: ['textures', name, 'strip', 'order'],
              says: 'frameUnknown',
              parts: { id, frame: odd, last: frames - 1 },
            },
          ];
    }),
});
