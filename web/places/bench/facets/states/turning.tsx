import clsx from 'clsx';
import { lookUp } from '../../../../../core/mod/index.ts';
import { Select } from '@mantine/core';
import { useMemo } from 'react';
import {
  turningFlaw,
  turningOf,
  type Turning,
  type TurningFlaw,
} from '../../../../../core/placing/index.ts';
import type { Property, StateSpace } from '../../../../../core/states/index.ts';
import { Rendering } from '../../../../parts/rendering.tsx';
import type { FacetProps } from '../index.tsx';
import styles from './states.module.css';

/**
 * What turning and mirroring a built structure make of a state: by themselves for headings,
 * directions, axes and joined sides, as one says for choices.
 */
export function TurningPart({ editor, state, onState }: FacetProps) {
  const { block, declared, name, set } = editor;
  const { space } = block;
  const { placing } = declared.states;
  const turning = useMemo(
    () => (space.tooLarge ? undefined : turningOf(space, placing ?? [])),
    [space, placing],
  );
  const flaw = useMemo(() => turning && turningFlaw(turning), [turning]);
  if (!turning) return <p className="note">The block has too many states to be turned.</p>;
  if (!space.properties.length)
    return <p className="note">The block has one state: turning a structure leaves it as it is.</p>;
  const put = (index: number, key: TurnKey, name: string, next: Record<string, string>) =>
    set(
      `Change how ${name} is ${key}`,
      ['states', 'properties', index, key],
      Object.keys(next).length ? next : undefined,
    );
  return (
    <>
      <p className={clsx('note', styles['turning-note'])}>
        When a structure that holds the block is turned clockwise, seen from above, or mirrored east
        to west.
      </p>
      <TurnedStates {...{ space, turning, state, onState }} block={name} />
      <p className={flaw ? 'bad' : styles['proof']}>
        {flaw ? flawWords(flaw, space) : proofWords(space)}
      </p>
      {space.properties.map(
        (property, index) =>
          property.kind === 'choice' && (
            <ChoiceTable
              key={property.name}
              property={property}
              onTurned={(key, next) => put(index, key, property.name, next)}
            />
          ),
      )}
    </>
  );
}

/** What of a choice is said: what its values become turned, or mirrored. */
type TurnKey = 'turned' | 'mirrored';

const flawWords = ({ what, state, back }: TurningFlaw, space: StateSpace): string =>
  `After ${what} the state ${space.describe(state)} comes back as ${space.describe(back)}.`;

function proofWords({ size }: StateSpace): string {
  const states = size === 1 ? 'the state' : `all ${size.toLocaleString('en')} states`;
  return (
    `Proved for ${states}: four quarter turns come back, two mirrors come back, and a turn undoes ` +
    'itself between mirrors.'
  );
}

interface TurnedProps {
  block: string;
  space: StateSpace;
  turning: Turning;
  state: number;
  onState: (state: number) => void;
}

/** What becomes of a state after each quarter, and mirrored. */
function TurnedStates({ block, space, turning, state, onState }: TurnedProps) {
  const after = (one: number) => turning.quarter[one] ?? 0;
  const quarter = after(state);
  const half = after(quarter);
  const shown: [words: string, state: number][] = [
    ['as it stands', state],
    ['a quarter', quarter],
    ['half round', half],
    ['three quarters', after(half)],
    ['mirrored', turning.mirror[state] ?? 0],
  ];
  const differenceTo = (one: number, words: string) =>
    changed(space.decode(state), space.decode(one)) || (words === 'as it stands' ? '' : 'the same');
  return (
    <div className={styles['turned-states']}>
      {shown.map(([words, one]) => (
        <button key={words} type="button" onClick={() => onState(one)} title={space.describe(one)}>
          <Rendering block={block} state={one} size={66} />
          <b>{words}</b>
          <span className="mono">{differenceTo(one, words)}</span>
        </button>
      ))}
    </div>
  );
}

interface ChoiceTableProps {
  property: Property & { kind: 'choice' };
  onTurned: (key: TurnKey, next: Record<string, string>) => void;
}

/** What the values of a choice become: one says it, since no law does. */
function ChoiceTable({ property, onTurned }: ChoiceTableProps) {
  const put = (key: TurnKey, from: string, to: string) => {
    const { [from]: _before, ...rest } = property[key] ?? {};
    onTurned(key, to === from ? rest : { ...rest, [from]: to });
  };
  return (
    <div>
      <h3 className="part">{property.name}</h3>
      <table className={styles['plain-table']}>
        <thead>
          <tr>
            <th>value</th>
            <th>turned, becomes</th>
            <th>mirrored, becomes</th>
          </tr>
        </thead>
        <tbody>
          {property.values.map((value) => (
            <tr key={value}>
              <td className="mono">{value}</td>
              {(['turned', 'mirrored'] as const).map((key) => (
                <td key={key}>
                  <Select
                    aria-label={`${value} ${key} becomes`}
                    allowDeselect={false}
                    data={[...property.values]}
                    value={lookUp(property[key], value) ?? value}
                    onChange={(to) => to && put(key, value, to)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What differs between two states, as `heading east`. */
const changed = (
  before: Readonly<Record<string, unknown>>,
  after: Readonly<Record<string, unknown>>,
): string =>
  Object.entries(after)
    .filter(([name, value]) => lookUp(before, name) !== value)
    .map(([name, value]) => `${name} ${String(value)}`)
    .join(', ');
