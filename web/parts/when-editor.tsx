import clsx from 'clsx';
import { itemAt } from '../../core/lists/index.ts';
import { lookUp } from '../../core/mod/index.ts';
import { valuesOf, type Property, type Value, type When } from '../../core/states/index.ts';
import styles from './when-editor.module.css';

/** A condition on the state: for every property the values that match; none chosen means any. */
export function WhenEditor({
  properties,
  when = {},
  onWhen,
}: {
  properties: readonly Property[];
  when?: When;
  onWhen: (when: When | undefined) => void;
}) {
  if (!properties.length && !Object.keys(when).length)
    return (
      <span className={styles['when']}>
        <span className={styles['any']}>in the only state</span>
      </span>
    );
  const known = new Set(properties.map((property) => property.name));
  const put = (name: string, values: Value[]) => {
    const { [name]: _gone, ...rest } = when;
    const next: When = values.length
      ? { ...rest, [name]: values.length === 1 ? itemAt(values, 0) : values }
      : rest;
    onWhen(Object.keys(next).length ? next : undefined);
  };
  return (
    <span className={styles['when']}>
      {properties.map((property) => (
        <ValueSet
          key={property.name}
          property={property}
          chosen={[lookUp(when, property.name) ?? []].flat()}
          onValues={(values) => put(property.name, values)}
        />
      ))}
      {Object.entries(when)
        .filter(([name]) => !known.has(name))
        .map(([name, value]) => (
          <span key={name} className={clsx(styles['set'], styles['unknown'])}>
            <b>{name}</b>
            <button type="button" onClick={() => put(name, [])} title="Remove this condition">
              {String(value)} ×
            </button>
          </span>
        ))}
    </span>
  );
}

/** More values than this are typed instead of pressed. */
const mostButtons = 8;

interface SetProps {
  property: Property;
  chosen: readonly Value[];
  onValues: (values: Value[]) => void;
}

/** The values of one property that match. */
function ValueSet({ property, chosen, onValues }: SetProps) {
  const { name } = property;
  const values = valuesOf(property);
  const toggle = (value: Value) => values.filter((one) => (one === value) !== chosen.includes(one));
  const typed = (text: string) => {
    const named = text.split(',').map((part) => part.trim());
    return values.filter((value) => named.includes(String(value)));
  };
  return (
    <span className={styles['set']} role="group" aria-label={name}>
      <b title={name}>{name}</b>
      {values.length <= mostButtons ? (
        values.map((value) => (
          <button
            key={String(value)}
            type="button"
            aria-pressed={chosen.includes(value)}
            onClick={() => onValues(toggle(value))}
          >
            {String(value)}
          </button>
        ))
      ) : (
        <input
          aria-label={`${name}: values, separated by commas`}
          defaultValue={chosen.join(', ')}
          placeholder="any"
          onBlur={(event) => onValues(typed(event.currentTarget.value))}
        />
      )}
    </span>
  );
}
