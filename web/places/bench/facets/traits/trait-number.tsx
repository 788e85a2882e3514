import { NumberInput } from '@mantine/core';
import { traitFacts, type NumberTrait } from '../../../../../core/mod/index.ts';
import type { TraitEditor } from './trait-editor.ts';
import styles from './traits.module.css';

/** A number of a trait in a field, with its unit. */
export function TraitNumber({
  editor: { traits, put },
  name,
  step = 0.05,
}: {
  editor: TraitEditor;
  name: NumberTrait;
  step?: number;
}) {
  const { words, unit } = traitFacts(name);
  return (
    <NumberInput
      aria-label={words}
      w={110}
      hideControls
      step={step}
      value={traits[name]}
      onChange={(value) => typeof value === 'number' && put(name, value)}
      rightSection={unit && <span className={styles['unit']}>{unit}</span>}
      rightSectionWidth={unit && unit.length * 6 + 12}
    />
  );
}
