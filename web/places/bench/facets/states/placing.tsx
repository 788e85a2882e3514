import { itemAt } from '../../../../../core/lists/index.ts';
import { Button, NumberInput, Select } from '@mantine/core';
import { useMemo } from 'react';
import { placingHow, type Placing } from '../../../../../core/mod/index.ts';
import { describeSituation, reachable } from '../../../../../core/placing/index.ts';
import { directions, headings } from '../../../../../core/space/index.ts';
import { valuesOf, type Property, type Value } from '../../../../../core/states/index.ts';
import { count, listed } from '../../../../../core/words/index.ts';
import type { FacetProps } from '../index.tsx';
import { TryOut } from './try-out.tsx';

type How = Placing['to'];
const turning: readonly How[] = [
  'toward the player',
  'away from the player',
  'clicked side',
  'away from a solid neighbour',
];
const anywhere: readonly How[] = [
  'half of the clicked side',
  'crouching',
  'signal',
  'joined',
  'from the item',
  'fixed',
];
const ways: Record<Property['kind'], readonly How[]> = {
  heading: [...turning, ...anywhere],
  direction: [...turning, ...anywhere],
  axis: ['along the clicked side', 'away from a solid neighbour', ...anywhere],
  toggle: anywhere,
  number: anywhere,
  choice: anywhere,
};
const says: Partial<Record<How, string>> = {
  signal: 'a signal from a neighbour',
  joined: 'a side is joined',
  crouching: 'the player crouches',
  fixed: 'a fixed value',
  'from the item': 'what the item carries',
};

/** The rules of placing in their order, a place to try them, and what they can bring about. */
export function PlacingPart({ editor, state, onState }: FacetProps) {
  const { declared, block, set } = editor;
  const { properties } = declared.states;
  const placing = useMemo(() => declared.states.placing ?? [], [declared]);
  const put = (next: Placing[], label = 'Change the placing') =>
    set(label, ['states', 'placing'], next.length ? next : undefined);
  const fresh = (property: Property): Placing => {
    const to = itemAt(ways[property.kind], 0);
    return ruleOf(
      property,
      property.kind === 'toggle' ? 'crouching' : to === 'half of the clicked side' ? 'fixed' : to,
    );
  };
  if (!properties.length)
    return (
      <p className="note">
        The block has one state, so there is nothing to choose when it is placed. Properties make
        more.
      </p>
    );
  return (
    <>
      {placing.map((rule, i) => (
        <Rule
          key={i}
          at={i}
          rule={rule}
          properties={properties}
          onRule={(next) =>
            put(
              next ? placing.with(i, next) : placing.filter((_, other) => other !== i),
              next ? undefined : `Remove the placing of ${rule.set}`,
            )
          }
          onUp={
            i
              ? () =>
                  put(
                    placing.with(i, itemAt(placing, i - 1)).with(i - 1, rule),
                    'Reorder the placing',
                  )
              : undefined
          }
        />
      ))}
      <div className="rows-foot">
        <Button
          variant="default"
          onClick={() =>
            put(
              [
                ...placing,
                fresh(
                  properties.find((one) => !placing.some((rule) => rule.set === one.name)) ??
                    itemAt(properties, 0),
                ),
              ],
              'Add a rule of placing',
            )
          }
        >
          Add a rule
        </Button>
        <span className="note">
          For each property the first rule that holds decides; what none sets has its default.
        </span>
      </div>
      <TryOut editor={editor} placing={placing} onState={onState} />
      {!block.space.tooLarge && (
        <Reached editor={editor} placing={placing} state={state} onState={onState} />
      )}
    </>
  );
}

const ruleOf = (property: Property | undefined, to: How): Placing => ({
  set: property?.name ?? '',
  to,
  ...(to === 'joined'
    ? {
        side: (headings as readonly string[]).includes(property?.name ?? '')
          ? (property!.name as 'north')
          : 'north',
      }
    : {}),
  ...(to === 'fixed' ||
  (anywhere.includes(to) && to !== 'from the item' && property?.kind !== 'toggle')
    ? { value: property?.default }
    : {}),
});

