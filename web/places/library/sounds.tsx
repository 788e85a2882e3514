import clsx from 'clsx';
import type { Finding } from '../../../core/inspect/index.ts';
import { heldUnder } from '../../../core/lists/index.ts';
import { useMemo, useState } from 'react';
import { pointer } from '../../../core/json/index.ts';
import { lookUp, idOf } from '../../../core/mod/index.ts';
import { count, messageOf } from '../../../core/words/index.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { play } from '../../api/sounds.ts';
import { RenameButton } from '../../parts/rename-field.tsx';
import { SoundFacts } from '../../parts/sound-facts.tsx';
import styles from './library.module.css';

/** Every sound of the mod: to be heard, what it is, which sets play it, what is wrong with it. */
export function SoundShelf({ filter }: { filter: string }) {
  const mod = useMod();
  const findings = useFindings() ?? [];
  const [problem, setProblem] = useState('');
  const uses = useMemo(() => {
    const found = new Map<string, Set<string>>();
    for (const [set, events] of Object.entries(mod.soundSets))
      for (const { sound } of Object.values(events).flat())
        found.set(sound, (found.get(sound) ?? new Set()).add(set));
    return found;
  }, [mod.soundSets]);
  const names = Object.keys(mod.sounds)
    .filter((name) => name.includes(filter.trim().toLowerCase()))
    .sort();
  return (
    <>
      <h2>
        Sounds <span className="soft plain">{Object.keys(mod.sounds).length}</span>
      </h2>
      <p className="note">The sound set of a block says which of them it plays for which event.</p>
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
      {names.length === 0 && (
        <p className="note">
          {Object.keys(mod.sounds).length
            ? `No sound matches “${filter}”.`
            : 'No sound yet. WAV and Ogg files dropped on this page become sounds of the mod.'}
        </p>
      )}
      <ul className={styles['sound-list']}>
        {names.map((name) => (
          <SoundLine
            key={name}
            name={name}
            used={[...(uses.get(idOf(mod.header.namespace, name)) ?? [])]}
            findings={findings}
            onProblem={setProblem}
          />
        ))}
      </ul>
      <SetShelf filter={filter} />
    </>
  );
}

interface LineProps {
  name: string;
  /** The sets that play it. */
  used: readonly string[];
  findings: readonly Finding[];
  onProblem: (problem: string) => void;
}

/** One sound: played, its facts, who plays it, what was found about it. */
function SoundLine({ name, used, findings, onProblem }: LineProps) {
  const mod = useMod();
  const session = useSession();
  const id = idOf(mod.header.namespace, name);
  const path = pointer(['sounds', name]);
  const listen = () =>
    void play(mod, { sound: id, volume: 1, pitch: 1 })
      .then(() => onProblem(''))
      .catch((error: unknown) => onProblem(messageOf(error)));
  const remove = () =>
    session.edit(`Remove the sound ${name}`, [{ path, before: lookUp(mod.sounds, name) }]);
  const sets = used.slice(0, 3).join(', ') + (used.length > 3 ? ' …' : '');
  return (
    <li aria-label={name}>
      <button type="button" onClick={listen}>
        Play
      </button>
      <b className="mono">{name}</b>
      <span>
        <SoundFacts id={id} />
      </span>
      <span className="note">
        {used.length ? `in ${count(used.length, 'set')}: ${sets}` : 'in no set'}
      </span>
      <RenameButton kind="sounds" name={name} id={id} />
      {used.length === 0 ? (
        <button type="button" className="tiny" onClick={remove}>
          Remove
        </button>
      ) : (
        <span />
      )}
      {findings
        .filter((finding) => finding.at === path || finding.at?.startsWith(`${path}/`))
        .map((finding) => (
          <span
            key={finding.rule}
            className={clsx('tag', finding.severity)}
            title={finding.message}
          >
            {finding.severity}
          </span>
        ))}
    </li>
  );
}

/** Every sound set: what it plays, and which blocks sound so. */
function SetShelf({ filter }: { filter: string }) {
  const mod = useMod();
  const session = useSession();
  const names = Object.keys(mod.soundSets)
    .filter((name) => name.includes(filter.trim().toLowerCase()))
    .sort();
  return (
    <>
      <h2>
        Sound sets <span className="soft plain">{Object.keys(mod.soundSets).length}</span>
      </h2>
      <ul className={styles['plain-list']} aria-label="Sound sets">
        {names.map((name) => {
          const id = idOf(mod.header.namespace, name);
          const used = Object.entries(mod.blocks)
            .filter(([, block]) => block.traits.soundSet === id)
            .map(([block]) => block);
          const plays = Object.entries(heldUnder(mod.soundSets, name))
            .map(([event, sounds]) => `${event} ${sounds.length}`)
            .join(', ');
          return (
            <li key={name} aria-label={name}>
              <b className="mono">{name}</b>
              <span className="note">{plays || 'plays nothing'}</span>
              <span className="note">
                {used.length ? (
                  used.join(', ')
                ) : (
                  <button
                    type="button"
                    className="tiny"
                    onClick={() =>
                      session.edit(`Remove the sound set ${name}`, [
                        { path: pointer(['soundSets', name]), before: lookUp(mod.soundSets, name) },
                      ])
                    }
                  >
                    No block sounds so: remove it
                  </button>
                )}
              </span>
              <RenameButton kind="soundSets" name={name} id={id} />
            </li>
          );
        })}
      </ul>
    </>
  );
}
