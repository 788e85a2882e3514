import { modelId, boxesFix, boxWord } from '../../models.ts';
import { modRule } from '../../rule.ts';

/** The nearest angle that is a whole number of steps. */
const nearest = (by: number, step: number): number => Math.round(by / step) * step;

export const spinOffStep = modRule({
  id: 'models/spin-off-step',
  severity: 'error',
  guesses: true,
  title: 'Spin that the kit cannot show',
  why: 'Some engines turn boxes by any angle, others only in steps. What lies between is not shown so.',
  messages: {
    spinOffStep:
      'The box {box} of the model {model} is spun by {by}°; {kit} shows steps of {step}°.',
  },
  fails: {
    '/header/kit': 'block-pack-small',
    '/models/lamp/boxes/0/spin': { about: 'y', by: 22.5, pivot: [8, 8, 8] },
  },
  passes: {
    '/header/kit': 'block-pack-small',
    '/models/lamp/boxes/0/spin': { about: 'y', by: 30, pivot: [8, 8, 8] },
  },
  check: (mod, { limits: { spinStep }, title }) =>
    spinStep === 0
      ? []
      : Object.entries(mod.models).flatMap(([name, { boxes = [] }]) =>
          boxes.flatMap((box, i) => {
            const { spin } = box;
            if (!spin || spin.by % spinStep === 0) return [];
            const by = nearest(spin.by, spinStep);
            return [
              {
                at: ['models', name, 'boxes', i, 'spin'],
                says: 'spinOffStep',
                parts: {
                  box: boxWord(boxes, i),
                  model: modelId(mod, name),
                  by: spin.by,
                  kit: title,
                  step: spinStep,
                },
                fix: boxesFix(
                  mod,
                  name,
                  `Spin it by ${by}°`,
                  boxes.with(i, { ...box, spin: { ...spin, by } }),
                ),
              },
            ];
          }),
        ),
});
