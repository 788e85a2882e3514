import type { When } from '../states/index.ts';
import type { Draw, Lot, LotWhen } from './loot.schema.ts';

/** A condition and every condition inside it, each with the steps that lead to it. */
export function conditionsIn(
  when: LotWhen | undefined,
  path: (string | number)[] = [],
): { when: LotWhen; at: (string | number)[] }[] {
  if (!when) return [];
  const inner = (['all', 'any'] as const).flatMap((key) =>
    (when[key] ?? []).flatMap((one, i) => conditionsIn(one, [...path, key, i])),
  );
  return [{ when, at: path }, ...inner, ...conditionsIn(when.not, [...path, 'not'])];
}

/** Every condition of some draws, with the lot that it belongs to. */
export const conditionsOf = (
  draws: readonly Draw[],
): { when: LotWhen; lot: Lot; at: (string | number)[] }[] =>
  draws.flatMap((draw, d) =>
    draw.lots.flatMap((lot, l) =>
      conditionsIn(lot.when, ['draws', d, 'lots', l, 'when']).map((one) => ({ ...one, lot })),
    ),
  );

/** The properties that lots ask for or carry. */
export const propertiesAsked = (draws: readonly Draw[]): Set<string> =>
  new Set([
    ...conditionsOf(draws).flatMap(({ when }) => Object.keys(when.state ?? {})),
    ...draws.flatMap(({ lots }) => lots.flatMap(({ keeps }) => keeps ?? [])),
  ]);

/**
 * A condition with what it asks of the state put through a change, and simplified: undefined when
 * it then always holds, false when it never does.
 *
 * @example throughStates({ careful: true, state: { lit: true } }, () => undefined)
 * // { careful: true }
 */
export function throughStates(
  when: LotWhen,
  change: (state: When) => When | undefined | false,
): LotWhen | undefined | false {
  const { state, all, any, not, ...plain } = when;
  const next: LotWhen = plain;
  if (state) {
    const changed = change(state);
    if (changed === false) return false;
    if (changed) next.state = changed;
  }
  if (all) {
    const parts = all.map((one) => throughStates(one, change));
    if (parts.includes(false)) return false;
    const left = parts.filter((one): one is LotWhen => !!one);
    if (left.length) next.all = left;
  }
  if (any) {
    const parts = any.map((one) => throughStates(one, change));
    if (!parts.includes(undefined)) {
      const left = parts.filter((one): one is LotWhen => !!one);
      if (!left.length) return false;
      next.any = left;
    }
  }
  if (not) {
    const changed = throughStates(not, change);
    if (changed === undefined) return false;
    if (changed) next.not = changed;
  }
  return Object.keys(next).length ? next : undefined;
}

/**
 * Some draws with every condition put through a change; lots that can no longer hold are left out.
 * The same draws when nothing changes.
 */
export function throughLots(draws: readonly Draw[], change: (lot: Lot) => Lot | undefined): Draw[] {
  return draws.map((draw) => {
    const lots = draw.lots.flatMap((lot) => change(lot) ?? []);
    return lots.length === draw.lots.length && lots.every((lot, i) => lot === draw.lots[i])
      ? draw
      : { ...draw, lots };
  });
}
