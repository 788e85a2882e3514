import { itemAt } from '../../../../../core/lists/index.ts';
import { NumberInput } from '@mantine/core';
import { idOf, soundEvents, type SoundSet } from '../../../../../core/mod/index.ts';
import type { Played } from '../../../../../core/sounds/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import { SoundFacts } from '../../../../parts/sound-facts.tsx';
import { Choice } from '../../../../parts/choice/index.tsx';

type Entry = NonNullable<SoundSet['place']>[number];
type Range = [number, number];

/** The files of every event of a set, each with its ranges of loudness and pitch. */
export function SoundEntries({
  set,
  onSet,
  onPlay,
}: {
  set: SoundSet;
  onSet: (label: string, set: SoundSet) => void;
  onPlay: (played: Played) => void;
}) {
  const mod = useMod();
  const ids = Object.keys(mod.sounds)
    .sort()
    .map((name) => idOf(mod.header.namespace, name));
  const put = (event: keyof SoundSet, label: string, entries: Entry[]) => {
    const { [event]: _before, ...rest } = set;
    onSet(label, entries.length ? { ...rest, [event]: entries } : rest);
  };
  return (
    <>
      {ids.length === 0 && (
        <p className="note">
          The mod has no sounds yet. Import WAV or Ogg files; then choose for each event which of
          them it plays.
        </p>
      )}
      {soundEvents.map((event) => {
        const entries = set[event] ?? [];
        const change = (i: number, part: Partial<Entry>) =>
          put(
            event,
            `Change the sounds for ${event}`,
            entries.with(i, { ...itemAt(entries, i), ...part }),
          );
        return (
          <div key={event} className="event" role="group" aria-label={`Files for ${event}`}>
            <div className="kv">
              <b>{event}</b>
              {ids.length > 0 && (
                <button
                  type="button"
                  className="tiny"
                  onClick={() =>
                    put(event, `Add a sound for ${event}`, [
                      ...entries,
                      { sound: entries.at(-1)?.sound ?? itemAt(ids, 0) },
                    ])
                  }
                >
                  Add a file
                </button>
              )}
            </div>
            {entries.map((entry, i) => (
              <div key={i} className="entry">
                <Choice
                  aria-label={`File ${i + 1} for ${event}`}
                  data={ids.includes(entry.sound) ? ids : [entry.sound, ...ids]}
                  error={!ids.includes(entry.sound)}
                  value={entry.sound}
                  onTake={(sound) => change(i, { sound })}
                />
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Play file ${i + 1} for ${event}`}
                  onClick={() =>
                    onPlay({ sound: entry.sound, volume: entry.volume?.[1] ?? 1, pitch: 1 })
                  }
                >
                  Play
                </button>
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Remove file ${i + 1} for ${event}`}
                  onClick={() =>
                    put(
                      event,
                      `Remove a sound for ${event}`,
                      entries.filter((_, other) => other !== i),
                    )
                  }
                >
                  ×
                </button>
                <span className="ranges">
                  <Ends
                    label={`Loudness of file ${i + 1} for ${event}`}
                    short="loudness"
                    value={entry.volume ?? [1, 1]}
                    most={4}
                    onValue={(volume) => change(i, { volume })}
                  />
                  <Ends
                    label={`Pitch of file ${i + 1} for ${event}`}
                    short="pitch"
                    value={entry.pitch ?? [1, 1]}
                    most={4}
                    onValue={(pitch) => change(i, { pitch })}
                  />
                </span>
                <SoundFacts id={entry.sound} />
              </div>
            ))}
          </div>
        );
      })}
    </>
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
    <span className="ends">
      {short} {number(low, 'least', (next) => [next, Math.max(next, high)])} to{' '}
      {number(high, 'most', (next) => [Math.min(low, next), next])}
    </span>
  );
}
