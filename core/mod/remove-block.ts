import { lookUp, pointer } from '../json/index.ts';
import type { Change } from './edit.ts';
import { retire } from './ledger.ts';
import type { Mod } from './mod.schema.ts';

/**
 * The changes that take a block out of the mod: its number is retired, so that saved worlds never
 * meet it again as something else.
 */
export function removeBlock(mod: Mod, name: string): Change[] {
  const at = mod.ledger.entries.findIndex((one) => one.kind === 'block' && one.name === name);
  return [
    { path: pointer(['blocks', name]), before: lookUp(mod.blocks, name) },
    ...(at < 0 ? [] : retire(mod.ledger, at)),
  ];
}
