import { itemAt } from '../../../../core/lists/index.ts';
import { Select } from '@mantine/core';
import type { StateSpace } from '../../../../core/states/index.ts';
import type { Arrangement } from './layout.ts';
import styles from './matrix.module.css';

const ways = { rows: 'down', columns: 'across', tabs: 'as tabs' } as const;

/**
 * Which properties run down, which across, and which stand as tabs with the value that is shown.
 */
export function ArrangementBar({
  space,
  arrangement,
  onArrangement,
  state,
  onState,
}: {
  space: StateSpace;
  arrangement: Arrangement;
  onArrangement: (next: Arrangement) => void;
  state: number;
  onState: (state: number) => void;
}) {
  const move = (name: string, to: keyof Arrangement) => {
    const others = (names: string[]) => names.filter((one) => one !== name);
    const without: Arrangement = {
      rows: others(arrangement.rows),
      columns: others(arrangement.columns),
      tabs: others(arrangement.tabs),
    };
    onArrangement({ ...without, [to]: [...without[to], name] });
  };
  return (
    <div className={styles['arrangement']} role="group" aria-label="Arrangement of the matrix">
      {space.properties.map(({ name }, index) => {
        const way =
          (Object.keys(ways) as (keyof Arrangement)[]).find((one) =>
            arrangement[one].includes(name),
          ) ?? 'rows';
        return (
          <span key={name} className={styles['arranged']}>
            <b title={name}>{name}</b>
            <select
              aria-label={`${name} runs`}
              value={way}
              onChange={(event) => move(name, event.currentTarget.value as keyof Arrangement)}
            >
              {Object.entries(ways).map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </select>
            {way === 'tabs' && (
              <Select
                aria-label={`${name} shown`}
                w={92}
                allowDeselect={false}
                data={itemAt(space.values, index).map(String)}
                value={String(itemAt(space.values, index)[space.digit(state, index)])}
                onChange={(value) =>
                  onState(
                    space.withDigit(
                      state,
                      index,
                      itemAt(space.values, index).findIndex((one) => String(one) === value),
                    ),
                  )
                }
              />
            )}
          </span>
        );
      })}
    </div>
  );
}
