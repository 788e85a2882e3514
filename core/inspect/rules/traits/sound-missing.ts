import { itemAt } from '../../../lists/index.ts';
import { idOf, soundEvents, type SoundSet } from '../../../mod/index.ts';
import { closest, didYouMean, listed } from '../../../words/index.ts';
import { pointer } from '../../../json/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const soundMissing = modRule({
  id: 'traits/sound-missing',
  severity: 'error',
  title: 'Sound of a set missing',
  why: 'The set asks for a sound that the mod does not have: for that event the block is silent.',
  messages: {
    soundMissing:
      'The sound set {set} plays {sound} for {event}, which the mod does not have.{hint}',
    missingOften:
      'The sound set {set} plays {sound} for {events}, which the mod does not have.{hint}',
  },
  fails: { '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch' }] } },
  passes: {
    '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch' }] },
    '/sounds/squelch': { sha256: '0'.repeat(63) + '7', bytes: 90, format: 'wav' },
  },
  check(mod) {
    const ids = Object.keys(mod.sounds).map((name) => idOf(mod.header.namespace, name));
    return Object.entries(mod.soundSets).flatMap(([set, events]) => {
      // A sound that is not there is one mistake of the set, however often it is played.
      const missing = new Map<string, { event: string; at: (string | number)[] }[]>();
      for (const event of soundEvents)
        (events[event] ?? []).forEach(({ sound }, i) => {
          if (ids.includes(sound)) return;
          const at = ['soundSets', set, event, i, 'sound'];
          missing.set(sound, [...(missing.get(sound) ?? []), { event, at }]);
        });
      return [...missing].map(([sound, places]): ModReport => {
        const near = closest(sound, ids);
        const names = [...new Set(places.map(({ event }) => event))];
        const parts = { set, sound, hint: didYouMean(near) };
        return {
          at: itemAt(places, 0).at,
          cause: `The sound ${sound} does not exist.`,
          ...(names.length === 1
            ? { says: 'soundMissing', parts: { ...parts, event: itemAt(names, 0) } }
            : { says: 'missingOften', parts: { ...parts, events: listed(names) } }),
          fix: {
            title: near ? `Play ${near}` : 'Take it out of the set',
            changes: [
              {
                path: pointer(['soundSets', set]),
                before: events,
                after: withSound(events, sound, near),
              },
            ],
          },
        };
      });
    });
  },
});

/** A set that plays another sound where it played one, or none; events without a sound are gone. */
const withSound = (events: SoundSet, sound: string, other: string | undefined): SoundSet =>
  Object.fromEntries(
    Object.entries(events).flatMap(([event, sounds]) => {
      const left = sounds.flatMap((entry) =>
        entry.sound !== sound ? [entry] : other === undefined ? [] : [{ ...entry, sound: other }],
      );
      return left.length ? [[event, left]] : [];
    }),
  );
