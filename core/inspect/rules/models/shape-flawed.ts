import type { PlainBox } from '../../../space/index.ts';
import { blockRule, type BlockReport } from '../../rule.ts';

export const shapeFlawed = blockRule({
  id: 'models/shape-flawed',
  severity: 'error',
  title: 'Collision or outline that cannot be',
  why:
    'The boxes of a shape have lengths above zero and stay near their cell: engines look for what ' +
    'one bumps into in the cells beside a player and no further.',
  messages: {
    outside:
      '{block}: a box of its {shape} leaves the space from {near} to {far} texels that {kit} ' +
      'allows.',
    noSize: '{block}: a box of its {shape} has a length that is not above zero: {size} texels.',
  },
  fails: { '/blocks/lamp/shapes': { collision: [{ at: [0, 0, 0], size: [16, -4, 16] }] } },
  passes: { '/blocks/lamp/shapes': { collision: [{ at: [0, 0, 0], size: [16, 4, 16] }] } },
  check({ name, shapes, declared }, { header: { texels }, kit }) {
    const reach = (kit.limits.reach * texels) / 16;
    const far = texels + reach;
    const flawOf = ({ at, size }: PlainBox): Pick<BlockReport, 'says' | 'parts'> | undefined =>
      size.some((length) => length <= 0)
        ? { says: 'noSize', parts: { size: size.join(' × ') } }
        : at.some((low, axis) => low < -reach || low + size[axis]! > far)
          ? { says: 'outside', parts: { near: -reach, far, kit: kit.title } }
          : undefined;
    return (['collision', 'outline'] as const).flatMap((shape) => {
      const given = declared.shapes?.[shape];
      const isByRows = Array.isArray(given) && given[0] !== undefined && 'value' in given[0];
      return shapes[shape].flatMap(({ value }, row) =>
        (Array.isArray(value) ? value : []).flatMap((box, i): BlockReport[] => {
          const flaw = flawOf(box);
          return flaw
            ? [
                {
                  at: ['shapes', shape, ...(isByRows ? [row, 'value'] : []), i],
                  says: flaw.says,
                  parts: { ...flaw.parts, block: name, shape },
                },
              ]
            : [];
        }),
      );
    });
  },
});
