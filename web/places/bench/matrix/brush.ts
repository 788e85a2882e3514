import { itemAt } from '../../../../core/lists/index.ts';
import { useMemo } from 'react';
import { turnedCandidate, type Candidate } from '../../../../core/mod/index.ts';
import type { Axis, Direction } from '../../../../core/space/index.ts';
import { expandRows, paintRows } from '../../../../core/states/index.ts';
import { count } from '../../../../core/words/index.ts';
import type { BlockEditor } from '../../../api/hooks.tsx';
import { asStates, usePainting } from './painting.tsx';

/** The ways to paint the chosen states of a one-of look. */
export interface Brush {
  /**
   * What all chosen states show, where it is the same in all of them but for orientation; else what
   * the first of them shows.
   */
  use: Candidate[] | undefined;
  /** True when the chosen states show different things. */
  mixed: boolean;
  /** In how many ways the chosen states turn it. */
  turnings: number;
  /** Properties along which a look can be spread. */
  spreadable: string[];
  paint(
    label: string,
    change: (before: Candidate[] | undefined, state: number) => Candidate[] | undefined,
  ): void;
  spread: (property: string) => void;
  spreadFirst: () => void;
  clear: () => void;
}

/**
 * What a state shows after a stroke. Where only models were changed each state keeps how it is
 * turned, and where only the turning was changed each keeps its models, as long as it shows as many
 * candidates.
 */
export function repainted(
  before: readonly Candidate[] | undefined,
  use: Candidate[],
  changed?: 'model' | 'turned',
): Candidate[] {
  if (!changed || before?.length !== use.length) return use;
  return before.map((candidate, i) => {
    const stroke = itemAt(use, i);
    if (changed === 'model') return { ...candidate, model: stroke.model };
    const { front: _front, top: _top, upright: _upright, ...own } = candidate;
    const { model: _model, share: _share, ...turned } = stroke;
    return { ...own, ...turned };
  });
}

export function useBrush({ block, declared, set }: BlockEditor): Brush {
  const { chosen } = usePainting();
  const { space, looks } = block;
  const shown = useMemo(() => expandRows(looks.rows, space), [looks, space]);
  return useMemo((): Brush => {
    const states = asStates(chosen, space);
    const uses = [...states].map((state) => shown[state]);
    const plain = (use: Candidate[] | undefined) =>
      JSON.stringify(use?.map(({ front: _front, top: _top, ...rest }) => rest));
    const first = uses.find((use) => use !== undefined);
    const spreadable = space.properties
      .filter((property) => ['heading', 'direction', 'axis'].includes(property.kind))
      .map((property) => property.name);
    const paint: Brush['paint'] = (label, change) => {
      if (states.isEmpty || declared.looks.mode === 'layered') return;
      const rows = paintRows(looks.rows, space, states, change);
      set(
        label,
        ['looks', 'rows'],
        rows.map(({ when, value }) => (when ? { when, use: value } : { use: value })),
      );
    };
    const spread = (property: string) => {
      const at = space.indexOf(property);
      paint(`Spread ${count(states.count, 'state')} along ${property}`, (before, state) =>
        (before ?? first)?.map((candidate) =>
          turnedCandidate(
            candidate,
            itemAt(space.values, at)[space.digit(state, at)] as Direction | Axis,
          ),
        ),
      );
    };
    return {
      use: first,
      mixed: uses.some((use) => plain(use) !== plain(first)),
      turnings: new Set(uses.map((use) => JSON.stringify(use))).size,
      spreadable,
      paint,
      spread,
      spreadFirst: () => spreadable[0] !== undefined && spread(spreadable[0]),
      clear: () => paint(`Take the look from ${count(states.count, 'state')}`, () => undefined),
    };
  }, [shown, space, looks, chosen, declared.looks.mode, set]);
}
