import { Button, Checkbox, Menu, Select } from '@mantine/core';
import clsx from 'clsx';
import { freeName, movedUp } from '../../../../../core/lists/index.ts';
import {
  mostProperties,
  changeProperty,
  orderProperties,
  propertyUses,
  usesByOthers,
  usesInWords,
  type Block,
  type PropertyUse,
} from '../../../../../core/mod/index.ts';
import { nameProblem } from '../../../../../core/mod/names.ts';
import {
  propertyKinds,
  valueCount,
  valuesOf,
  type Property,
} from '../../../../../core/states/index.ts';
import { count } from '../../../../../core/words/index.ts';
import { useSession } from '../../../../api/hooks.tsx';
import { AskFirst } from '../../../../parts/ask-first.tsx';
import { CommitField } from '../../../../parts/commit-field.tsx';
import type { FacetProps } from '../index.tsx';
import styles from './states.module.css';
import rowCardStyles from '../../../../parts/row-card.module.css';

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
  const { properties } = declared.states;
  return (
    <>
      {properties.length === 0 && (
        <p className="note">
          It has one state. A property makes more: a lantern that is lit or not, a gate that faces
          one of six ways.
        </p>
      )}
      {properties.map((property, i) => (
        <PropertyCard key={i} block={name} declared={declared} property={property} index={i} />
      ))}
      <div className={styles['properties-foot']}>
        <AddProperty block={name} properties={properties} />
        {properties.length > 1 && (
          <span className="note inline">
            {properties.map(valueCount).join(' × ')} = {count(block.space.trueSize, 'state')}
          </span>
        )}
      </div>
    </>
  );
}

/** Puts a property of a block at a place of the list; undefined takes it away. */
function usePutProperty(block: string, index: number) {
  const session = useSession();
  return (label: string, next: Property | undefined) =>
    session.edit(label, changeProperty(session.view.mod, block, index, next));
}

