import { facets, tally, type Facet, type Finding } from '../../core/inspect/index.ts';
import { areStatesKnown, isNewLook, type Block, type Mod } from '../../core/mod/index.ts';

/** The state of a station of the spine, and how many findings of that weight it has. */
export interface Station {
  facet: Facet;
  state: 'done' | 'open' | 'error' | 'warning';
  count: number;
}

const facetsOfNewLook: readonly Facet[] = ['States', 'Looks'];

/** The facets that a block has, or a new look: everything else of that block is its owner's. */
export const facetsOf = (name: string): readonly Facet[] =>
  isNewLook(name) ? facetsOfNewLook : facets;

/**
 * What the spine shows of a block: each facet with its findings; hints leave it done. A facet
 * without any content is open.
 */
export function stationsOf(
  mod: Pick<Mod, 'newLooks'>,
  name: string,
  block: Block,
  findings: readonly Finding[],
): Station[] {
  return facetsOf(name).map((facet) => {
    const sums = tally(findings.filter((finding) => finding.facet === facet));
    const state = sums.error
      ? 'error'
      : sums.warning
        ? 'warning'
        : isEmpty(block, facet) || (facet === 'States' && !areStatesKnown(mod, name))
          ? 'open'
          : 'done';
    return { facet, count: sums.error || sums.warning, state };
  });
}

function isEmpty(block: Block, facet: Facet): boolean {
  switch (facet) {
    case 'Looks':
      return !block.looks.rows.length;
    case 'Names':
      return !Object.keys(block.names).length;
    case 'Loot':
      return block.loot === undefined;
    case 'Tags':
      return !block.tags.length;
    default:
      return false;
  }
}
