import { idOf } from '../../../mod/index.ts';
import { recording } from '../../examples.ts';
import { modRule } from '../../rule.ts';

export const soundUnused = modRule({
  id: 'traits/sound-unused',
  severity: 'hint',
  title: 'Sound that no set plays',
  why: 'It is packed for nothing. Or a set that should play it does not.',
  messages: { unused: 'No sound set plays the sound {id}.' },
  fails: { '/sounds/squelch': recording },
  passes: {
    '/sounds/squelch': recording,
    '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch' }] },
  },
  restsOn: ['soundSets'],
  check(mod) {
    const played = new Set(
      Object.values(mod.soundSets).flatMap((events) =>
        Object.values(events).flatMap((sounds) => sounds.map(({ sound }) => sound)),
      ),
    );
    return Object.keys(mod.sounds)
      .filter((name) => !played.has(idOf(mod.header.namespace, name)))
      .map((name) => ({
        at: ['sounds', name],
        says: 'unused',
        parts: { id: idOf(mod.header.namespace, name) },
      }));
  },
});
