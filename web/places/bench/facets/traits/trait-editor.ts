import {
  isTraitRows,
  sameData,
  stockNamed,
  stocks,
  traitFacts,
  type ResolvedBlock,
  type Stock,
  type TraitName,
  type Traits,
} from '../../../../../core/mod/index.ts';
import { useBlockEdits, useBlockPart, type BlockEdits } from '../../../../api/hooks.tsx';
import { stockTicks } from '../../scale.ts';

/** Where a trait is edited: the block by its name, and the state that is shown. */
export interface TraitPlace {
  block: string;
  state: number;
}

/**
 * What the editors of traits work with: the block, its stock, and ways to change a trait and to give
 * the change up again.
 */
export interface TraitEditor {
  block: ResolvedBlock;
  state: number;
  traits: ResolvedBlock['traits'];
  declared: Partial<Traits>;
  stock: Stock | undefined;
  put: <K extends TraitName>(name: K, value: Traits[K]) => void;
  /** For the head of a field: how the trait differs from stock, and the way back. */
  own: (name: TraitName) => { changed?: string; onReset?: () => void };
}

/**
 * The editor of some traits of a block. Who uses it is drawn again only when one of these traits, or
 * the stock, changes.
 */
export function useTraitEditor({ block, state }: TraitPlace, ...names: TraitName[]): TraitEditor {
  const shown = useBlockPart(block, (resolved) => shownOfTraits(resolved, names));
  return traitEditor(shown, state, useBlockEdits(block).set);
}

/** What is shown of some traits: their values, what the block itself says, and how they compare. */
export const shownOfTraits = (
  { declared, traits, space }: ResolvedBlock,
  names: readonly TraitName[],
): unknown[] => [
  declared.identity.stock,
  // A trait by state is shown with the properties that it may ask for.
  names.some((name) => isTraitRows(traits[name])) ? space.properties : [],
  ...names.flatMap((name) => [traits[name], declared.traits[name]]),
];

/** The trait editor of a block in the state that is shown. */
export function traitEditor(
  block: ResolvedBlock,
  state: number,
  set: BlockEdits['set'],
): TraitEditor {
  const { traits: declared, identity } = block.declared;
  const stock = stockNamed(identity.stock);
  return {
    block,
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
  };
}

/** Whether a text is a colour as traits hold it: `#9bb56b`. */
export const isColour = (text: string): boolean => /^#[0-9a-f]{6}$/.test(text);

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
