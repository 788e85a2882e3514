import { recording } from '../../examples.ts';
import { modRule } from '../../rule.ts';

export const soundUnreadable = modRule({
  id: 'traits/sound-unreadable',
  severity: 'error',
  title: 'Sound file that cannot be read',
  why: 'A file that is cut short, or is not what its name says, stays silent in the game.',
  messages: {
    soundUnreadable: 'The sound {name} cannot be read. {problem}',
  },
  fails: {
    '/sounds/squelch': {
      sha256: '0'.repeat(63) + '7',
      bytes: 9,
      format: 'wav',
      problem: 'The WAV file has no samples.',
    },
  },
  passes: {
    '/sounds/squelch': recording,
  },
  check: (mod) =>
    Object.entries(mod.sounds).flatMap(([name, { problem }]) =>
      problem ? [{ at: ['sounds', name], says: 'soundUnreadable', parts: { name, problem } }] : [],
    ),
});
