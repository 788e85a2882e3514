import { Button, Select } from '@mantine/core';
import { useState } from 'react';
import { directions, directionStep, type Direction } from '../../../core/space/index.ts';
import type { YardClient } from '../../api/yard.ts';
import type { YardNow } from '../../workers/yard-protocol.ts';
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
  now,
  tool,
}: {
  client: YardClient;
  now: YardNow | undefined;
  tool: string;
}) {
  const [side, setSide] = useState<Direction>('up');
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
      {now.told.map((one, i) => one.told === 'note' && <p key={i}>{one.text}</p>)}
      <h3>Look</h3>
      <p className={styles['buttons']}>
        {headingWords.map((word, i) => (
          <Button
            key={word}
            size="compact-xs"
            variant="default"
            onClick={() => act({ do: 'look', yaw: i * 4500, pitch: -2500 })}
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

const stateOf = ({ block }: NonNullable<YardNow['here']>): string =>
  block?.properties.length
    ? ` (${block.properties.map(({ name, value }) => `${name} ${value}`).join(', ')})`
    : '';
