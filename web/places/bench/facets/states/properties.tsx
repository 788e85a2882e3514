import { Button, Checkbox, Menu, Popover, Select } from '@mantine/core';
import { useState } from 'react';
import { changeProperty, orderProperties, propertyUses } from '../../../../../core/mod/index.ts';
import { namePattern } from '../../../../../core/mod/names.ts';
import {
  propertyKinds,
  valueCount,
  valuesOf,
  type Property,
} from '../../../../../core/states/index.ts';
import { count, listed } from '../../../../../core/words/index.ts';
import { useSession } from '../../../../api/hooks.tsx';
import { CommitField } from '../../../../parts/commit-field.tsx';
import type { FacetProps } from '../index.tsx';

const made: Record<Property['kind'], (name: string) => Property> = {
  toggle: (name) => ({ name, kind: 'toggle', default: false }),
  number: (name) => ({ name, kind: 'number', min: 0, max: 3, default: 0 }),
  choice: (name) => ({ name, kind: 'choice', values: ['first', 'second'], default: 'first' }),
  heading: (name) => ({ name, kind: 'heading', default: 'south' }),
  direction: (name) => ({ name, kind: 'direction', default: 'up' }),
  axis: (name) => ({ name, kind: 'axis', default: 'y' }),
};
const says: Record<Property['kind'], string> = {
  toggle: 'false or true',
  number: 'a range of whole numbers',
  choice: 'named values',
  heading: 'north, east, south, west',
  direction: 'the six directions',
  axis: 'x, y, z',
};
const usualName: Record<Property['kind'], string> = {
  toggle: 'lit',
  number: 'level',
  choice: 'kind',
  heading: 'heading',
  direction: 'side',
  axis: 'axis',
};

/**
 * The properties in their order. A new name is followed everywhere; taking one away says first what
 * it touches.
 */
export function PropertiesPart({ editor: { name, declared, block } }: FacetProps) {
  const session = useSession();
  const { properties } = declared.states;
  const put = (label: string, i: number, next: Property | undefined) =>
    session.edit(label, changeProperty(session.view.mod, name, i, next));
  const taken = (name: string, i: number) =>
    !namePattern.test(name)
      ? 'Use lowercase letters, digits and underscores.'
      : properties.some((one, at) => at !== i && one.name === name)
        ? `There is a property called ${name} already.`
        : undefined;
  const free = (wanted: string) => {
    let at = wanted;
    for (let i = 2; properties.some((one) => one.name === at); i += 1) at = `${wanted}_${i}`;
    return at;
  };
  return (
    <>
      {properties.length === 0 && (
        <p className="note">
          It has one state. A property makes more: a lantern that is lit or not, a gate that faces
          one of six ways.
        </p>
      )}
      {properties.map((property, i) => (
        <div key={i} className="row-card" role="group" aria-label={`Property ${property.name}`}>
          <div className="head" style={{ alignItems: 'center' }}>
            <CommitField
              w={116}
              aria-label="Property name"
              text={property.name}
              classNames={{ input: 'mono' }}
              check={(text) => taken(text, i)}
              onText={(next) =>
                put(`Rename ${property.name} to ${next}`, i, {
                  ...property,
                  name: next,
                })
              }
            />
            <span className="note" style={{ flex: 1, margin: 0 }} title={says[property.kind]}>
              {property.kind}
            </span>
            <button
              type="button"
              className="tiny"
              disabled={i === 0}
              aria-label={`Move ${property.name} up`}
              onClick={() =>
                session.edit(
                  'Reorder the properties',
                  orderProperties(
                    session.view.mod,
                    name,
                    properties.map((_, at) => (at === i - 1 ? i : at === i ? i - 1 : at)),
                  ),
                )
              }
            >
              ↑
            </button>
            <Removal
              property={property.name}
              uses={propertyUses(declared, property.name)}
              onRemove={() => put(`Remove ${property.name}`, i, undefined)}
            />
          </div>
          {property.kind === 'choice' && (
            <Values property={property} onProperty={(label, next) => put(label, i, next)} />
          )}
          <div className="property-line">
            {property.kind === 'number' && (
              <>
                {(['min', 'max'] as const).map((end) => (
                  <CommitField
                    key={end}
                    label={end === 'min' ? 'from' : 'to'}
                    w={70}
                    inputMode="numeric"
                    text={String(property[end])}
                    check={(text) => (/^-?\d{1,6}$/.test(text) ? undefined : 'Use a whole number.')}
                    onText={(text) =>
                      put(`Change ${property.name}`, i, { ...property, [end]: Number(text) })
                    }
                  />
                ))}
              </>
            )}
            {property.kind === 'number' ? (
              <CommitField
                label="default"
                w={76}
                inputMode="numeric"
                text={String(property.default)}
                check={(text) =>
                  /^-?\d{1,6}$/.test(text) &&
                  Number(text) >= property.min &&
                  Number(text) <= property.max
                    ? undefined
                    : `Use a whole number from ${property.min} to ${property.max}.`
                }
                onText={(text) =>
                  put(`Change the default of ${property.name}`, i, {
                    ...property,
                    default: Number(text),
                  })
                }
              />
            ) : (
              <Select
                label="default"
                w={104}
                allowDeselect={false}
                data={valuesOf(property).map(String)}
                value={String(property.default)}
                error={!valuesOf(property).includes(property.default)}
                onChange={(text) =>
                  put(`Change the default of ${property.name}`, i, {
                    ...property,
                    default: valuesOf(property).find((value) => String(value) === text)!,
                  } as Property)
                }
              />
            )}
            <Checkbox
              size="xs"
              label="the mod’s code changes it"
              checked={property.byCode === true}
              onChange={(event) => {
                const { byCode: _gone, ...rest } = property;
                put(
                  event.currentTarget.checked
                    ? `The mod’s code changes ${property.name}`
                    : `The mod’s code leaves ${property.name} alone`,
                  i,
                  event.currentTarget.checked ? { ...rest, byCode: true } : rest,
                );
              }}
            />
            <span className="note times">× {valueCount(property)}</span>
          </div>
        </div>
      ))}
      <div style={{ display: 'flex', alignItems: 'center', gap: 14 }}>
        <Menu position="bottom-start">
          <Menu.Target>
            <Button variant="default">Add a property</Button>
          </Menu.Target>
          <Menu.Dropdown>
            {propertyKinds.map((kind) => (
              <Menu.Item
                key={kind}
                onClick={() =>
                  put(`Add a ${kind}`, properties.length, made[kind](free(usualName[kind])))
                }
              >
                <b>{kind}</b> <span className="soft">{says[kind]}</span>
              </Menu.Item>
            ))}
          </Menu.Dropdown>
        </Menu>
        {properties.length > 1 && (
          <span className="note" style={{ margin: 0 }}>
            {properties.map(valueCount).join(' × ')} = {count(block.space.trueSize, 'state')}
          </span>
        )}
      </div>
    </>
  );
}

