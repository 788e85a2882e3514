import { resolveBlock, shownNamed, type Mod } from '../../../core/mod/index.ts';

/** The state in which a block is shown on the shelf: its default, but lit where it can be. */
export function defaultStateOf(mod: Mod, name: string): number {
  const declared = shownNamed(mod, name);
  if (!declared) return 0;
  const { space } = resolveBlock(mod, name, declared);
  const lit = space.properties.some(
    (property) => property.kind === 'toggle' && property.name === 'lit',
  );
  return space.encode(lit ? { lit: true } : {});
}
