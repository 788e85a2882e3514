import { Select, TextInput } from '@mantine/core';
import { kitFrom } from '../../../../core/kits/index.ts';
import {
  idOf,
  letterCases,
  OwnKitSchema,
  type LetterCase,
  type OwnKit,
} from '../../../../core/mod/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { useTyped } from '../../../parts/use-typed.ts';
import type { KitEdits } from '../use-kit.ts';
import styles from '../kits.module.css';

type Names = NonNullable<OwnKit['names']>;
type Rule = NonNullable<Names['ids']>;

/** How names are written for the engine, each rule with how names of this mod come out of it. */
export function NamesStation({ edits }: { edits: KitEdits }) {
  const names = edits.own.names ?? {};
  const put = (next: Names) => edits.put('How names are written', 'names', next);
  return (
    <section className={styles['station']} aria-label="Names">
      <div className={styles['narrow']}>
        <h2>Ids</h2>
        <p className="note">
          What the filter <span className="mono">id</span> writes.
        </p>
        <RuleFields rule={names.ids ?? {}} onRule={(ids) => put({ ...names, ids })} />
        <Field
          label="Between namespace and name"
          value={
            <BetweenField
              between={names.between ?? ':'}
              onBetween={(between) => put({ ...names, between })}
            />
          }
        />
        <Sample edits={edits} filter="id" />
        <h2>Files</h2>
        <p className="note">
          What the filter <span className="mono">file</span> writes, for names in paths.
        </p>
        <RuleFields rule={names.files ?? {}} onRule={(files) => put({ ...names, files })} />
        <Sample edits={edits} filter="file" />
      </div>
    </section>
  );
}

function RuleFields({ rule, onRule }: { rule: Rule; onRule: (rule: Rule) => void }) {
  const without = (key: keyof Rule): Rule => {
    const { [key]: _, ...others } = rule;
    return others;
  };
  return (
    <>
      <Field
        label="Words are written"
        value={
          <Select
            aria-label="Words are written"
            w={200}
            allowDeselect={false}
            data={[
              { value: '', label: 'as they are' },
              ...letterCases.map((value) => ({ value, label: samples[value] })),
            ]}
            value={rule.case ?? ''}
            onChange={(value) => onRule(value ? { ...rule, case: value } : without('case'))}
          />
        }
      />
      <Field
        label="Letters at most"
        value={
          <NumberField
            label="Letters at most"
            value={rule.longest ?? 1000}
            least={1}
            most={1000}
            onNumber={(longest) => onRule({ ...rule, longest: Math.round(longest) })}
          />
        }
      />
      <Field
        label="Letters allowed"
        value={
          <LettersField
            letters={rule.letters ?? ''}
            onLetters={(letters) => onRule(letters ? { ...rule, letters } : without('letters'))}
          />
        }
        note="With ranges, such as a-z0-9_. Any where nothing is said."
      />
    </>
  );
}

const samples: Readonly<Record<LetterCase, string>> = {
  snake: 'tide_lantern',
  kebab: 'tide-lantern',
  camel: 'tideLantern',
  pascal: 'TideLantern',
  upper: 'TIDE_LANTERN',
};

function LettersField({
  letters,
  onLetters,
}: {
  letters: string;
  onLetters: (letters: string) => void;
}) {
  const [typed, setTyped] = useTyped(letters);
  const isOdd = typed !== '' && !lettersFit(typed);
  return (
    <TextInput
      aria-label="Letters allowed"
      w={200}
      classNames={{ input: 'mono' }}
      value={typed}
      maxLength={100}
      error={isOdd && 'Say a range from its first letter to its last.'}
      onChange={(event) => {
        const next = event.currentTarget.value;
        setTyped(next);
        if (next === '' || lettersFit(next)) onLetters(next);
      }}
    />
  );
}

const lettersFit = (letters: string): boolean =>
  OwnKitSchema.shape.names.safeParse({ ids: { letters } }).success;

function BetweenField({
  between,
  onBetween,
}: {
  between: string;
  onBetween: (between: string) => void;
}) {
  const [typed, setTyped] = useTyped(between);
  return (
    <TextInput
      aria-label="Between namespace and name"
      w={90}
      classNames={{ input: 'mono' }}
      value={typed}
      maxLength={8}
      onChange={(event) => {
        setTyped(event.currentTarget.value);
        onBetween(event.currentTarget.value);
      }}
    />
  );
}

/** How names of this mod come out, and the first that breaks the rule. */
function Sample({ edits, filter }: { edits: KitEdits; filter: 'id' | 'file' }) {
  const { blocks, header } = useMod();
  const { templates } = kitFrom(edits.name, edits.own, noTexts).writer;
  const written = Object.keys(blocks).map((name) => {
    const value = filter === 'id' ? idOf(header.namespace, name) : name;
    return templates.renderLine('line', `{{ name | ${filter} }}`, {
      own: { name: value },
      everywhere: {},
    });
  });
  const broken = written.find((one) => 'problem' in one);
  const some = written.flatMap((one) => ('text' in one ? [one.text] : [])).slice(0, 4);
  return (
    <>
      <p className="mono soft">{some.join('   ')}</p>
      {broken && 'problem' in broken && <p className="bad">{broken.problem.message}</p>}
    </>
  );
}

const noTexts: ReadonlyMap<string, string> = new Map();
