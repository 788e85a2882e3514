import { idOf, type Texture } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import {
  flashesOf,
  mostFlashes,
  runsOf,
  slowerSteps,
  timingOf,
} from '../../../textures/frames/index.ts';
import { frameCount, frameSize, stepsOf } from '../../../textures/index.ts';
import type { Fix } from '../../finding.ts';
import { modRule, type ModReport } from '../../rule.ts';

/** Sixteen rows that are dark and sixteen that are light. */
const darkAndLight = Array.from({ length: 32 }, (_, row) => (row < 16 ? 0 : 1000));

export const flashes = modRule({
  id: 'textures/flashes',
  severity: 'warning',
  title: 'Flashes more than three times in a second',
  why:
    'Flashes of more than three times in a second can give people a seizure where they fill much ' +
    'of what is seen (WCAG 2.2, 2.3.1), and a wall of blocks does.',
  messages: {
    flashes: 'The strip {id} flashes {times} times in a second; more than {most} can harm people.',
  },
  fails: {
    '/textures/bank/picture/height': 32,
    '/textures/bank/picture/lights': darkAndLight,
    '/textures/bank/strip': { ticks: 1 },
  },
  passes: {
    '/textures/bank/picture/height': 32,
    '/textures/bank/picture/lights': darkAndLight,
    '/textures/bank/strip': { ticks: 10 },
  },
  check: (mod) =>
    Object.entries(mod.textures).flatMap(([name, texture]): ModReport[] => {
      const lights = frameLights(texture);
      if (lights.length < 2) return [];
      const { tickRate, namespace } = mod.header;
      const steps = runsOf(stepsOf(texture));
      const times = flashesOf(steps, lights, tickRate);
      if (times <= mostFlashes) return [];
      const slower = slowerSteps(steps, lights, tickRate);
      return [
        {
          at: ['textures', name, 'strip'],
          says: 'flashes',
          parts: { id: idOf(namespace, name), times, most: mostFlashes },
          fix: slower && slowed(name, texture, slower),
        },
      ];
    }),
});

/** How light each whole frame of a strip is, 0 to 1; none where nobody knows. */
function frameLights(texture: Texture): number[] {
  const { lights } = texture.picture;
  if (!texture.strip || !lights) return [];
  const { height } = frameSize(texture);
  return Array.from({ length: Math.floor(frameCount(texture)) }, (_, frame) => {
    const rows = lights.slice(frame * height, (frame + 1) * height);
    return rows.reduce((sum, light) => sum + light, 0) / height / 1000;
  });
}

function slowed(name: string, texture: Texture, steps: Parameters<typeof timingOf>[0]): Fix {
  const { order: _, ...others } = texture.strip ?? { ticks: 1 };
  return {
    title: 'Slow it down',
    changes: [
      {
        path: pointer(['textures', name, 'strip']),
        before: texture.strip,
        after: { ...others, ...timingOf(steps, Math.floor(frameCount(texture))) },
      },
    ],
  };
}
