import { soundEvents } from '../../../mod/index.ts';
import { recording } from '../../examples.ts';
import { modRule } from '../../rule.ts';

/** How loud and how high a sound is played at most, 1 being as it was recorded. */
const ends = { volume: [0, 4], pitch: [0.1, 8] } as const;

export const soundRange = modRule({
  id: 'traits/sound-range',
  severity: 'warning',
  title: 'Volume or pitch that makes no sense',
  why:
    'A volume and a pitch of 1 are as recorded. Each time one between the two ends is chosen, so ' +
    'the first is the lower one.',
  messages: {
    outside:
      'The sound set {set} plays {sound} for {event} with a {what} of {low} to {high}; it goes ' +
      'from {least} to {most}.',
    upsideDown:
      'The sound set {set} plays {sound} for {event} with a {what} of {low} to {high}: the ends ' +
      'have changed places.',
  },
  fails: {
    '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch', volume: [1, 0.5] }] },
    '/sounds/squelch': recording,
  },
  passes: {
    '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch', volume: [0.5, 1] }] },
    '/sounds/squelch': recording,
  },
  check: (mod) =>
    Object.entries(mod.soundSets).flatMap(([set, events]) =>
      soundEvents.flatMap((event) =>
        (events[event] ?? []).flatMap((entry, i) =>
          (['volume', 'pitch'] as const).flatMap((what) => {
            const [low, high] = entry[what] ?? [1, 1];
            const [least, most] = ends[what];
            const parts = { set, sound: entry.sound, event, what, low, high };
            const at = ['soundSets', set, event, i, what];
            if (low < least || high < least || low > most || high > most)
              return [{ at, says: 'outside', parts: { ...parts, least, most } }];
            return low > high ? [{ at, says: 'upsideDown', parts }] : [];
          }),
        ),
      ),
    ),
});
