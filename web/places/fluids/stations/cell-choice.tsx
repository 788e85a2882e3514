import { useMemo } from 'react';
import { idOf, titleOf } from '../../../../core/mod/index.ts';
import { useModPart } from '../../../api/hooks.tsx';
import { Choice } from '../../../parts/choice/index.tsx';

interface CellChoiceProps {
  label: string;
  value: string | undefined;
  /** Whether other fluids can be chosen as well as blocks. */
  fluids?: boolean;
  /** What it is called when nothing is chosen; without, something always is. */
  nothing?: string;
  width?: number;
  onTake: (id: string | undefined) => void;
}

/** A block or a fluid of the mod, by what players call it. */
export function CellChoice({ label, value, fluids, nothing, width, onTake }: CellChoiceProps) {
  const parts = useModPart(({ header, blocks, fluids: all }) => ({ header, blocks, fluids: all }));
  const options = useMemo(() => {
    const { header, blocks } = parts;
    const named = (entries: Readonly<Record<string, { names: Record<string, string> }>>) =>
      Object.entries(entries).map(([name, { names }]) => ({
        value: idOf(header.namespace, name),
        label: titleOf(parts, name, names),
      }));
    return [...(fluids ? named(parts.fluids) : []), ...named(blocks)];
  }, [parts, fluids]);
  const known = options.some((option) => option.value === value);
  return (
    <Choice
      {...(width !== undefined && { w: width })}
      aria-label={label}
      data={[
        ...(nothing === undefined ? [] : [{ value: '', label: nothing }]),
        ...(value === undefined || known ? [] : [{ value, label: value }]),
        ...options,
      ]}
      error={value !== undefined && !known}
      value={value ?? (nothing === undefined ? null : '')}
      onTake={(next) => onTake(next || undefined)}
    />
  );
}
