import type { ResolvedBlock } from '../../../mod/index.ts';
import { reachable } from '../../../placing/index.ts';
import { BitSet, coverage } from '../../../states/index.ts';
import { saidOfStates } from '../../said-of-states.ts';
import { blockRule, type BlockReport } from '../../rule.ts';

export const lookOutOfReach = blockRule({
  id: 'looks/out-of-reach',
  severity: 'hint',
  title: 'New look of states that never come about',
  why:
    'A row of a new look is for states into which neither placing nor code brings the block of ' +
    'the other mod. Nobody will ever see what it shows.',
  messages: {
    one: '{block}: row {row} is never seen: nothing brings the block to {state}.',
    several:
      '{block}: row {row} is never seen: nothing brings the block to any of its {states}, ' +
      '{first} first.',
  },
  newLooks: 'alone',
  fails: {
    '/header/needs': [{ namespace: 'driftwood' }],
    '/newLooks/driftwood~1plank': {
      states: { properties: [{ name: 'wet', kind: 'toggle', default: false }] },
      looks: {
        mode: 'one-of',
        rows: [
          { when: { wet: true }, use: [{ model: 'saltmarsh:bank' }] },
          { use: [{ model: 'saltmarsh:bank' }] },
        ],
      },
    },
  },
  passes: {
    '/header/needs': [{ namespace: 'driftwood' }],
    '/newLooks/driftwood~1plank': {
      states: { properties: [{ name: 'wet', kind: 'toggle', default: false, byCode: true }] },
      looks: {
        mode: 'one-of',
        rows: [
          { when: { wet: true }, use: [{ model: 'saltmarsh:bank' }] },
          { use: [{ model: 'saltmarsh:bank' }] },
        ],
      },
    },
  },
  check(block) {
    const { called, space, looks } = block;
    if (space.tooLarge) return [];
    const comes = comingAbout(block);
    const shown =
      looks.mode === 'layered'
        ? looks.rows.map(({ when }) => space.matching(when))
        : coverage(looks.rows, space).wins;
    return shown.flatMap((states, row): BlockReport[] => {
      if (states.isEmpty || states.some((state) => comes.has(state))) return [];
      const { says, parts } = saidOfStates(called, space, states);
      return [{ at: ['looks', 'rows', row], says, parts: { ...parts, row: row + 1 } }];
    });
  },
});

/** The states that come about: by placing, as they are by default, and by code from these. */
function comingAbout({ space, declared }: ResolvedBlock): BitSet {
  const placed = reachable(declared.states.placing ?? [], space).states.add(space.defaultState);
  const byCode = space.properties.flatMap((property, i) => (property.byCode ? [i] : []));
  /** The state with the first value of whatever code changes. */
  const before = (state: number) => byCode.reduce((one, at) => space.withDigit(one, at, 0), state);
  const begins = new BitSet(space.size);
  placed.forEach((state) => begins.add(before(state)));
  return BitSet.where(space.size, (state) => begins.has(before(state)));
}
