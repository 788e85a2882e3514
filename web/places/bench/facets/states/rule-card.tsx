import { NumberInput, Select } from '@mantine/core';
import { placingHow, type Placing } from '../../../../../core/mod/index.ts';
import {
  namesValues,
  placingCondition,
  placingRule,
  placingWays,
  type PlacingHow,
} from '../../../../../core/placing/index.ts';
import { directions, type Direction } from '../../../../../core/space/index.ts';
import { valuesOf, type Property, type Value } from '../../../../../core/states/index.ts';
import styles from './states.module.css';
import rowCardStyles from '../../../../parts/row-card.module.css';
import whenEditorStyles from '../../../../parts/when-editor.module.css';

/** How ways are called, where their own name does not say it. */
const wayWords: Partial<Record<PlacingHow, string>> = {
  signal: 'a signal from a neighbour',
  joined: 'a side is joined',
  corner: 'how it goes round a corner',
  crouching: 'the player crouches',
  fixed: 'a fixed value',
  'from the item': 'what the item carries',
};

interface RuleProps {
  index: number;
  rule: Placing;
  properties: readonly Property[];
  onRule: (next: Placing) => void;
  onRemove: () => void;
  onUp: (() => void) | undefined;
}

/** One rule of placing: which property it sets, how, to what, and when. */
export function RuleCard(props: RuleProps) {
  const { index, rule, properties, onRule } = props;
  const property = properties.find(({ name }) => name === rule.set);
  return (
    <div className={rowCardStyles['row-card']} role="group" aria-label={`Rule ${index + 1}`}>
      <RuleLine {...props} />
      {property && namesValues(rule.to) && (
        <RuleValues rule={rule} property={property} onRule={onRule} />
      )}
      <details className={styles['placing-when']}>
        <summary>{placingCondition(rule)}</summary>
        <RuleCondition rule={rule} onRule={onRule} />
      </details>
    </div>
  );
}

function RuleLine({ index, rule, properties, onRule, onRemove, onUp }: RuleProps) {
  const propertyOf = (name: string) => properties.find((one) => one.name === name);
  const property = propertyOf(rule.set);
  const offered = property ? placingWays[property.kind] : placingHow;
  const condition = rule.when ? { when: rule.when } : {};
  return (
    <div className={styles['placing-line']}>
      <span className="mono soft">{index + 1}</span>
      <Select
        aria-label="Property"
        allowDeselect={false}
        data={properties.map(({ name }) => name)}
        value={rule.set}
        error={!property}
        onChange={(name) => name && onRule(placingRule(propertyOf(name), rule.to))}
      />
      <Select
        aria-label="How"
        allowDeselect={false}
        comboboxProps={{ width: 220, position: 'bottom-start' }}
        data={[...new Set([...offered, rule.to])].map((how) => ({
          value: how,
          label: wayWords[how] ?? how,
        }))}
        value={rule.to}
        onChange={(how) => how && onRule({ ...placingRule(property, how), ...condition })}
      />
      <button
        type="button"
        className="tiny"
        disabled={!onUp}
        aria-label={`Move rule ${index + 1} up`}
        onClick={onUp}
      >
        ↑
      </button>
      <button
        type="button"
        className="tiny"
        aria-label={`Remove the placing of ${rule.set}`}
        onClick={onRemove}
      >
        ×
      </button>
    </div>
  );
}

interface PartProps {
  rule: Placing;
  onRule: (next: Placing) => void;
}

/** The values between which the rule decides, and for a joined side which one. */
function RuleValues({ rule, property, onRule }: PartProps & { property: Property }) {
  const isHalf = rule.to === 'half of the clicked side';
  const isFixed = rule.to === 'fixed';
  return (
    <div className={styles['placing-values']}>
      {rule.to === 'joined' && (
        <span className={styles['set-line']}>
          <span className="note">side</span>
          <Sides
            chosen={rule.side ? [rule.side] : []}
            onSide={(side) => onRule({ ...rule, side })}
            label="Joined side"
          />
        </span>
      )}
      {(property.kind !== 'toggle' || isFixed) && (
        <ValueSelect
          label={isFixed ? 'value' : isHalf ? 'upper' : 'yes'}
          property={property}
          value={rule.value}
          onValue={(value) => onRule({ ...rule, value })}
        />
      )}
      {property.kind !== 'toggle' && !isFixed && (
        <ValueSelect
          label={isHalf ? 'lower' : 'no'}
          property={property}
          value={rule.otherwise}
          none="next rule"
          onValue={(otherwise) => {
            const { otherwise: _gone, ...rest } = rule;
            onRule(otherwise === undefined ? rest : { ...rest, otherwise });
          }}
        />
      )}
    </div>
  );
}

