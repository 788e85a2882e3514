import { toolKinds, type ReactionIf } from '../../../../../core/mod/index.ts';
import { directions } from '../../../../../core/space/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import { idOf } from '../../../../../core/mod/index.ts';
import { NumberField } from '../../../../parts/number-field.tsx';
import { WhenEditor } from '../../../../parts/when-editor.tsx';
import { conditionTitles, withCondition, type ConditionPart, type Filling } from './fresh.ts';
import { IdChoice } from './id-choice.tsx';
import { AddWord, WordChoice } from './word-choice.tsx';
import styles from './reactions.module.css';

interface ConditionsProps {
  /** The number of the reaction, for what its fields are called. */
  number: number;
  asked: ReactionIf;
  filling: Filling;
  onIf: (asked: ReactionIf | undefined) => void;
}

const parts = Object.keys(conditionTitles) as ConditionPart[];
const yesNo = (yes: string, no: string) =>
  [
    ['yes', yes],
    ['no', no],
  ] as const;

/** What must hold besides, each part in its place in the sentence. */
export function Conditions({ number, asked, filling, onIf }: ConditionsProps) {
  const put = (next: ReactionIf) => onIf(Object.keys(next).length ? next : undefined);
  const without = (part: ConditionPart) => {
    const { [part]: _, ...rest } = asked;
    const { grade: __, ...others } = rest as ReactionIf;
    put(part === 'tool' ? others : rest);
  };
  const there = parts.filter(
    (part) => asked[part] !== undefined || (part === 'tool' && asked.grade !== undefined),
  );
  const left = parts.filter(
    (part) => !there.includes(part) && (part !== 'state' || filling.properties.length > 0),
  );
  return (
    <div className={styles['clause']}>
      <b>if</b>
      <div className={styles['parts']}>
        {there.map((part) => (
          <span key={part} className={styles['part']}>
            <Condition {...{ part, number, asked, filling, put }} />
            <button
              type="button"
              className="tiny"
              aria-label={`Remove: ${conditionTitles[part]} of reaction ${number}`}
              onClick={() => without(part)}
            >
              ×
            </button>
          </span>
        ))}
        <AddWord
          label={there.length ? 'and…' : 'always'}
          words={left.map((part) => [part, conditionTitles[part]] as const)}
          onAdd={(part) => put(withCondition(asked, part, filling))}
        />
      </div>
    </div>
  );
}

interface PartProps {
  part: ConditionPart;
  number: number;
  asked: ReactionIf;
  filling: Filling;
  put: (next: ReactionIf) => void;
}

function Condition({ part, number, asked, filling, put }: PartProps) {
  const of = (what: string) => `${what} of reaction ${number}`;
  switch (part) {
    case 'state':
      return (
        <WhenEditor
          properties={filling.properties}
          {...(asked.state && { when: asked.state })}
          onWhen={(state) => {
            const { state: _, ...rest } = asked;
            put(state ? { ...rest, state } : rest);
          }}
        />
      );
    case 'tool':
      return <Tool {...{ number, asked, put }} />;
    case 'holds':
      return <Holds {...{ number, asked, filling, put }} />;
    case 'crouching':
      return (
        <WordChoice
          label={of('Crouching')}
          value={asked.crouching ? 'yes' : 'no'}
          words={yesNo('they crouch', 'they stand')}
          onChange={(value) => put({ ...asked, crouching: value === 'yes' })}
        />
      );
    case 'signal':
      return (
        <WordChoice
          label={of('Signal')}
          value={asked.signal ? 'yes' : 'no'}
          words={yesNo('a signal is there', 'no signal is there')}
          onChange={(value) => put({ ...asked, signal: value === 'yes' })}
        />
      );
    case 'light': {
      const [least, most] = asked.light ?? [0, 15];
      return (
        <>
          the light is
          <NumberField
            label={of('Least light')}
            value={least}
            least={0}
            most={15}
            onNumber={(next) => put({ ...asked, light: [Math.round(next), most] })}
          />
          to
          <NumberField
            label={of('Most light')}
            value={most}
            least={0}
            most={15}
            onNumber={(next) => put({ ...asked, light: [least, Math.round(next)] })}
          />
        </>
      );
    }
    case 'neighbour':
      return <NeighbourAsked {...{ number, asked, filling, put }} />;
    case 'chance':
      return (
        <>
          chance is with it, in
          <NumberField
            label={of('Chance in a hundred')}
            value={(asked.chance ?? 1) * 100}
            least={0}
            most={100}
            onNumber={(next) => put({ ...asked, chance: next / 100 })}
          />
          of 100
        </>
      );
  }
}