/**
 * The values of a choice, each by its name. A new name is followed; a value that goes leaves every
 * condition.
 */
function Values({
  property,
  onProperty,
}: {
  property: Property & { kind: 'choice' };
  onProperty: (label: string, next: Property) => void;
}) {
  const { values } = property;
  const wrong = (value: string, i: number) =>
    !namePattern.test(value)
      ? 'Use lowercase letters, digits and underscores.'
      : values.some((one, at) => at !== i && one === value)
        ? `${value} is there already.`
        : undefined;
  const put = (label: string, next: string[], usual = property.default) =>
    onProperty(label, {
      ...property,
      values: next,
      default: next.includes(usual) ? usual : (next[0] ?? usual),
    });
  return (
    <div className="values" role="group" aria-label={`Values of ${property.name}`}>
      {values.map((value, i) => (
        <span key={i} className="value-chip">
          <CommitField
            size="xs"
            w={84}
            aria-label={`Value ${i + 1} of ${property.name}`}
            text={value}
            classNames={{ input: 'mono' }}
            check={(text) => wrong(text, i)}
            onText={(next) =>
              put(
                `Rename ${value} to ${next}`,
                values.map((one, at) => (at === i ? next : one)),
                property.default === value ? next : property.default,
              )
            }
          />
          <button
            type="button"
            className="tiny"
            aria-label={`Remove the value ${value}`}
            disabled={values.length < 2}
            onClick={() =>
              put(
                `Remove the value ${value}`,
                values.filter((_, at) => at !== i),
              )
            }
          >
            ×
          </button>
        </span>
      ))}
      <button
        type="button"
        className="link"
        onClick={() => {
          let fresh = 'another';
          for (let n = 2; values.includes(fresh); n += 1) fresh = `another_${n}`;
          put('Add a value', [...values, fresh]);
        }}
      >
        Add a value
      </button>
    </div>
  );
}

/** Takes a property away, after saying what names it. */
function Removal({
  property,
  uses,
  onRemove,
}: {
  property: string;
  uses: ReturnType<typeof propertyUses>;
  onRemove: () => void;
}) {
  const [asking, setAsking] = useState(false);
  return (
    <Popover
      opened={asking}
      onChange={setAsking}
      position="bottom-end"
      width={290}
      shadow="md"
      withArrow
      trapFocus
    >
      <Popover.Target>
        <button
          type="button"
          className="tiny"
          aria-label={`Remove ${property}`}
          onClick={() => (uses.length ? setAsking(true) : onRemove())}
        >
          ×
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <p style={{ margin: '0 0 8px' }}>
          Removing {property} touches{' '}
          {listed(uses.map(({ what, times }) => `${times} ${times === 1 ? what : inPlural(what)}`))}
          . They stay as they are for its default; what asks for another value goes.
        </p>
        <Button
          color="brick"
          onClick={() => {
            setAsking(false);
            onRemove();
          }}
        >
          Remove {property}
        </Button>
      </Popover.Dropdown>
    </Popover>
  );
}

/** More than one use of a property: "rows of the look", "rules of placing", "lots". */
const inPlural = (what: string): string =>
  /^(row|rule) /.test(what) ? what.replace(' ', 's ') : `${what}s`;
