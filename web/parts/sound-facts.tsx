import clsx from 'clsx';
import { useEffect, useState } from 'react';
import { lookUp, ownName } from '../../core/mod/index.ts';
import { useMod } from '../api/hooks.tsx';
import { addressOf, samplesAt } from '../api/sounds.ts';
import styles from './sound-facts.module.css';

/**
 * What a file holds: length, channels, rate, peak, and whether its top is cut off. Of Ogg the
 * browser tells the peak.
 */
export function SoundFacts({ id }: { id: string }) {
  const mod = useMod();
  const sound = lookUp(mod.sounds, ownName(mod.header.namespace, id) ?? '');
  const address = addressOf(mod, id);
  const [peak, setPeak] = useState<{
    address: string;
    peak: number;
    seconds: number;
    channels: number;
    rate: number;
  }>();
  useEffect(() => {
    if (!address || sound?.problem || sound?.peak !== undefined) return;
    samplesAt(address)
      .then((buffer) =>
        setPeak({
          address,
          seconds: buffer.duration,
          channels: buffer.numberOfChannels,
          rate: buffer.sampleRate,
          peak: Math.min(
            1,
            Array.from({ length: buffer.numberOfChannels }, (_, i) =>
              buffer.getChannelData(i).reduce((most, value) => Math.max(most, Math.abs(value)), 0),
            ).reduce((a, b) => Math.max(a, b), 0),
          ),
        }),
      )
      .catch(() => {});
  }, [address, sound]);
  if (sound?.problem)
    return (
      <p className="bad">
        {id}: {sound.problem}
      </p>
    );
  const seen = peak && peak.address === address ? peak : undefined;
  const [seconds, channels, rate] = [
    sound?.seconds ?? seen?.seconds,
    sound?.channels ?? seen?.channels,
    sound?.rate ?? seen?.rate,
  ];
  const loud = sound?.peak ?? seen?.peak;
  if (seconds === undefined) return null;
  return (
    <p className={clsx('note', styles['facts-of-sound'])}>
      {seconds.toFixed(2)} s ·{' '}
      {channels === 1 ? 'one channel' : channels === 2 ? 'two channels' : `${channels} channels`}
      {channels === 2 && ' (the game hears no direction)'} · {rate?.toLocaleString('en')} Hz
      {loud !== undefined && (
        <> · peak {loud > 0 ? `${(20 * Math.log10(loud)).toFixed(1)} dB` : 'none: silent'}</>
      )}
      {sound &&
        ` · ${sound.format === 'wav' ? 'WAV' : 'Ogg'}, ${(sound.bytes / 1024).toFixed(0)} KB`}
      {(sound?.clipped ?? (loud !== undefined && loud >= 1)) && (
        <b className="bad"> · clipped: its loudest part is cut off</b>
      )}
    </p>
  );
}
