import { itemAt } from '../lists/index.ts';
import {
  lookUp,
  codesOf,
  Version,
  type Change,
  type Kept,
  type Mod,
  type Release,
} from '../mod/index.ts';
import { StateSpace } from '../states/index.ts';
import { countsOf, lastRelease } from './release-diff.ts';

/**
 * Less than zero when the first version comes before the second (Semantic Versioning 2.0.0, 11).
 */
export function compareVersions(a: string, b: string): number {
  const parts = (version: string) => {
    const [core = '', ...pre] = itemAt(version.split('+'), 0).split('-');
    return { core: core.split('.').map(Number), pre: pre.join('-') };
  };
  const [x, y] = [parts(a), parts(b)];
  for (let i = 0; i < 3; i += 1)
    if (x.core[i] !== y.core[i]) return itemAt(x.core, i) - itemAt(y.core, i);
  if (!x.pre || !y.pre) return x.pre ? -1 : y.pre ? 1 : 0;
  const [p, q] = [x.pre.split('.'), y.pre.split('.')];
  for (let i = 0; i < Math.max(p.length, q.length); i += 1) {
    const [m, n] = [p[i], q[i]];
    if (m === n) continue;
    if (m === undefined || n === undefined) return m === undefined ? -1 : 1;
    const [dm, dn] = [/^\d+$/.test(m), /^\d+$/.test(n)];
    if (dm && dn) return Number(m) - Number(n);
    return dm !== dn ? (dm ? -1 : 1) : m < n ? -1 : 1;
  }
  return 0;
}

/** Why a version cannot be released, in a sentence; undefined when it can. */
export function releaseProblem(
  { ledger }: Pick<Mod, 'ledger'>,
  version: string,
): string | undefined {
  if (!Version.safeParse(version).success) return 'Use a semantic version such as 0.4.0.';
  const last = lastRelease(ledger);
  return last && compareVersions(version, last.version) <= 0
    ? `Version ${last.version} is released already. The next one must come after it.`
    : undefined;
}

/**
 * The changes that release a version: the registry is frozen as it stands, numbers and state codes
 * alike, to compare later ones with; and what `keptOf` says of how the kit's target keeps a block.
 * Of the release before only its counts are kept. Throws a RangeError when the version cannot be
 * released.
 *
 * @example applyChanges(mod, release(mod, '0.4.0', '2026-03-31'))
 */
export function release(
  mod: Mod,
  version: string,
  on: string,
  keptOf: (block: string) => Kept | undefined = () => undefined,
): Change[] {
  const problem = releaseProblem(mod, version);
  if (problem) throw new RangeError(problem);
  const { entries, releases = [] } = mod.ledger;
  const frozen: Release = {
    version,
    on,
    counts: countsOf(entries),
    entries: entries.map(({ number, kind, name }) => {
      const declared = kind === 'block' ? lookUp(mod.blocks, name) : undefined;
      const space = declared && new StateSpace(declared.states.properties);
      const kept = declared && keptOf(name);
      return {
        number,
        kind,
        name,
        ...(space && space.properties.length && !space.tooLarge
          ? { codes: codesOf(mod.ledger, name, space) }
          : {}),
        ...(kept && { kept }),
      };
    }),
  };
  const earlier = releases.map(({ entries: _frozen, ...rest }) => rest);
  return [
    { path: '/ledger/releases', before: mod.ledger.releases, after: [...earlier, frozen] },
    ...(version === mod.header.version
      ? []
      : [{ path: '/header/version', before: mod.header.version, after: version }]),
  ];
}
