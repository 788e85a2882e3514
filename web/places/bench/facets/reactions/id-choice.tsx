import { useMemo } from 'react';
import { titleOf, lookUp, splitId } from '../../../../../core/mod/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import { Choice } from '../../../../parts/choice/index.tsx';

interface IdChoiceProps {
  label: string;
  value: string;
  ids: readonly string[];
  /** What else can be chosen, as it is: nothing, tags. */
  also?: readonly { value: string; label: string }[];
  width?: number;
  onTake: (id: string) => void;
}

/** One of some ids, by what players call it. */
export function IdChoice({ label, value, ids, also = [], width = 150, onTake }: IdChoiceProps) {
  const mod = useMod();
  const options = useMemo(
    () => [
      ...also,
      ...ids.map((id) => {
        const { name } = splitId(id);
        const named =
          lookUp(mod.blocks, name) ?? lookUp(mod.fluids, name) ?? lookUp(mod.items, name);
        return { value: id, label: named ? titleOf(mod, name, named.names) : name };
      }),
    ],
    [also, ids, mod],
  );
  const isKnown = options.some((option) => option.value === value);
  return (
    <Choice
      w={width}
      aria-label={label}
      data={isKnown ? options : [{ value, label: value }, ...options]}
      error={!isKnown}
      value={value}
      onTake={onTake}
    />
  );
}
