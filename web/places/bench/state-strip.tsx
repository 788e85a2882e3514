import { heldUnder } from '../../../core/lists/index.ts';
import { NumberInput, SegmentedControl } from '@mantine/core';
import { memo, type ComponentProps, useMemo } from 'react';
import {
  coverage,
  valueCount,
  valuesOf,
  type Property,
  type Value,
} from '../../../core/states/index.ts';
import { count } from '../../../core/words/index.ts';
import { areStatesKnown, isNewLook, type Mod } from '../../../core/mod/index.ts';
import { useMod, type BlockEditor } from '../../api/hooks.tsx';
import styles from './state-strip.module.css';

/** More cells than this are not laid out; the properties beside them reach every state. */
const mostCells = 192;

/** What is said where there is no state to choose. */
function ofOneState(mod: Mod, name: string, isBare: boolean): string {
  if (!areStatesKnown(mod, name)) return 'Which states this block has is not known: see States.';
  const makeMore = isNewLook(name) ? '' : ' Properties in the facet States make more.';
  return `This block has one state${isBare ? ', and it has no look' : ''}.${makeMore}`;
}

/** The state that is shown: a choice for every property, and every state as a cell. */
export function StateStrip({
  editor: { block },
  state,
  onState,
}: {
  editor: BlockEditor;
  state: number;
  onState: (state: number) => void;
}) {
  const mod = useMod();
  const { space, looks } = block;
  const uncovered = useMemo(() => coverage(looks.rows, space).uncovered, [looks, space]);
  if (space.tooLarge)
    return (
      <div className={styles['strip']}>
        <span className="note">{count(space.trueSize, 'state')} are too many to show.</span>
      </div>
    );
  const bare = looks.mode === 'layered' ? 0 : uncovered.count;
  const now = space.decode(state);
  if (!space.properties.length)
    return (
      <div className={styles['strip']}>
        <span className="note">{ofOneState(mod, block.name, bare > 0)}</span>
      </div>
    );
  return (
    <div className={styles['strip']}>
      <div className={styles['props']}>
        {space.properties.map((property) => (
          <Choice
            key={property.name}
            property={property}
            value={heldUnder(now, property.name)}
            onValue={(value) => onState(space.encode({ ...now, [property.name]: value }))}
          />
        ))}
      </div>
      <div className={styles['map']}>
        <div className="note">
          {count(space.size, 'state')} · {bare ? `${bare} without a look` : 'all with a look'}
        </div>
        <div className={styles['cells']} role="group" aria-label="States">
          {Array.from({ length: Math.min(space.size, mostCells) }, (_, i) => (
            <button
              key={i}
              type="button"
              className={looks.mode === 'one-of' && uncovered.has(i) ? styles['bare'] : undefined}
              aria-pressed={i === state}
              aria-label={`${space.describe(i)}${uncovered.has(i) ? ', without a look' : ''}`}
              title={space.describe(i)}
              onClick={() => onState(i)}
            />
          ))}
        </div>
        {space.size > mostCells && (
          <div className="soft small">the first {mostCells}; the matrix shows all</div>
        )}
      </div>
    </div>
  );
}

function Choice({
  property,
  value,
  onValue,
}: {
  property: Property;
  value: Value;
  onValue: (value: Value) => void;
}) {
  const values = valuesOf(property);
  return (
    <div className={styles['prop']}>
      <label title={property.name}>{property.name}</label>
      {valueCount(property) <= 8 ? (
        <SegmentedControl
          aria-label={property.name}
          value={String(value)}
          onChange={(text) => onValue(values.find((one) => String(one) === text)!)}
          data={values.map(String)}
        />
      ) : property.kind === 'number' ? (
        <NumberInput
          aria-label={property.name}
          w={90}
          min={property.min}
          max={property.max}
          clampBehavior="strict"
          value={value as number}
          onChange={(next) => typeof next === 'number' && values.includes(next) && onValue(next)}
        />
      ) : (
        <select
          aria-label={property.name}
          value={String(value)}
          onChange={(event) => onValue(event.currentTarget.value)}
        >
          {values.map((one) => (
            <option key={String(one)}>{String(one)}</option>
          ))}
        </select>
      )}
    </div>
  );
}

/** The strip of states that stays as it was for as long as it is `resting`, out of sight. */
export const RestingStrip = memo(
  function RestingStrip(props: ComponentProps<typeof StateStrip> & { resting: boolean }) {
    return <StateStrip {...props} />;
  },
  (before, now) =>
    now.resting ||
    (before.editor === now.editor && before.state === now.state && before.resting === now.resting),
);