function AddProperty({ block, properties }: { block: string; properties: readonly Property[] }) {
  const put = usePutProperty(block, properties.length);
  const taken = properties.map(({ name }) => name);
  return (
    <Menu position="bottom-start">
      <Menu.Target>
        <Button
          variant="default"
          disabled={properties.length >= mostProperties}
          title={
            properties.length >= mostProperties
              ? `A block has ${mostProperties} properties at most`
              : undefined
          }
        >
          Add a property
        </Button>
      </Menu.Target>
      <Menu.Dropdown>
        {propertyKinds.map((kind) => (
          <Menu.Item
            key={kind}
            onClick={() => put(`Add a ${kind}`, made[kind](freeName(usualName[kind], taken)))}
          >
            <b>{kind}</b> <span className="soft">{says[kind]}</span>
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}

interface PropertyProps {
  block: string;
  declared: Block;
  property: Property;
  index: number;
}
type PutProperty = (label: string, next: Property | undefined) => void;

function PropertyCard(props: PropertyProps) {
  const { block, property, index } = props;
  const put = usePutProperty(block, index);
  return (
    <div
      className={rowCardStyles['row-card']}
      role="group"
      aria-label={`Property ${property.name}`}
    >
      <PropertyHead {...props} put={put} />
      {property.kind === 'choice' && <Values property={property} onProperty={put} />}
      <div className={styles['property-line']}>
        {property.kind === 'number' && <Bounds property={property} put={put} />}
        <DefaultField property={property} put={put} />
        <Checkbox
          size="xs"
          label="the mod’s code changes it"
          checked={property.byCode === true}
          onChange={(event) => {
            const { byCode: _gone, ...rest } = property;
            if (event.currentTarget.checked)
              put(`The mod’s code changes ${property.name}`, { ...rest, byCode: true });
            else put(`The mod’s code leaves ${property.name} alone`, rest);
          }}
        />
        <span className={clsx('note', styles['times'])}>× {valueCount(property)}</span>
      </div>
    </div>
  );
}

function PropertyHead({
  block,
  declared,
  property,
  index,
  put,
}: PropertyProps & { put: PutProperty }) {
  const session = useSession();
  const { properties } = declared.states;
  const problemOf = (name: string) => {
    const flaw = nameProblem(name);
    if (flaw) return flaw;
    const isTaken = properties.some((other, i) => i !== index && other.name === name);
    return isTaken ? `There is a property called ${name} already.` : undefined;
  };
  const moveUp = () => {
    const order = movedUp([...properties.keys()], index);
    session.edit('Reorder the properties', orderProperties(session.view.mod, block, order));
  };
  return (
    <div className={clsx(rowCardStyles['head'], styles['property-head'])}>
      <CommitField
        className={styles['property-name']}
        aria-label="Property name"
        text={property.name}
        classNames={{ input: 'mono' }}
        check={problemOf}
        onText={(name) => put(`Rename ${property.name} to ${name}`, { ...property, name })}
      />
      <span className={clsx('note', styles['property-kind'])} title={says[property.kind]}>
        {property.kind}
      </span>
      <button
        type="button"
        className="tiny"
        disabled={index === 0}
        aria-label={`Move ${property.name} up`}
        onClick={moveUp}
      >
        ↑
      </button>
      <Removal
        property={property.name}
        usesOf={() => [
          ...propertyUses(declared, property.name),
          ...usesByOthers(session.view.mod, block, property.name),
        ]}
        onRemove={() => put(`Remove ${property.name}`, undefined)}
      />
    </div>
  );
}

const isWhole = (text: string): boolean => /^-?\d{1,6}$/.test(text);

/** From which number to which a property goes. */
const Bounds = ({ property, put }: { property: Property & { kind: 'number' }; put: PutProperty }) =>
  (['min', 'max'] as const).map((end) => (
    <CommitField
      key={end}
      label={end === 'min' ? 'from' : 'to'}
      w={70}
      inputMode="numeric"
      text={String(property[end])}
      check={(text) => (isWhole(text) ? undefined : 'Use a whole number.')}
      onText={(text) => put(`Change ${property.name}`, { ...property, [end]: Number(text) })}
    />
  ));

function DefaultField({ property, put }: { property: Property; put: PutProperty }) {
  const label = `Change the default of ${property.name}`;
  if (property.kind === 'number') {
    const { min, max } = property;
    const fits = (text: string) => isWhole(text) && Number(text) >= min && Number(text) <= max;
    return (
      <CommitField
        label="default"
        w={76}
        inputMode="numeric"
        text={String(property.default)}
        check={(text) => (fits(text) ? undefined : `Use a whole number from ${min} to ${max}.`)}
        onText={(text) => put(label, { ...property, default: Number(text) })}
      />
    );
  }
  const values = valuesOf(property);
  return (
    <Select
      label="default"
      w={104}
      allowDeselect={false}
      data={values.map(String)}
      value={String(property.default)}
      error={!values.includes(property.default)}
      onChange={(text) => {
        const value = values.find((one) => String(one) === text);
        if (value !== undefined) put(label, { ...property, default: value } as Property);
      }}
    />
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
    values.some((one, index) => index !== i && one === value)
      ? `${value} is there already.`
      : nameProblem(value);
  const put = (label: string, next: string[], usual = property.default) =>
    onProperty(label, {
      ...property,
      values: next,
      default: next.includes(usual) ? usual : (next[0] ?? usual),
    });
  return (
    <div className={styles['values']} role="group" aria-label={`Values of ${property.name}`}>
      {values.map((value, i) => (
        <span key={i} className={styles['value-chip']}>
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
                values.map((one, index) => (index === i ? next : one)),
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
                values.filter((_, index) => index !== i),
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
        onClick={() => put('Add a value', [...values, freeName('another', values)])}
      >
        Add a value
      </button>
    </div>
  );
}

/** Takes a property away, after saying what names it. */
function Removal({
  property,
  usesOf,
  onRemove,
}: {
  property: string;
  usesOf: () => PropertyUse[];
  onRemove: () => void;
}) {
  const says = () => {
    const uses = usesOf();
    return (
      uses.length > 0 &&
      `Removing ${property} touches ${usesInWords(uses)}. They stay as they are for its default; ` +
        'what asks for another value goes.'
    );
  };
  return <AskFirst act={`Remove ${property}`} says={says} onAct={onRemove} />;
}

/** More than one use of a property: "rows of the look", "rules of placing", "lots". */
