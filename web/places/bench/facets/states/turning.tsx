import { itemAt } from '../../../../../core/lists/index.ts';
import { lookUp } from '../../../../../core/mod/index.ts';
import { Select } from '@mantine/core';
import { useMemo } from 'react';
import { turningFlaw, turningOf } from '../../../../../core/placing/index.ts';
import { Rendering } from '../../../../parts/rendering.tsx';
import type { FacetProps } from '../index.tsx';

/**
 * What turning and mirroring a built structure make of a state: by themselves for headings,
 * directions, axes and joined sides, as one says for choices.
 */
export function TurningPart({
  editor: { block, declared, name, set },
  state,
  onState,
}: FacetProps) {
  const { space } = block;
  const placing = declared.states.placing;
  const turning = useMemo(
    () => (space.tooLarge ? undefined : turningOf(space, placing ?? [])),
    [space, placing],
  );
  const flaw = useMemo(() => turning && turningFlaw(turning), [turning]);
  if (!turning) return <p className="note">The block has too many states to be turned.</p>;
  if (!space.properties.length)
    return <p className="note">The block has one state: turning a structure leaves it as it is.</p>;
  const quarters = [state];
  while (quarters.length < 4) quarters.push(turning.quarter[quarters.at(-1)!] ?? 0);
  const mirror = turning.mirror[state] ?? 0;
  const shown: [string, number][] = [
    ['as it stands', state],
    ['a quarter', itemAt(quarters, 1)],
    ['half round', itemAt(quarters, 2)],
    ['three quarters', itemAt(quarters, 3)],
    ['mirrored', mirror],
  ];
  const choices = space.properties.flatMap((property, i) =>
    property.kind === 'choice' ? [{ property, i }] : [],
  );
  const change = (i: number, key: 'turned' | 'mirrored', from: string, to: string) => {
    const property = itemAt(space.properties, i);
    if (property.kind !== 'choice') return;
    const { [from]: _gone, ...rest } = property[key] ?? {};
    const next = to === from ? rest : { ...rest, [from]: to };
    set(
      `Change how ${property.name} is ${key}`,
      ['states', 'properties', i, key],
      Object.keys(next).length ? next : undefined,
    );
  };
  return (
    <>
      <p className="note" style={{ marginTop: 0 }}>
        When a structure that holds the block is turned clockwise, seen from above, or mirrored east
        to west.
      </p>
      <div className="turned-states">
        {shown.map(([words, one]) => (
          <button
            key={words}
            type="button"
            onClick={() => onState(one)}
            title={space.describe(one)}
          >
            <Rendering block={name} state={one} size={66} />
            <b>{words}</b>
            <span className="mono">
              {changed(space.decode(state), space.decode(one)) ||
                (one === state && words !== 'as it stands' ? 'the same' : '')}
            </span>
          </button>
        ))}
      </div>
      <p className={flaw ? 'bad' : 'proof'}>
        {flaw
          ? `After ${flaw.what} the state ${space.describe(flaw.state)} comes back as ` +
            `${space.describe(flaw.back)}.`
          : 'Proved for ' +
            `${space.size === 1 ? 'the state' : `all ${space.size.toLocaleString('en')} states`}: ` +
            'four quarter turns come back, two mirrors come back, and a turn undoes itself ' +
            'between mirrors.'}
      </p>
      {choices.map(({ property, i }) => (
        <div key={property.name}>
          <h3 className="part">{property.name}</h3>
          <table className="plain-table">
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
                        onChange={(to) => to && change(i, key, value, to)}
                      />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ))}
    </>
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
