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
  if (!properties.length)
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
      {properties.map((property) => {
        const chosen = [lookUp(when, property.name) ?? []].flat();
        const values = valuesOf(property);
        return (
          <span
            key={property.name}
            className={styles['set']}
            role="group"
            aria-label={property.name}
          >
            <b title={property.name}>{property.name}</b>
            {values.length <= 8 ? (
              values.map((value) => (
                <button
                  key={String(value)}
                  type="button"
                  aria-pressed={chosen.includes(value)}
                  onClick={() =>
                    put(
                      property.name,
                      chosen.includes(value)
                        ? chosen.filter((one) => one !== value)
                        : values.filter((one) => one === value || chosen.includes(one)),
                    )
                  }
                >
                  {String(value)}
                </button>
              ))
            ) : (
              <input
                aria-label={`${property.name}: values, separated by commas`}
                defaultValue={chosen.join(', ')}
                placeholder="any"
                onBlur={(event) =>
                  put(
                    property.name,
                    values.filter((value) =>
                      event.currentTarget.value
                        .split(',')
                        .map((part) => part.trim())
                        .includes(String(value)),
                    ),
                  )
                }
              />
            )}
          </span>
        );
      })}
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
