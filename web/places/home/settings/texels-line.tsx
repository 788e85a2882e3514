import { Button, Select } from '@mantine/core';
import { useState } from 'react';
import { diffDocuments } from '../../../../core/mod/index.ts';
import { scaledTo, scalingOf } from '../../../../core/take-over/index.ts';
import { count, listed } from '../../../../core/words/index.ts';
import { useModPart, useSession } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import type { LineProps } from './settings.tsx';
import styles from './settings.module.css';

const usual = [8, 16, 32, 64, 128];

/** How many texels a block is wide. What changes along with it is said first. */
export function TexelsLine({ header: { texels } }: LineProps) {
  const session = useSession();
  const [wanted, setWanted] = useState<number>();
  const sides = [...new Set([...usual, texels])].sort((a, b) => a - b);
  const put = (next: number) => {
    const { mod } = session.view;
    const scaled = scaledTo(mod, next);
    const after = { ...scaled, header: { ...scaled.header, texels: next } };
    session.edit(`Make a block ${next} texels wide`, diffDocuments(mod, after));
    setWanted(undefined);
  };
  return (
    <Field
      label="Texels a block"
      value={
        <Select
          w={90}
          aria-label="Texels a block"
          allowDeselect={false}
          data={sides.map(String)}
          value={String(wanted ?? texels)}
          onChange={(side) => setWanted(Number(side) === texels ? undefined : Number(side))}
        />
      }
      note={
        wanted === undefined
          ? 'The fineness of pictures and boxes: lengths in models are told in texels.'
          : undefined
      }
    >
      {wanted !== undefined && (
        <div className={styles['follows']} role="status">
          <span>
            <Follows texels={wanted} />
          </span>
          <Button onClick={() => put(wanted)}>Make it {wanted}</Button>
          <Button variant="default" onClick={() => setWanted(undefined)}>
            Leave it
          </Button>
        </div>
      )}
    </Field>
  );
}

/** What changes with the number of texels, and what does not. */
function Follows({ texels }: { texels: number }) {
  const { models, shapes, pictures, by } = useModPart((mod) => scalingOf(mod, texels));
  const scaled = [
    ...(models ? [count(models, 'model')] : []),
    ...(shapes ? [`the shapes of ${count(shapes, 'block')}`] : []),
  ];
  return (
    <>
      {scaled.length > 0 && `Lengths in ${listed(scaled)} become ${by} times what they are. `}
      {pictures > 0 &&
        `${count(pictures, 'picture')} stay as they are and are not ${texels} texels wide.`}
      {scaled.length === 0 && pictures === 0 && 'Nothing else changes.'}
    </>
  );
}
