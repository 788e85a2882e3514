import { useTyped } from '../../../parts/use-typed.ts';
import styles from './stations.module.css';

interface NumberProps {
  label: string;
  /** Undefined where several things differ. */
  value: number | undefined;
  least?: number;
  onNumber: (value: number) => void;
}

/** A number in texels or degrees that takes effect with Enter or when one leaves it. */
export function NumberField({ label, value, least = -Infinity, onNumber }: NumberProps) {
  const shown = value === undefined ? '' : String(Math.round(value * 1000) / 1000);
  const [typed, setTyped] = useTyped(shown);
  const next = Number(typed.replace(',', '.').replace('−', '-'));
  const isWrong = typed !== shown && (!Number.isFinite(next) || next < least);
  const take = () => {
    if (typed === shown || typed.trim() === '' || isWrong) setTyped(shown);
    else onNumber(next);
  };
  return (
    <input
      className="pick mono"
      aria-label={label}
      aria-invalid={isWrong}
      title={isWrong ? 'A number is needed here.' : label}
      inputMode="decimal"
      placeholder="differ"
      value={typed}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setTyped(shown);
      }}
    />
  );
}

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
