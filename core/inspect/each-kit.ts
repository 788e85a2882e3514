import type { Kit } from '../kits/index.ts';
import { pointer } from '../json/index.ts';

interface Placed {
  at?: readonly (string | number)[];
}

/**
 * What a rule says for each of several kits, at each place once. A rule that asks nothing of the
 * first kit would say the same for every other, and is not asked again; where some kits alone are
 * meant, `kits` names them.
 *
 * @example forEachKit([a, b], (kit) => rule.check(mod, kit)) // [{ at: […], kits: ['b'], … }]
 */
export function forEachKit<Report extends Placed>(
  kits: readonly Kit[],
  check: (kit: Kit) => readonly Report[],
): (Report & { kits?: string[] })[] {
  const [first, ...others] = kits;
  if (!first) return [];
  if (!others.length) return [...check(first)];
  const watched = watch(first);
  const reports = check(watched.kit);
  if (!watched.wasAsked()) return [...reports];
  return together([[first, reports], ...others.map((kit) => [kit, check(kit)] as const)]);
}

/** A kit that notes whether anything is asked of it. */
function watch(kit: Kit): { kit: Kit; wasAsked: () => boolean } {
  let isAsked = false;
  const noting = new Proxy(kit, {
    get(target, key, receiver): unknown {
      isAsked = true;
      return Reflect.get(target, key, receiver);
    },
  });
  return { kit: noting, wasAsked: () => isAsked };
}

/** The reports of all kits, those at one place as the first kit that has any says them. */
function together<Report extends Placed>(
  said: readonly (readonly [kit: Kit, reports: readonly Report[]])[],
): (Report & { kits?: string[] })[] {
  const places = new Map<string, { reports: Report[]; kits: Set<string> }>();
  for (const [{ name }, reports] of said) {
    const here = new Map<string, Report[]>();
    for (const report of reports) {
      const at = pointer([...(report.at ?? [])]);
      here.set(at, [...(here.get(at) ?? []), report]);
    }
    for (const [at, list] of here) {
      const place = places.get(at) ?? { reports: list, kits: new Set() };
      place.kits.add(name);
      places.set(at, place);
    }
  }
  return [...places.values()].flatMap(({ reports, kits }) =>
    reports.map((report) => (kits.size === said.length ? report : { ...report, kits: [...kits] })),
  );
}