function RuleCondition({ rule, onRule }: PartProps) {
  const when = rule.when ?? {};
  const put = (part: NonNullable<Placing['when']>) => {
    const left = Object.fromEntries(
      Object.entries({ ...when, ...part }).filter(
        ([, value]: [string, unknown]) =>
          value !== undefined && (!Array.isArray(value) || value.length > 0),
      ),
    );
    const { when: _gone, ...rest } = rule;
    onRule(Object.keys(left).length ? { ...rest, when: left } : rest);
  };
  const toggleSide = (key: 'clicked' | 'solid', side: Direction) => {
    const chosen = when[key] ?? [];
    put({ [key]: directions.filter((one) => (one === side) !== chosen.includes(one)) });
  };
  return (
    <>
      <span className={styles['set-line']}>
        <span className="note">clicked side</span>
        <Sides
          chosen={when.clicked ?? []}
          onSide={(side) => toggleSide('clicked', side)}
          label="Clicked side"
        />
      </span>
      <span className={styles['set-line']}>
        <span className="note">solid on</span>
        <Sides
          chosen={when.solid ?? []}
          onSide={(side) => toggleSide('solid', side)}
          label="Solid neighbour"
        />
      </span>
      <span className={styles['set-line']}>
        <Flag
          label="half"
          value={when.half}
          choices={['upper', 'lower']}
          onValue={(half) => put({ half })}
        />
        <Flag
          label="crouching"
          value={when.crouching}
          choices={[true, false]}
          onValue={(crouching) => put({ crouching })}
        />
        <Flag
          label="signal"
          value={when.signal}
          choices={[true, false]}
          onValue={(signal) => put({ signal })}
        />
      </span>
    </>
  );
}

function Sides({
  chosen,
  onSide,
  label,
}: {
  chosen: readonly string[];
  onSide: (side: Direction) => void;
  label: string;
}) {
  return (
    <span className={whenEditorStyles['when']}>
      <span className={whenEditorStyles['set']} role="group" aria-label={label}>
        {directions.map((side) => (
          <button
            key={side}
            type="button"
            aria-pressed={chosen.includes(side)}
            onClick={() => onSide(side)}
          >
            {side}
          </button>
        ))}
      </span>
    </span>
  );
}

function Flag<V extends string | boolean>({
  label,
  value,
  choices,
  onValue,
}: {
  label: string;
  value: V | undefined;
  choices: readonly V[];
  onValue: (value: V | undefined) => void;
}) {
  return (
    <span className={whenEditorStyles['when']}>
      <span className={whenEditorStyles['set']} role="group" aria-label={label}>
        <b>{label}</b>
        {choices.map((choice) => (
          <button
            key={String(choice)}
            type="button"
            aria-pressed={value === choice}
            onClick={() => onValue(value === choice ? undefined : choice)}
          >
            {choice === true ? 'yes' : choice === false ? 'no' : choice}
          </button>
        ))}
      </span>
    </span>
  );
}

function ValueSelect({
  label,
  property,
  value,
  none,
  onValue,
}: {
  label: string;
  property: Property;
  value: Value | undefined;
  none?: string;
  onValue: (value: Value | undefined) => void;
}) {
  if (property.kind === 'number')
    return (
      <span className={styles['set-line']}>
        <span className="note">{label}</span>
        <NumberInput
          aria-label={label}
          w={80}
          min={property.min}
          max={property.max}
          value={value as number | undefined}
          placeholder={none}
          onChange={(next) => onValue(typeof next === 'number' ? next : undefined)}
        />
      </span>
    );
  const values = valuesOf(property);
  return (
    <span className={styles['set-line']}>
      <span className="note">{label}</span>
      <Select
        aria-label={label}
        w={110}
        clearable={none !== undefined}
        allowDeselect={none !== undefined}
        placeholder={none}
        data={values.map(String)}
        value={value === undefined ? null : String(value)}
        onChange={(text) =>
          onValue(text === null ? undefined : values.find((one) => String(one) === text))
        }
      />
    </span>
  );
}
