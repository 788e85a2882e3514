import { directions, type Direction } from '../../../../../core/space/index.ts';
import { valuesOf } from '../../../../../core/states/index.ts';
import type { Action } from '../../../../../core/mod/index.ts';
import { NumberField } from '../../../../parts/number-field.tsx';
import { TextField } from '../../../../parts/text-field.tsx';
import { actionTitles, freshAction, type Filling } from './fresh.ts';
import { IdChoice } from './id-choice.tsx';
import { AddWord, WordChoice } from './word-choice.tsx';
import styles from './reactions.module.css';

interface ActionsProps {
  number: number;
  then: readonly Action[];
  filling: Filling;
  onThen: (then: Action[]) => void;
}

const kinds = Object.keys(actionTitles) as Action['do'][];

/** What is done, in order. */
export function Actions({ number, then, filling, onThen }: ActionsProps) {
  return (
    <div className={styles['clause']}>
      <b>then</b>
      <div className={styles['parts']}>
        {then.map((action, i) => (
          <span key={i} className={styles['part']}>
            <ActionPart
              label={(what) => `${what}, action ${i + 1} of reaction ${number}`}
              action={action}
              filling={filling}
              onAction={(next) => onThen(then.with(i, next))}
            />
            {then.length > 1 && (
              <button
                type="button"
                className="tiny"
                aria-label={`Remove action ${i + 1} of reaction ${number}`}
                onClick={() => onThen(then.toSpliced(i, 1))}
              >
                ×
              </button>
            )}
          </span>
        ))}
        <AddWord
          label="and then…"
          words={kinds
            .filter((kind) => freshAction(kind, filling) !== undefined)
            .map((kind) => [kind, actionTitles[kind]] as const)}
          onAdd={(kind) => {
            const fresh = freshAction(kind, filling);
            if (fresh) onThen([...then, fresh]);
          }}
        />
      </div>
    </div>
  );
}

interface PartProps<A extends Action = Action> {
  label: (what: string) => string;
  action: A;
  filling: Filling;
  onAction: (action: Action) => void;
}
type Doing<Kind extends Action['do']> = Extract<Action, { do: Kind }>;

function ActionPart(props: PartProps) {
  const { label, action, filling, onAction } = props;
  switch (action.do) {
    case 'set':
    case 'flip':
    case 'step':
      return <OwnState {...props} action={action} />;
    case 'become':
      return (
        <>
          it becomes
          <IdChoice
            label={label('Block')}
            value={action.block}
            ids={filling.blocks}
            onTake={(block) => onAction({ ...action, block })}
          />
        </>
      );
    case 'vanish':
      return <>it is gone</>;
    case 'drop':
    case 'give':
      return <ItemAction {...props} action={action} />;
    case 'take':
      return (
        <>
          the hand loses <Many {...props} action={action} />
        </>
      );
    case 'play':
      return (
        <>
          one hears
          <IdChoice
            label={label('Sound')}
            value={action.sound}
            ids={filling.sounds}
            onTake={(sound) => onAction({ ...action, sound })}
          />
        </>
      );
    case 'signal':
      return <Signal {...props} action={action} />;
    case 'pour':
      return (
        <>
          <IdChoice
            label={label('Fluid')}
            value={action.fluid}
            ids={filling.fluids}
            onTake={(fluid) => onAction({ ...action, fluid })}
          />
          springs <Side {...props} action={action} />
        </>
      );
    case 'drain':
      return (
        <>
          the fluid <Side {...props} action={action} /> is gone
        </>
      );
    case 'place':
      return (
        <>
          <IdChoice
            label={label('Block')}
            value={action.block}
            ids={filling.blocks}
            onTake={(block) => onAction({ ...action, block })}
          />
          comes <Side {...props} action={action} />
        </>
      );
    case 'spread':
      return <Spread {...props} action={action} />;
    case 'blast':
      return (
        <>
          a charge of
          <NumberField
            label={label('Strength')}
            value={action.strength}
            least={0}
            most={1000}
            onNumber={(strength) => onAction({ ...action, strength })}
          />
          goes off
        </>
      );
    case 'call':
      return (
        <>
          <TextField
            w={150}
            aria-label={label('Creature')}
            text={action.creature}
            onText={(creature) => onAction({ ...action, creature })}
          />
          comes
        </>
      );
    case 'run':
      return (
        <>
          the code runs
          <TextField
            w={130}
            aria-label={label('Function')}
            text={action.function}
            onText={(name) => onAction({ ...action, function: name })}
          />
        </>
      );
  }
}