function Tool({ number, asked, put }: Pick<PartProps, 'number' | 'asked' | 'put'>) {
  const { grades } = useMod().header.tools;
  const { tool: _, grade: __, ...rest } = asked;
  return (
    <>
      the tool is
      <WordChoice
        label={`Tool of reaction ${number}`}
        value={asked.tool ?? 'any'}
        words={[['any', 'any tool'], ...toolKinds.map((kind) => [kind, `a ${kind}`] as const)]}
        onChange={(kind) =>
          put({
            ...rest,
            ...(kind === 'any' ? { grade: asked.grade ?? 0 } : { tool: kind }),
            ...(kind !== 'any' && asked.grade !== undefined && { grade: asked.grade }),
          })
        }
      />
      <WordChoice
        label={`Grade of reaction ${number}`}
        value={String(asked.grade ?? 0)}
        words={grades.map(
          ({ name }, grade) =>
            [String(grade), grade ? `${name} or better` : 'of any grade'] as const,
        )}
        onChange={(grade) => put({ ...asked, grade: Number(grade) })}
      />
    </>
  );
}

function Holds({ number, asked, filling, put }: Omit<PartProps, 'part'>) {
  const { itemTags, header } = useMod();
  const also = [
    { value: 'nothing', label: 'nothing' },
    ...Object.keys(itemTags).map((tag) => ({
      value: `#${idOf(header.namespace, tag)}`,
      label: `any of ${tag.replaceAll('_', ' ')}`,
    })),
  ];
  return (
    <>
      in the hand is
      <IdChoice
        label={`In the hand of reaction ${number}`}
        value={asked.holds ?? 'nothing'}
        ids={filling.items}
        also={also}
        onTake={(holds) => put({ ...asked, holds })}
      />
    </>
  );
}

const sides = [
  ['any', 'beside it'],
  ['up', 'above it'],
  ['down', 'under it'],
  ['north', 'to its north'],
  ['east', 'to its east'],
  ['south', 'to its south'],
  ['west', 'to its west'],
] as const;

function NeighbourAsked({ number, asked, filling, put }: Omit<PartProps, 'part'>) {
  const mod = useMod();
  const neighbour = asked.neighbour ?? { is: 'nothing' };
  const also = [
    { value: 'nothing', label: 'nothing' },
    ...Object.keys(mod.blockTags).map((tag) => ({
      value: `#${idOf(mod.header.namespace, tag)}`,
      label: `any of ${tag.replaceAll('_', ' ')}`,
    })),
  ];
  const name = neighbour.is.slice(neighbour.is.indexOf(':') + 1);
  const properties = Object.hasOwn(mod.blocks, name)
    ? (mod.blocks[name]?.states.properties ?? [])
    : [];
  return (
    <>
      <WordChoice
        label={`Side of the neighbour of reaction ${number}`}
        value={neighbour.side ?? 'any'}
        words={sides}
        onChange={(side) => {
          const { side: _, ...rest } = neighbour;
          const found = directions.find((one) => one === side);
          put({ ...asked, neighbour: found ? { ...rest, side: found } : rest });
        }}
      />
      is
      <IdChoice
        label={`Neighbour of reaction ${number}`}
        value={neighbour.is}
        ids={[...filling.fluids, ...filling.blocks]}
        also={also}
        onTake={(is) => {
          const { state: _, ...rest } = neighbour;
          put({ ...asked, neighbour: { ...rest, is } });
        }}
      />
      {properties.length > 0 && (
        <WhenEditor
          properties={properties}
          {...(neighbour.state && { when: neighbour.state })}
          onWhen={(state) => {
            const { state: _, ...rest } = neighbour;
            put({ ...asked, neighbour: state ? { ...rest, state } : rest });
          }}
        />
      )}
    </>
  );
}
