import {
  sameData,
  stockNamed,
  stocks,
  traitFacts,
  type Stock,
  type TraitName,
  type Traits,
} from '../../../../../core/mod/index.ts';
import type { BlockEditor } from '../../../../api/hooks.tsx';
import { stockTicks } from '../../ruler.tsx';

/**
 * What the parts of the traits are given: the block, its stock, and ways to change a trait and to
 * give the change up again.
 */
export interface TraitEditor {
  editor: BlockEditor;
  state: number;
  traits: BlockEditor['block']['traits'];
  declared: Partial<Traits>;
  stock: Stock | undefined;
  put: <K extends TraitName>(name: K, value: Traits[K]) => void;
  /** For the head of a field: how the trait differs from stock, and the way back. */
  own: (name: TraitName) => { changed?: string; onReset?: () => void };
  /** What a field shows of a trait: it is drawn again only when one of these changes. */
  seen: (...names: TraitName[]) => unknown[];
}

/** The trait editor of a block in the state that is shown. */
export function traitEditor(editor: BlockEditor, state: number): TraitEditor {
  const {
    declared: { traits: declared, identity },
    block,
    set,
  } = editor;
  const stock = stockNamed(identity.stock);
  return {
    editor,
    state,
    declared,
    stock,
    traits: block.traits,
    put: (name, value) => set(`Change ${traitFacts(name).words}`, ['traits', name], value),
    own(name) {
      const value = declared[name];
      if (value === undefined) return {};
      const before = stock?.traits[name];
      const ratio =
        typeof value === 'number' && typeof before === 'number' && before > 0 && value > 0
          ? ` (×${(value / before).toFixed(2).replace(/\.?0+$/, '')})`
          : '';
      return {
        changed:
          before === undefined || sameData(before, value)
            ? ''
            : `stock: ${typeof before === 'object' ? 'by state' : String(before)}${ratio}`,
        onReset: () =>
          set(`Put ${traitFacts(name).words} back to stock`, ['traits', name], undefined),
      };
    },
    seen: (...names) => [
      stock?.name,
      ...names.flatMap((name) => [block.traits[name], declared[name]]),
    ],
  };
}

/** The stock materials as ticks of a ruler, for the traits that are set on one. */
export const ticksOf = {
  hardness: stockTicks(stocks, ({ hardness }: Traits) =>
    typeof hardness === 'number' ? hardness : undefined,
  ),
  blastRating: stockTicks(stocks, ({ blastRating }: Traits) => blastRating),
  friction: stockTicks(stocks, ({ friction }: Traits) =>
    typeof friction === 'number' ? friction : undefined,
  ),
  catchesFire: stockTicks(stocks, ({ catchesFire }: Traits) =>
    catchesFire > 0 ? catchesFire : undefined,
  ),
  lightAbsorbed: stockTicks(stocks, ({ lightAbsorbed }: Traits) =>
    typeof lightAbsorbed === 'number' ? lightAbsorbed : undefined,
  ),
} as const;
