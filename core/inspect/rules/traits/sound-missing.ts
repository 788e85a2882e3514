import { idOf, soundEvents } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { pointer } from '../../../json/index.ts';
import { modRule } from '../../rule.ts';

export const soundMissing = modRule({
  id: 'traits/sound-missing',
  severity: 'error',
  title: 'Sound of a set missing',
  why: 'The set asks for a sound that the mod does not have: for that event the block is silent.',
  messages: {
    soundMissing:
      'The sound set {set} plays {sound} for {event}, which the mod does not have.{hint}',
  },
  fails: { '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch' }] } },
  passes: {
    '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch' }] },
    '/sounds/squelch': { sha256: '0'.repeat(63) + '7', bytes: 90, format: 'wav' },
  },
  check(mod) {
    const ids = Object.keys(mod.sounds).map((name) => idOf(mod.header.namespace, name));
    return Object.entries(mod.soundSets).flatMap(([set, events]) =>
      soundEvents.flatMap((event) =>
        (events[event] ?? []).flatMap((entry, i) => {
          if (ids.includes(entry.sound)) return [];
          const near = closest(entry.sound, ids);
          const rest = events[event]!.filter((_, other) => other !== i);
          const { [event]: _gone, ...others } = events;
          const after = near
            ? { ...events, [event]: events[event]!.with(i, { ...entry, sound: near }) }
            : rest.length
              ? { ...events, [event]: rest }
              : others;
          return [
            {
              at: ['soundSets', set, event, i, 'sound'],
              says: 'soundMissing',
              parts: { set, sound: entry.sound, event, hint: didYouMean(near) },
              fix: {
                title: near ? `Play ${near}` : 'Take it out of the set',
                changes: [{ path: pointer(['soundSets', set]), before: events, after }],
              },
            },
          ];
        }),
      ),
    );
  },
});
