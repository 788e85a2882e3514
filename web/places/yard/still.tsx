import { Button, Select } from '@mantine/core';
import { useEffect, useState } from 'react';
import { directions, directionStep, type Direction } from '../../../core/space/index.ts';
import type { YardClient } from '../../api/yard.ts';
import type { YardNow } from '../../workers/yard-protocol.ts';
import { toldInWords } from './told-in-words.ts';
import { usePart } from './use-part.ts';
import styles from './yard.module.css';

const headingWords = [
  'north',
  'north-east',
  'east',
  'south-east',
  'south',
  'south-west',
  'west',
  'north-west',
];

/** The Yard as a still picture, told in words, and worked by buttons. */
export function Still({
  client,
  tool,
  onLook,
}: {
  client: YardClient;
  tool: string;
  /** In degrees; what is not given stays. */
  onLook: (yaw: number | undefined, pitch: number | undefined) => void;
}) {
  const [side, setSide] = useState<Direction>('up');
  const came = useCame(client);
  const now = usePart(client, (view) => view.now);
  if (!now) return <aside className={styles['panel']} aria-label="In words" />;
  const { here, player } = now;
  const [x, y, z] = player.at.map(Math.floor);
  const act = (deed: Parameters<YardClient['do']>[0]) => client.do(deed);
  return (
    <aside className={styles['panel']} aria-label="In words">
      <h2>In words</h2>
      <p aria-live="polite">
        You stand at {x}, {y}, {z}, the hand holds {tool}.{' '}
        {here
          ? `Before you is ${here.title}${stateOf(here)}, at ${here.place.join(', ')}; you see its side to ${here.side}.`
          : 'Nothing is within reach.'}
      </p>
      <p role="status">{came}</p>
      <h3>Look</h3>
      <p className={styles['buttons']}>
        {pitches.map(([word, pitch]) => (
          <Button
            key={word}
            size="compact-xs"
            variant="default"
            onClick={() => onLook(undefined, pitch)}
          >
            {word}
          </Button>
        ))}
      </p>
      <p className={styles['buttons']}>
        {headingWords.map((word, i) => (
          <Button
            key={word}
            size="compact-xs"
            variant="default"
            onClick={() => onLook(i * 45, undefined)}
          >
            {word}
          </Button>
        ))}
      </p>
      {here && (
        <>
          <h3>Do</h3>
          <p className={styles['buttons']}>
            <Button
              size="compact-sm"
              color="tide"
              onClick={() => act({ do: 'place at', place: here.place, side })}
            >
              Place on its side to
            </Button>
            <Select
              size="xs"
              aria-label="Side"
              allowDeselect={false}
              value={side}
              data={[...directions]}
              onChange={(one) => one && setSide(one)}
            />
            <Button
              size="compact-sm"
              variant="default"
              onClick={() => act({ do: 'dig at', place: here.place })}
            >
              Dig it
            </Button>
            <Button
              size="compact-sm"
              variant="default"
              onClick={() => act({ do: 'use at', place: here.place })}
            >
              Use it
            </Button>
          </p>
          <p className="note">
            On that side it would come to{' '}
            {here.place.map((part, axis) => part + directionStep(side)[axis]!).join(', ')}.
          </p>
        </>
      )}
    </aside>
  );
}

const pitches = [
  ['upward', 35],
  ['level', 0],
  ['downward', -25],
  ['at the feet', -60],
] as const;
/** What came of the last thing that was done, in words. */
function useCame(client: YardClient): string {
  const [came, setCame] = useState('');
  useEffect(() => {
    return client.onTick(({ told }) => {
      const words = told.flatMap(toldInWords);
      if (words.length) setCame(words.join(' '));
    });
  }, [client]);
  return came;
}

const stateOf = ({ block }: NonNullable<YardNow['here']>): string =>
  block?.properties.length
    ? ` (${block.properties.map(({ name, value }) => `${name} ${value}`).join(', ')})`
    : '';
