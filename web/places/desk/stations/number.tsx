import { NumberField } from '../../../parts/number-field.tsx';
import styles from './stations.module.css';

/** Three numbers, one an axis. */
export function Triple({
  label,
  values,
  least,
  onNumber,
}: {
  label: string;
  values: readonly (number | undefined)[];
  least?: number;
  onNumber: (axis: 0 | 1 | 2, value: number) => void;
}) {
  return (
    <span className={styles['triple']}>
      {([0, 1, 2] as const).map((axis) => (
        <NumberField
          key={axis}
          label={`${label}, ${'xyz'.charAt(axis)}`}
          value={values[axis]}
          least={least}
          onNumber={(value) => onNumber(axis, value)}
        />
      ))}
    </span>
  );
}