function Rule({
  at,
  rule,
  properties,
  onRule,
  onUp,
}: {
  at: number;
  rule: Placing;
  properties: readonly Property[];
  onRule: (next: Placing | undefined) => void;
  onUp?: () => void;
}) {
  const property = properties.find((one) => one.name === rule.set);
  const chooses = anywhere.includes(rule.to);
  const offered = property ? ways[property.kind] : placingHow;
  const when = rule.when ?? {};
  const putWhen = (next: NonNullable<Placing['when']>) => {
    const left = Object.fromEntries(
      Object.entries(next).filter(([, value]) => !Array.isArray(value) || value.length),
    );
    const { when: _gone, ...rest } = rule;
    onRule(Object.keys(left).length ? { ...rest, when: left } : rest);
  };
  const toggle = (key: 'clicked' | 'solid', side: (typeof directions)[number]) =>
    putWhen({
      ...when,
      [key]: directions.filter((one) => (one === side) !== (when[key] ?? []).includes(one)),
    });
  return (
    <div className="row-card" role="group" aria-label={`Rule ${at + 1}`}>
      <div className="placing-line">
        <span className="mono soft">{at + 1}</span>
        <Select
          aria-label="Property"
          allowDeselect={false}
          data={properties.map((one) => one.name)}
          value={rule.set}
          error={!property}
          onChange={(name) =>
            name &&
            onRule(
              ruleOf(
                properties.find((one) => one.name === name),
                rule.to,
              ),
            )
          }
        />
        <Select
          aria-label="How"
          allowDeselect={false}
          comboboxProps={{ width: 220, position: 'bottom-start' }}
          data={[...new Set([...offered, rule.to])].map((to) => ({
            value: to,
            label: says[to] ?? to,
          }))}
          value={rule.to}
          onChange={(to) =>
            to && onRule({ ...ruleOf(property, to), ...(rule.when ? { when: rule.when } : {}) })
          }
        />
        <button
          type="button"
          className="tiny"
          disabled={!onUp}
          aria-label={`Move rule ${at + 1} up`}
          onClick={onUp}
        >
          ↑
        </button>
        <button
          type="button"
          className="tiny"
          aria-label={`Remove the placing of ${rule.set}`}
          onClick={() => onRule(undefined)}
        >
          ×
        </button>
      </div>
      {property && chooses && rule.to !== 'from the item' && (
        <div className="placing-values">
          {rule.to === 'joined' && (
            <span className="set-line">
              <span className="note">side</span>
              <Sides
                chosen={rule.side ? [rule.side] : []}
                onSide={(side) => onRule({ ...rule, side })}
                label="Joined side"
              />
            </span>
          )}
          {(property.kind !== 'toggle' || rule.to === 'fixed') && (
            <ValueSelect
              label={
                rule.to === 'fixed'
                  ? 'value'
                  : rule.to === 'half of the clicked side'
                    ? 'upper'
                    : 'yes'
              }
              property={property}
              value={rule.value}
              onValue={(value) => onRule({ ...rule, value })}
            />
          )}
          {property.kind !== 'toggle' && rule.to !== 'fixed' && (
            <ValueSelect
              label={rule.to === 'half of the clicked side' ? 'lower' : 'no'}
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
      )}
      <details className="placing-when">
        <summary>{conditionInWords(rule)}</summary>
        <span className="set-line">
          <span className="note">clicked side</span>
          <Sides
            chosen={when.clicked ?? []}
            onSide={(side) => toggle('clicked', side)}
            label="Clicked side"
          />
        </span>
        <span className="set-line">
          <span className="note">solid on</span>
          <Sides
            chosen={when.solid ?? []}
            onSide={(side) => toggle('solid', side)}
            label="Solid neighbour"
          />
        </span>
        <span className="set-line">
          <Flag
            label="half"
            value={when.half}
            choices={['upper', 'lower']}
            onValue={(half) => putWhen({ ...when, half })}
          />
          <Flag
            label="crouching"
            value={when.crouching}
            choices={[true, false]}
            onValue={(crouching) => putWhen({ ...when, crouching })}
          />
          <Flag
            label="signal"
            value={when.signal}
            choices={[true, false]}
            onValue={(signal) => putWhen({ ...when, signal })}
          />
        </span>
      </details>
    </div>
  );
}

/** The conditions of a rule as a sentence. */
function conditionInWords({ when }: Placing): string {
  if (!when) return 'whenever the block is placed';
  return `only when ${listed([
    ...(when.clicked ? [`the clicked side is ${listed(when.clicked, 'or')}`] : []),
    ...(when.half ? [`the ${when.half} half is clicked`] : []),
    ...(when.crouching === undefined
      ? []
      : [`the player ${when.crouching ? 'crouches' : 'stands'}`]),
    ...(when.signal === undefined
      ? []
      : [when.signal ? 'there is a signal' : 'there is no signal']),
    ...(when.solid ? [`a solid block is ${listed(when.solid, 'or')} of it`] : []),
  ])}`;
}

function Sides({
  chosen,
  onSide,
  label,
}: {
  chosen: readonly string[];
  onSide: (side: (typeof directions)[number]) => void;
  label: string;
}) {
  return (
    <span className="when">
      <span className="set" role="group" aria-label={label}>
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
    <span className="when">
      <span className="set" role="group" aria-label={label}>
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
      <span className="set-line">
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
    <span className="set-line">
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

/** Which states placing can produce, and which it never does. */
function Reached({
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
  const never = space.size - states.count;
  const byCode = space.properties
    .filter((property) => property.byCode)
    .map((property) => property.name);
  const situation = how.get(state);
  return (
    <>
      <h3 className="part">What placing can produce</h3>
      <p className="note" style={{ margin: '0 0 6px' }}>
        {never
          ? `${states.count.toLocaleString('en')} of ${count(space.size, 'state')}.`
          : `Each of the ${count(space.size, 'state')}.`}
        {never && byCode.length ? ` The mod’s code changes ${listed(byCode)}.` : ''}
      </p>
      {space.size <= 480 && (
        <div className="cells reached" role="group" aria-label="States that placing can produce">
          {Array.from({ length: space.size }, (_, one) => (
            <button
              key={one}
              type="button"
              className={states.has(one) ? undefined : 'never'}
              aria-pressed={one === state}
              aria-label={
                `${space.describe(one)}: ` +
                (states.has(one) ? describeSituation(how.get(one)!, placing) : 'never placed')
              }
              title={
                `${space.describe(one)}: ` +
                (states.has(one) ? describeSituation(how.get(one)!, placing) : 'never placed')
              }
              onClick={() => onState(one)}
            />
          ))}
        </div>
      )}
      <p className="note">
        <b style={{ fontWeight: 500 }}>{space.describe(state)}</b>:{' '}
        {situation
          ? `by ${describeSituation(situation, placing)}.`
          : 'no way of placing it gives this state.'}
      </p>
    </>
  );
}