function OwnState({ label, action, filling, onAction }: PartProps<Doing<'set' | 'flip' | 'step'>>) {
  const { properties } = filling;
  const property = properties.find(({ name }) => name === action.property);
  const names = properties
    .filter(({ kind }) => action.do !== 'step' || kind === 'number')
    .map(({ name }) => [name, name] as const);
  const values = property ? valuesOf(property) : [];
  return (
    <>
      <WordChoice
        label={label('Property')}
        value={action.property}
        words={property ? names : [[action.property, `${action.property} ?`], ...names]}
        onChange={(name) => {
          const next = properties.find((one) => one.name === name);
          if (!next) return;
          onAction(
            action.do === 'set'
              ? { ...action, property: name, to: valuesOf(next).at(-1) ?? true }
              : { ...action, property: name },
          );
        }}
      />
      {action.do === 'set' && (
        <>
          becomes
          <WordChoice
            label={label('Value')}
            value={String(action.to)}
            words={[...new Set([...values.map(String), String(action.to)])].map((word) => [
              word,
              word,
            ])}
            onChange={(word) => {
              const to = values.find((value) => String(value) === word);
              if (to !== undefined) onAction({ ...action, to });
            }}
          />
        </>
      )}
      {action.do === 'flip' && 'goes to its next value'}
      {action.do === 'step' && (
        <>
          goes up by
          <NumberField
            label={label('Step')}
            value={action.by}
            least={-1000}
            most={1000}
            onNumber={(by) => onAction({ ...action, by: Math.round(by) })}
          />
        </>
      )}
    </>
  );
}

const Many = ({ label, action, onAction }: PartProps<Doing<'drop' | 'give' | 'take' | 'call'>>) => (
  <NumberField
    label={label('How many')}
    value={action.count ?? 1}
    least={1}
    most={9999}
    onNumber={(count) => onAction({ ...action, count: Math.round(count) })}
  />
);

const ItemAction = (props: PartProps<Doing<'drop' | 'give'>>) => (
  <>
    {props.action.do === 'drop' ? 'it drops' : 'the player gets'}
    <Many {...props} />
    <IdChoice
      label={props.label('Item')}
      value={props.action.item}
      ids={props.filling.items}
      onTake={(item) => props.onAction({ ...props.action, item })}
    />
  </>
);

function Signal({ label, action, onAction }: PartProps<Doing<'signal'>>) {
  const { ticks, ...rest } = action;
  const how = action.strength === 0 ? 'ends' : ticks === undefined ? 'stays' : 'lasts';
  return (
    <>
      <WordChoice
        label={label('Signal')}
        value={how}
        words={[
          ['lasts', 'it gives a signal for'],
          ['stays', 'it gives a signal from then on'],
          ['ends', 'its signal ends'],
        ]}
        onChange={(next) =>
          onAction(
            next === 'ends'
              ? { ...rest, strength: 0 }
              : {
                  ...rest,
                  strength: rest.strength || 15,
                  ...(next === 'lasts' && { ticks: ticks ?? 20 }),
                },
          )
        }
      />
      {how === 'lasts' && (
        <>
          <NumberField
            label={label('Ticks')}
            value={ticks}
            least={1}
            onNumber={(next) => onAction({ ...action, ticks: Math.round(next) })}
          />
          ticks
        </>
      )}
      {how !== 'ends' && (
        <>
          of strength
          <NumberField
            label={label('Strength')}
            value={action.strength}
            least={1}
            most={15}
            onNumber={(strength) => onAction({ ...action, strength: Math.round(strength) })}
          />
        </>
      )}
    </>
  );
}

const sideWords: Readonly<Record<Direction, string>> = {
  up: 'above it',
  down: 'under it',
  north: 'to its north',
  east: 'to its east',
  south: 'to its south',
  west: 'to its west',
};

const Side = ({ label, action, onAction }: PartProps<Doing<'pour' | 'drain' | 'place'>>) => (
  <WordChoice
    label={label('Side')}
    value={action.side}
    words={directions.map((side) => [side, sideWords[side]] as const)}
    onChange={(side) => onAction({ ...action, side })}
  />
);

function Spread({ label, action, filling, onAction }: PartProps<Doing<'spread'>>) {
  const { onto, ...rest } = action;
  return (
    <>
      it spreads to within
      <NumberField
        label={label('Blocks')}
        value={action.within}
        least={1}
        most={8}
        onNumber={(within) => onAction({ ...action, within: Math.round(within) })}
      />
      blocks, onto
      <IdChoice
        label={label('Ground')}
        value={onto ?? 'any'}
        ids={filling.blocks}
        also={[{ value: 'any', label: 'whatever it is' }]}
        onTake={(next) => onAction(next === 'any' ? rest : { ...rest, onto: next })}
      />
    </>
  );
}
