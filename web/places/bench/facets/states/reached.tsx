import clsx from 'clsx';
import { useMemo } from 'react';
import type { Placing } from '../../../../../core/mod/index.ts';
import {
  describeSituation,
  reachable,
  startsOf,
  statesGiven,
} from '../../../../../core/placing/index.ts';
import { reactionReach } from '../../../../../core/reactions/index.ts';
import { count, listed } from '../../../../../core/words/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import type { FacetProps } from '../index.tsx';
import styles from '../../state-strip.module.css';

/** Which states placing can produce, and which it never does. */
export function Reached({
  editor: { block },
  placing,
  state,
  onState,
}: {
  editor: FacetProps['editor'];
  placing: readonly Placing[];
  state: number;
  onState: (state: number) => void;
}) {
  const { space } = block;
  const { states, how } = useMemo(() => reachable(placing, space), [placing, space]);
  const reactions = block.declared.reactions;
  const { blocks } = useMod();
  const byReaction = useMemo(
    () =>
      reactions?.length
        ? reactionReach(reactions, space, startsOf(block, statesGiven(blocks, block.id)), {
            id: block.id,
          }).how
        : new Map<number, number>(),
    [reactions, space, block, blocks],
  );
  const answered = [
    ...new Set(
      (reactions ?? []).flatMap(({ then }) =>
        then.flatMap((action) => ('property' in action ? [action.property] : [])),
      ),
    ),
  ];
  const says = (one: number): string => {
    const reaction = byReaction.get(one);
    if (states.has(one)) return describeSituation(how.get(one)!, placing);
    return reaction === undefined ? 'never placed' : `never placed, by reaction ${reaction + 1}`;
  };
  const never = space.size - states.count;
  const byCode = space.properties
    .filter((property) => property.byCode)
    .map((property) => property.name);
  const situation = how.get(state);
  return (
    <>
      <h3 className="part">What placing can produce</h3>
      <p className={clsx('note', styles['how-many'])}>
        {never
          ? `${states.count.toLocaleString('en')} of ${count(space.size, 'state')}.`
          : `Each of the ${count(space.size, 'state')}.`}
        {never && byCode.length ? ` The mod’s code changes ${listed(byCode)}.` : ''}
        {never && answered.length ? ` Its reactions change ${listed(answered)}.` : ''}
      </p>
      {space.size <= 480 && (
        <div
          className={clsx(styles['cells'], styles['reached'])}
          role="group"
          aria-label="States that placing can produce"
        >
          {Array.from({ length: space.size }, (_, one) => (
            <button
              key={one}
              type="button"
              className={!states.has(one) ? styles['never'] : undefined}
              aria-pressed={one === state}
              aria-label={`${space.describe(one)}: ${says(one)}`}
              title={`${space.describe(one)}: ${says(one)}`}
              onClick={() => onState(one)}
            />
          ))}
        </div>
      )}
      <p className="note">
        <b className={styles['state']}>{space.describe(state)}</b>:{' '}
        {situation
          ? `by ${describeSituation(situation, placing)}.`
          : byReaction.has(state)
            ? `only by reaction ${byReaction.get(state)! + 1}.`
            : 'no way of placing it gives this state.'}
      </p>
    </>
  );
}
