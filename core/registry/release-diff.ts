import { itemAt } from '../lists/index.ts';
import {
  lookUp,
  codesOf,
  sameData,
  type Ledger,
  type Mod,
  type Registered,
  type Release,
} from '../mod/index.ts';
import {
  decoderOf,
  encoderOf,
  listValues,
  StateSpace,
  type CodeLayout,
  type Property,
  type Value,
} from '../states/index.ts';

/** What became of a block's state codes since they were released. */
export interface CodeDrift {
  block: string;
  /** Codes of old worlds that stand for no state now, and the first of them with what it was. */
  lost: number;
  /** Codes that now stand for another value of a property that is still there. */
  moved: number;
  example: { code: number; was: string; is: string | undefined } | undefined;
}

/** What changed in the registry since the last release. */
export interface ReleaseDiff {
  release: Release | undefined;
  added: { kind: Registered; name: string; number: number }[];
  renamed: { kind: Registered; from: string; to: string; number: number }[];
  /** Gone since then: what stands in its place, or that nothing does on purpose. */
  retired: { kind: Registered; name: string; number: number; successor?: string; lost?: boolean }[];
  /**
   * Numbers that stand for something else now, or for nothing although nobody retired them. Old
   * worlds break.
   */
  broken: { kind: Registered; name: string; number: number; now: string | undefined }[];
  codes: CodeDrift[];
  /**
   * True when a world of the last release means the same now: no number and no state code moved,
   * and what is gone says what follows.
   */
  survives: boolean;
}

/** The last release; undefined when there was none. */
export const lastRelease = ({ releases }: Ledger): Release | undefined => releases?.at(-1);

/**
 * What changed in the registry since the last release, and whether the worlds that players have
 * survive it.
 *
 * @example diffSinceRelease(mod).survives // true
 */
export function diffSinceRelease(mod: Mod): ReleaseDiff {
  const { ledger } = mod;
  const release = lastRelease(ledger);
  const before = new Map((release?.entries ?? []).map((entry) => [entry.number, entry]));
  const now = new Map(ledger.entries.map((entry) => [entry.number, entry]));
  const gone = new Map(ledger.retired.map((entry) => [entry.number, entry]));
  // A block without properties has one state, and that is stored as 0.
  const plain: CodeLayout = { kind: 'mixed-radix', bits: 0, digits: [] };
  const since: ReleaseDiff = {
    release,
    added: [],
    renamed: [],
    retired: [],
    broken: [],
    codes: [],
    survives: true,
  };
  for (const { number, kind, name } of ledger.entries)
    if (!before.has(number)) since.added.push({ kind, name, number });
  for (const { number, kind, name, codes = plain } of before.values()) {
    const entry = now.get(number);
    const retired = gone.get(number);
    if (entry && entry.kind === kind && entry.name === name) {
      const drift = kind === 'block' && driftOf(mod, name, codes);
      if (drift) since.codes.push(drift);
    } else if (entry && entry.kind === kind && entry.formerly?.includes(name)) {
      since.renamed.push({ kind, from: name, to: entry.name, number });
      const drift = kind === 'block' && driftOf(mod, entry.name, codes);
      if (drift) since.codes.push(drift);
    } else if (
      !entry &&
      retired &&
      retired.kind === kind &&
      (retired.name === name || retired.formerly?.includes(name))
    )
      since.retired.push({ kind, name, number, successor: retired.successor, lost: retired.lost });
    else since.broken.push({ kind, name, number, now: entry?.name });
  }
  since.survives =
    !since.broken.length &&
    !since.codes.length &&
    since.retired.every(({ successor, lost }) => successor !== undefined || lost);
  return since;
}

/**
 * How the codes of a block's states drifted from a layout that was released; undefined when every
 * old code means what it meant.
 */
function driftOf(mod: Mod, block: string, old: CodeLayout): CodeDrift | undefined {
  const declared = lookUp(mod.blocks, block);
  if (!declared) return undefined;
  const space = new StateSpace(declared.states.properties);
  const layout = codesOf(mod.ledger, block, space);
  if (space.tooLarge || sameData(layout, old)) return undefined;
  const digits = old.kind === 'bit-fields' ? old.fields : old.digits;
  // The states that were stored then, whatever kinds their properties were of.
  const stored = new StateSpace(
    digits
      .filter(({ always }) => always === undefined)
      .map(
        ({ property, values }) =>
          ({
            name: property,
            kind: 'choice',
            values: [...listValues(values)],
            default: listValues(values)[0],
          }) as unknown as Property,
      ),
  );
  const stateOf = decoderOf(layout, space);
  const drift: CodeDrift = { block, lost: 0, moved: 0, example: undefined };
  encoderOf(old, stored).forEach((code, state) => {
    if (code < 0) return;
    const back = stateOf(code);
    const was = stored.decode(state);
    const is = back === undefined ? undefined : space.decode(back);
    const differs =
      is &&
      Object.entries(was).some(([name, value]: [string, Value]) => {
        const at = space.indexOf(name);
        return at >= 0 && itemAt(space.values, at).includes(value) && lookUp(is, name) !== value;
      });
    if (is && !differs) return;
    if (is) drift.moved += 1;
    else drift.lost += 1;
    drift.example ??= {
      code,
      was: stored.describe(state),
      is: back === undefined ? undefined : space.describe(back),
    };
  });
  return drift.example ? drift : undefined;
}

/** How many of each kind are registered. */
export function countsOf(entries: readonly { kind: Registered }[]): Release['counts'] {
  const many = (kind: Registered) => entries.filter((entry) => entry.kind === kind).length;
  const fluids = many('fluid');
  return {
    groups: many('group'),
    blocks: many('block'),
    ...(fluids && { fluids }),
    items: many('item'),
  };
}
