import { useMemo } from 'react';
import { idOf, stocks, titleOf } from '../../../../core/mod/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Choice } from '../../../parts/choice/index.tsx';

interface PoolGroundProps {
  at: number;
  ground: string;
  onGround: (id: string) => void;
}

/** The ground of a pool: a block of the mod or of the stock, or everything in a block tag. */
export function PoolGround({ at, ground, onGround }: PoolGroundProps) {
  const mod = useMod();
  const options = useMemo(() => {
    const { namespace } = mod.header;
    return [
      ...stocks.map(({ name, title }) => ({ value: `obrank:${name}`, label: title })),
      ...Object.entries(mod.blocks).map(([name, { names }]) => ({
        value: idOf(namespace, name),
        label: titleOf(mod, name, names),
      })),
      ...Object.keys(mod.blockTags).map((name) => ({
        value: `#${idOf(namespace, name)}`,
        label: `all in ${name.replaceAll('_', ' ')}`,
      })),
    ];
  }, [mod]);
  const isKnown = options.some(({ value }) => value === ground);
  return (
    <Choice
      w={200}
      aria-label={`Pool ${at}: ground`}
      data={isKnown ? options : [{ value: ground, label: ground }, ...options]}
      value={ground}
      onTake={onGround}
    />
  );
}
