import { useTyped } from './use-typed.ts';

interface NumberProps {
  label: string;
  /** Undefined where several things differ. */
  value: number | undefined;
  least?: number;
  most?: number;
  onNumber: (value: number) => void;
}

/** A number that takes effect with Enter or when one leaves it. Escape takes it back. */
export function NumberField({
  label,
  value,
  least = -Infinity,
  most = Infinity,
  onNumber,
}: NumberProps) {
  const shown = value === undefined ? '' : String(Math.round(value * 1000) / 1000);
  const [typed, setTyped] = useTyped(shown);
  const next = Number(typed.replace(',', '.').replace('−', '-'));
  const isWrong = typed !== shown && (!Number.isFinite(next) || next < least || next > most);
  const take = () => {
    if (typed === shown || typed.trim() === '' || isWrong) setTyped(shown);
    else onNumber(next);
  };
  return (
    <input
      className="pick mono"
      aria-label={label}
      aria-invalid={isWrong}
      title={isWrong ? whyWrong(least, most) : label}
      inputMode="decimal"
      placeholder="differ"
      value={typed}
      data-committed={typed === shown}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => {
        // What no number has is refused as it is typed.
        const text = event.currentTarget.value;
        if (/^[\d.,+\-−eE\s]*$/.test(text)) setTyped(text);
      }}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setTyped(shown);
      }}
    />
  );
}

function whyWrong(least: number, most: number): string {
  if (most < Infinity) return `A number from ${least} to ${most} is needed here.`;
  return least > -Infinity
    ? `A number of ${least} or more is needed here.`
    : 'A number is needed here.';
}
