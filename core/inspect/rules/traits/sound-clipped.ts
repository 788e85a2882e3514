import { recording } from '../../examples.ts';
import { modRule } from '../../rule.ts';

export const soundClipped = modRule({
  id: 'traits/sound-clipped',
  severity: 'hint',
  title: 'Sound that is cut off at its loudest',
  why:
    'Where samples stand at full scale the top of the wave is gone, which is heard as a ' +
    'crackle. Record it quieter.',
  messages: {
    soundClipped: 'The sound {name} is clipped: its loudest part is cut off at full scale.',
  },
  fails: {
    '/sounds/squelch': { ...recording, peak: 1, clipped: true },
  },
  passes: {
    '/sounds/squelch': { ...recording, peak: 0.9 },
  },
  check: (mod) =>
    Object.entries(mod.sounds).flatMap(([name, { clipped }]) =>
      clipped
        ? [
            {
              at: ['sounds', name],
              says: 'soundClipped',
              parts: { name },
            },
          ]
        : [],
    ),
});
