import { SegmentedControl } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { useModPart } from '../../../api/hooks.tsx';
import type { PackParts, PackView } from '../../../workers/pack-protocol.ts';
import { Beside } from './beside.tsx';
import { SomeBlocks } from './some-blocks.tsx';
import { useAsked } from './use-asked.ts';
import { WholePack } from './whole-pack.tsx';
import styles from './take-over.module.css';

/** What every way to take over is given: what there is, since when, and the choice among the ways. */
export interface WayProps {
  parts: PackParts;
  revision: string;
  ways: ReactNode;
}

/** Makes a mod out of the open pack, or takes blocks of it into the mod that is open. */
export function TakeOver({ pack, revision }: { pack: PackView; revision: string }) {
  const title = useModPart((mod) => mod.header.title);
  const [way, setWay] = useState<'own' | 'into' | 'beside'>('own');
  const { answer: parts, problem } = useAsked('parts', {}, revision);
  const ways = (
    <SegmentedControl
      fullWidth
      orientation="vertical"
      className={styles['ways']}
      aria-label="What is made of it"
      value={way}
      onChange={setWay}
      data={[
        { value: 'own', label: 'A mod of its own' },
        { value: 'into', label: `Blocks into ${title}` },
        { value: 'beside', label: `Beside ${title}` },
      ]}
    />
  );
  if (problem || !parts)
    return (
      <div className={styles['alone']} role="status">
        {problem ?? 'Reading…'}
      </div>
    );
  if (way === 'beside') return <Beside {...{ parts, revision, ways }} />;
  return way === 'own' ? (
    <WholePack {...{ pack, parts, revision, ways }} />
  ) : (
    <SomeBlocks {...{ parts, revision, ways }} />
  );
}
