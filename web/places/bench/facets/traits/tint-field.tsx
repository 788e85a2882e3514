import { ColorInput, Select } from '@mantine/core';
import type { ComponentProps } from 'react';
import { tints, type Traits } from '../../../../../core/mod/index.ts';
import { Field } from '../../../../parts/field.tsx';
import { isColour } from './trait-editor.ts';
import styles from './traits.module.css';

/** The tint that a colour of one's own begins with. */
const firstTint = '#9bb56b';

interface TintProps extends Pick<ComponentProps<typeof Field>, 'changed' | 'onReset' | 'note'> {
  tint: Traits['tint'];
  onTint: (tint: Traits['tint']) => void;
}

/** The colour source of a look: none, what the climate says, or one colour. */
export function TintField({ tint, onTint, ...field }: TintProps) {
  const isOwn = tint.startsWith('#');
  return (
    <Field
      label="Tint"
      {...field}
      value={
        <span className={styles['sentence']}>
          {isOwn && (
            <ColorInput
              aria-label="Colour of the tint"
              withEyeDropper={false}
              w={112}
              value={tint}
              onChangeEnd={(value) => isColour(value) && onTint(value)}
            />
          )}
          <Select
            aria-label="Tint"
            w={104}
            allowDeselect={false}
            data={[
              ...tints.map((value) => ({ value: value, label: value })),
              { value: 'fixed', label: 'a colour' },
            ]}
            value={isOwn ? 'fixed' : tint}
            onChange={(value) => value && onTint(value === 'fixed' ? firstTint : value)}
          />
        </span>
      }
    />
  );
}
