import { Button, FileButton } from '@mantine/core';
import { memo, useState } from 'react';
import {
  lookUp,
  idOf,
  ownName,
  soundEvents,
  stockSoundSets,
  type SoundSet,
} from '../../../../../core/mod/index.ts';
import { playedFor, type Played } from '../../../../../core/sounds/index.ts';
import { count, messageOf } from '../../../../../core/words/index.ts';
import { useModPart, useSession } from '../../../../api/hooks.tsx';
import { play, soundNameOf, stockSet, uploadSound } from '../../../../api/sounds.ts';
import { Field } from '../../../../parts/field.tsx';
import { SoundFacts } from '../../../../parts/sound-facts.tsx';
import { SoundEntries } from './sound-entries.tsx';
import { useTraitEditor, type TraitPlace } from './trait-editor.ts';
import { Choice } from '../../../../parts/choice/index.tsx';
import styles from './sound.module.css';

/**
 * The sound set: which one, every event to be heard as the game plays it, and for a set of the mod
 * its files.
 */
export const Sounds = memo(function Sounds(place: TraitPlace) {
  const { traits, put, own } = useTraitEditor(place, 'soundSet');
  const { soundSet } = traits;
  const sets = useModPart(({ header, soundSets }) => [
    ...Object.keys(soundSets).map((name) => idOf(header.namespace, name)),
    ...stockSoundSets,
  ]);
  return (
    <Field
      label="Sound set"
      {...own('soundSet')}
      value={
        <Choice
          aria-label="Sound set"
          w={168}
          data={sets.includes(soundSet) ? sets : [soundSet, ...sets]}
          error={!sets.includes(soundSet)}
          value={soundSet}
          onTake={(value) => put('soundSet', value)}
          classNames={{ input: 'mono' }}
        />
      }
    >
      <OneSet id={soundSet} onUse={(id) => put('soundSet', id)} />
    </Field>
  );
});

/** A sound set of the mod or of the stock; undefined when there is none of that id. */
interface KnownSet {
  set: SoundSet;
  /** The name of a set of the mod. */
  own: string | undefined;
}

function useSoundSet(id: string): KnownSet | undefined {
  const own = useModPart(({ header, soundSets }) => {
    const name = ownName(header.namespace, id);
    const set = name === undefined ? undefined : lookUp(soundSets, name);
    return set && name !== undefined ? { set, own: name } : undefined;
  });
  return own ?? (stockSoundSets.includes(id) ? { set: stockSet(id), own: undefined } : undefined);
}

/** How many blocks make the sounds of a set. */
const useUsers = (id: string): number =>
  useModPart(
    ({ blocks }) => Object.values(blocks).filter(({ traits }) => traits.soundSet === id).length,
  );

function OneSet({ id, onUse }: { id: string; onUse: (id: string) => void }) {
  const known = useSoundSet(id);
  const [editing, setEditing] = useState(false);
  const users = useUsers(id);
  if (!known)
    return <p className="bad">There is no sound set called {id}: the block would be silent.</p>;
  const sharing = users > 1 ? `, for ${count(users, 'block')}` : '';
  return (
    <>
      <Events id={id} known={known} />
      {known.own === undefined ? (
        <MakeOwn
          id={id}
          onMade={(made) => {
            onUse(made);
            setEditing(true);
          }}
        />
      ) : (
        <button
          type="button"
          className="tiny"
          aria-expanded={editing}
          onClick={() => setEditing(!editing)}
        >
          {editing ? 'Close the set' : `Change the set${sharing}`}
        </button>
      )}
      {known.own !== undefined && editing && <SetEditor name={known.own} set={known.set} />}
    </>
  );
}

/** Begins a set of the mod, in which every event is silent until it gets a file. */
function MakeOwn({ id, onMade }: { id: string; onMade: (id: string) => void }) {
  const session = useSession();
  const make = () => {
    const { header, soundSets } = session.view.mod;
    let name = id.slice(id.indexOf(':') + 1);
    while (lookUp(soundSets, name)) name += '_2';
    session.set('Make a sound set of its own', ['soundSets', name], {});
    onMade(idOf(header.namespace, name));
  };
  return (
    <button type="button" className="tiny" onClick={make}>
      Make a sound set of its own
    </button>
  );
}

/** Plays what the game would, and says why it cannot. */
function usePlaying(): { hear: (played: Played) => void; problem: string } {
  const session = useSession();
  const [problem, setProblem] = useState('');
  const hear = (played: Played) => {
    setProblem('');
    play(session.view.mod, played).catch((error: unknown) => setProblem(messageOf(error)));
  };
  return { hear, problem };
}

const Trouble = ({ problem }: { problem: string }) =>
  problem ? (
    <p className="bad" role="alert">
      {problem}
    </p>
  ) : null;

/** Every event of a set, to be heard, and what was heard last. */
function Events({ id, known: { set, own } }: { id: string; known: KnownSet }) {
  const { hear, problem } = usePlaying();
  const [heard, setHeard] = useState<Played>();
  const press = (event: keyof SoundSet) => {
    const played = playedFor(set, event, Math.random);
    if (!played) return;
    setHeard(played);
    hear(played);
  };
  return (
    <>
      <div className={styles['events']} role="group" aria-label={`Sounds of ${id}`}>
        {soundEvents.map((event) => {
          const files = set[event]?.length ?? 0;
          const what = files ? (own === undefined ? 'stock' : count(files, 'file')) : 'silent';
          return (
            <button
              key={event}
              type="button"
              onClick={() => press(event)}
              disabled={!files}
              aria-label={files ? `Play ${event} ${what}` : `${event} silent`}
            >
              <b>{event}</b> <span>{what}</span>
            </button>
          );
        })}
      </div>
      <p className="note" aria-live="polite">
        {heard ? (
          <>
            Played <span className="mono">{heard.sound}</span> at {Math.round(heard.volume * 100)}%
            of its loudness, ×{heard.pitch.toFixed(2)} as fast.
          </>
        ) : (
          'Each press plays what the game would: one of the files, with a loudness and a pitch ' +
          'from their ranges.'
        )}
      </p>
      {heard && <SoundFacts id={heard.sound} />}
      <Trouble problem={problem} />
    </>
  );
}

/** The files of a set of the mod, and how more of them come in. */
function SetEditor({ name, set }: { name: string; set: SoundSet }) {
  const session = useSession();
  const { hear, problem } = usePlaying();
  const [refused, setRefused] = useState('');
  const takeIn = async (files: readonly File[]) => {
    setRefused('');
    for (const file of files)
      await uploadSound(session, `${name}/${soundNameOf(file.name)}`, file).catch(
        (error: unknown) => setRefused(`${file.name}: ${messageOf(error)}`),
      );
  };
  return (
    <div className={styles['set-editor']}>
      <SoundEntries
        set={set}
        onSet={(label, next) => session.set(label, ['soundSets', name], next)}
        onPlay={hear}
      />
      <FileButton
        multiple
        accept="audio/wav,audio/x-wav,audio/ogg,.wav,.ogg"
        onChange={(files) => void takeIn(files)}
      >
        {(props) => (
          <Button {...props} variant="default">
            Import WAV or Ogg
          </Button>
        )}
      </FileButton>
      <Trouble problem={refused || problem} />
    </div>
  );
}
