import { Button, FileButton } from '@mantine/core';
import { memo, useState } from 'react';
import { pointer } from '../../../../../core/json/index.ts';
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
import { useMod, useSession } from '../../../../api/hooks.tsx';
import { play, soundNameOf, stockSet, uploadSound } from '../../../../api/sounds.ts';
import { Field } from '../../../../parts/field.tsx';
import { SoundFacts } from '../../../../parts/sound-facts.tsx';
import { SoundEntries } from './sound-entries.tsx';
import { useTraitEditor, type TraitPlace } from './trait-editor.ts';
import { Choice } from '../../../../parts/choice/index.tsx';

/**
 * The sound set: which one, every event to be heard as the game plays it, and for a set of the mod
 * its files.
 */
export const Sounds = memo(function Sounds(place: TraitPlace) {
  const editor = useTraitEditor(place, 'soundSet');
  const { traits, put, own } = editor;
  const { header, soundSets, blocks } = useMod();
  const sets = [
    ...Object.keys(soundSets).map((name) => idOf(header.namespace, name)),
    ...stockSoundSets,
  ];
  return (
    <Field
      label="Sound set"
      {...own('soundSet')}
      value={
        <Choice
          aria-label="Sound set"
          w={168}
          data={sets.includes(traits.soundSet) ? sets : [traits.soundSet, ...sets]}
          error={!sets.includes(traits.soundSet)}
          value={traits.soundSet}
          onTake={(value) => put('soundSet', value)}
          classNames={{ input: 'mono' }}
        />
      }
    >
      <OneSet
        id={traits.soundSet}
        users={
          Object.values(blocks).filter((block) => block.traits.soundSet === traits.soundSet).length
        }
        onUse={(id) => put('soundSet', id)}
      />
    </Field>
  );
});

function OneSet({ id, users, onUse }: { id: string; users: number; onUse: (id: string) => void }) {
  const mod = useMod();
  const session = useSession();
  const [problem, setProblem] = useState('');
  const [heard, setHeard] = useState<{ event: string; played: Played }>();
  const [editing, setEditing] = useState(false);
  const name = ownName(mod.header.namespace, id);
  const own = name !== undefined ? lookUp(mod.soundSets, name) : undefined;
  const set = own ?? (stockSoundSets.includes(id) ? stockSet(id) : undefined);
  if (!set)
    return <p className="bad">There is no sound set called {id}: the block would be silent.</p>;
  const hear = (event: keyof SoundSet) => {
    const played = playedFor(set, event, Math.random);
    if (!played) return;
    setHeard({ event, played });
    setProblem('');
    play(mod, played).catch((error: unknown) => setProblem(messageOf(error)));
  };
  const write = (label: string, next: SoundSet) => session.set(label, ['soundSets', name!], next);
  const takeIn = async (files: readonly File[]) => {
    setProblem('');
    for (const file of files)
      await uploadSound(session, `${name}/${soundNameOf(file.name)}`, file).catch(
        (error: unknown) => setProblem(`${file.name}: ${messageOf(error)}`),
      );
  };
  const fresh = () => {
    let free = name !== undefined && own ? `${name}_2` : id.slice(id.indexOf(':') + 1);
    while (lookUp(mod.soundSets, free)) free += '_2';
    session.edit('Make a sound set of its own', [
      { path: pointer(['soundSets', free]), after: own ?? {} },
    ]);
    onUse(idOf(mod.header.namespace, free));
    setEditing(true);
  };
  return (
    <>
      <div className="events" role="group" aria-label={`Sounds of ${id}`}>
        {soundEvents.map((event) => {
          const files = set[event]?.length ?? 0;
          return (
            <button
              key={event}
              type="button"
              onClick={() => hear(event)}
              disabled={!files}
              aria-label={files ? `Play ${event}` : `${event} is silent`}
            >
              <b>{event}</b>
              <span>{files ? (own ? count(files, 'file') : 'stock') : 'silent'}</span>
            </button>
          );
        })}
      </div>
      <p className="note" aria-live="polite">
        {heard ? (
          <>
            Played <span className="mono">{heard.played.sound}</span> at{' '}
            {Math.round(heard.played.volume * 100)}% of its loudness, ×
            {heard.played.pitch.toFixed(2)} as fast.
          </>
        ) : (
          'Each press plays what the game would: one of the files, with a loudness and a pitch ' +
          'from their ranges.'
        )}
      </p>
      {heard && <SoundFacts id={heard.played.sound} />}
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
      {own ? (
        <button
          type="button"
          className="tiny"
          aria-expanded={editing}
          onClick={() => setEditing(!editing)}
        >
          {editing
            ? 'Close the set'
            : `Change the set${users > 1 ? `, for ${count(users, 'block')}` : ''}`}
        </button>
      ) : (
        <button type="button" className="tiny" onClick={fresh}>
          Make a sound set of its own
        </button>
      )}
      {own && editing && (
        <div className="set-editor">
          <SoundEntries
            set={own}
            onSet={write}
            onPlay={(played) =>
              void play(mod, played).catch((error: unknown) => setProblem(messageOf(error)))
            }
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
        </div>
      )}
    </>
  );
}
