import { foundInEach } from '../lists/index.ts';
import type { Block, Mod } from '../mod/index.ts';
import { ownedText, textsBeside, type TextEntry } from '../texts/index.ts';
import type { ModView } from './view.ts';

/**
 * What is found in each text of a mod by itself, remembered for the names of blocks: after an edit
 * only the names that changed are looked at.
 *
 * @example foundInTexts(({ key, texts }) => (texts['en'] ? [] : [key]))(mod)
 */
export function foundInTexts<R>(
  find: (entry: TextEntry, header: Mod['header']) => readonly R[],
): (mod: ModView) => R[] {
  const inBlocks = foundInEach((name: string, block: Pick<Block, 'names'>, header: Mod['header']) =>
    find(ownedText('block', name, block), header),
  );
  return (mod) => {
    const { header } = mod;
    const { groups, fluids, items, others } = textsBeside(mod);
    return [
      ...inBlocks(mod.named, header),
      ...[...groups, ...fluids, ...items, ...others].flatMap((entry) => find(entry, header)),
    ];
  };
}
