import { NumberInput } from '@mantine/core';
import { idOf, soundEvents, type SoundSet } from '../../../../../core/mod/index.ts';
import type { Played } from '../../../../../core/sounds/index.ts';
import { useModPart } from '../../../../api/hooks.tsx';
import { SoundFacts } from '../../../../parts/sound-facts.tsx';
import { Choice } from '../../../../parts/choice/index.tsx';
import styles from './sound.module.css';

type Entry = NonNullable<SoundSet['place']>[number];
type Range = [number, number];

interface EntriesProps {
  set: SoundSet;
  onSet: (label: string, set: SoundSet) => void;
  onPlay: (played: Played) => void;
}

/** The files of every event of a set, each with its ranges of loudness and pitch. */
export function SoundEntries(props: EntriesProps) {
  const ids = useModPart(({ sounds, header }) =>
    Object.keys(sounds)
      .sort()
      .map((name) => idOf(header.namespace, name)),
  );
  return (
    <>
      {ids.length === 0 && (
        <p className="note">
          The mod has no sounds yet. Import WAV or Ogg files; then choose for each event which of
          them it plays.
        </p>
      )}
      {soundEvents.map((event) => (
        <Event key={event} {...props} event={event} ids={ids} />
      ))}
    </>
  );
}

interface EventProps extends EntriesProps {
  event: keyof SoundSet;
  /** The sounds of the mod. */
  ids: readonly string[];
}

/** The files of one event. */
function Event({ set, onSet, onPlay, event, ids }: EventProps) {
  const entries = set[event] ?? [];
  const put = (label: string, next: Entry[]) => {
    const { [event]: _before, ...rest } = set;
    onSet(label, next.length ? { ...rest, [event]: next } : rest);
  };
  const first = entries.at(-1)?.sound ?? ids[0];
  return (
    <div className={styles['event']} role="group" aria-label={`Files for ${event}`}>
      <div className={styles['kv']}>
        <b>{event}</b>
        {ids.length > 0 && first !== undefined && (
          <button
            type="button"
            className="tiny"
            onClick={() => put(`Add a sound for ${event}`, [...entries, { sound: first }])}
          >
            Add a file
          </button>
        )}
      </div>
      {entries.map((entry, i) => (
        <EntryLine
          key={i}
          words={`file ${i + 1} for ${event}`}
          entry={entry}
          ids={ids}
          onPlay={onPlay}
          onChange={(part) =>
            put(`Change the sounds for ${event}`, entries.with(i, { ...entry, ...part }))
          }
          onRemove={() => put(`Remove a sound for ${event}`, entries.toSpliced(i, 1))}
        />
      ))}
    </div>
  );
}

interface LineProps {
  /** Which file of which event it is. */
  words: string;
  entry: Entry;
  ids: readonly string[];
  onPlay: (played: Played) => void;
  onChange: (part: Partial<Entry>) => void;
  onRemove: () => void;
}

function EntryLine({ words, entry, ids, onPlay, onChange, onRemove }: LineProps) {
  const { sound, volume = [1, 1], pitch = [1, 1] } = entry;
  const isKnown = ids.includes(sound);
  return (
    <div className={styles['entry']}>
      <Choice
        aria-label={words[0]!.toUpperCase() + words.slice(1)}
        data={isKnown ? [...ids] : [sound, ...ids]}
        error={!isKnown}
        value={sound}
        onTake={(next) => onChange({ sound: next })}
      />
      <button
        type="button"
        className="tiny"
        aria-label={`Play ${words}`}
        onClick={() => onPlay({ sound, volume: volume[1], pitch: 1 })}
      >
        Play
      </button>
      <button type="button" className="tiny" aria-label={`Remove ${words}`} onClick={onRemove}>
        ×
      </button>
      <span className={styles['ranges']}>
        <Ends
          label={`Loudness of ${words}`}
          short="loudness"
          value={volume}
          most={4}
          onValue={(next) => onChange({ volume: next })}
        />
        <Ends
          label={`Pitch of ${words}`}
          short="pitch"
          value={pitch}
          most={4}
          onValue={(next) => onChange({ pitch: next })}
        />
      </span>
      <SoundFacts id={sound} />
    </div>
  );
}

/** The least and the most of a range. */
function Ends({
  label,
  short,
  value: [low, high],
  most,
  onValue,
}: {
  label: string;
  short: string;
  value: Range;
  most: number;
  onValue: (value: Range) => void;
}) {
  const number = (value: number, which: string, put: (next: number) => Range) => (
    <NumberInput
      aria-label={`${label}, ${which}`}
      w={50}
      hideControls
      min={0}
      max={most}
      step={0.05}
      decimalScale={2}
      value={value}
      onChange={(next) => typeof next === 'number' && onValue(put(next))}
    />
  );
  return (
    <span className={styles['ends']}>
      {short} {number(low, 'least', (next) => [next, Math.max(next, high)])} to{' '}
      {number(high, 'most', (next) => [Math.min(low, next), next])}
    </span>
  );
}
