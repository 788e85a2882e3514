import { Menu, NumberInput } from '@mantine/core';
import clsx from 'clsx';
import type { ReactNode } from 'react';
import { withoutUndefined } from '../../../core/json/index.ts';
import { toolKinds, type Header, type LotWhen, type ToolKind } from '../../../core/mod/index.ts';
import type { Property, When } from '../../../core/states/index.ts';
import { WhenEditor } from '../when-editor.tsx';
import styles from './loot.module.css';

type Key = keyof LotWhen;
const words: Record<Key, string> = {
  tool: 'a kind of tool',
  grade: 'a least grade',
  careful: 'careful',
  blast: 'by a blast',
  chance: 'a chance',
  state: 'a state',
  all: 'all of …',
  any: 'any of …',
  not: 'not …',
};

/** What a part of a condition is when it is added. */
function freshPart(key: Key, properties: readonly Property[]): LotWhen {
  const [first] = properties;
  const state: When = first ? { [first.name]: first.default } : {};
  const parts: Record<Key, LotWhen> = {
    tool: { tool: 'pick' },
    grade: { grade: 1 },
    careful: { careful: true },
    blast: { blast: true },
    chance: { chance: 0.5 },
    state: { state },
    all: { all: [{ careful: false }] },
    any: { any: [{ careful: true }] },
    not: { not: { blast: true } },
  };
  return parts[key];
}

interface ConditionProps {
  when: LotWhen | undefined;
  onWhen: (when: LotWhen | undefined) => void;
  properties: readonly Property[];
  header: Header;
  nested?: boolean;
}
/** What each part of a condition is given. */
interface PartProps extends Pick<ConditionProps, 'properties' | 'header'> {
  when: LotWhen;
  /** Changes some parts; what becomes undefined is taken away. */
  put: (part: LotWhen) => void;
}

/**
 * A condition of a lot, part by part: all that is named must hold. Groups hold conditions of their
 * own.
 */
export function ConditionEditor(props: ConditionProps) {
  const { when = {}, onWhen, properties, header, nested = false } = props;
  const put = (part: LotWhen) => {
    const next = withoutUndefined({ ...when, ...part });
    onWhen(Object.keys(next).length ? next : undefined);
  };
  const part = { when, put, properties, header };
  return (
    <div className={nested ? clsx(styles['condition'], styles['nested']) : styles['condition']}>
      <ToolClause {...part} />
      <YesNo {...part} name="careful" yes="careful" no="not careful" />
      <YesNo {...part} name="blast" yes="by a blast" no="not by a blast" />
      <ChanceClause {...part} />
      {when.state !== undefined && (
        <span className={clsx(styles['clause'], styles['wide'])}>
          <WhenEditor
            properties={properties}
            when={when.state}
            onWhen={(state) => put({ state })}
          />
          <Off {...part} names={['state']} />
        </span>
      )}
      <Group {...part} name="all" />
      <Group {...part} name="any" />
      {when.not && (
        <Nested label={words.not} head={<>not {<Off {...part} names={['not']} />}</>}>
          <ConditionEditor
            {...{ nested: true, properties, header }}
            when={when.not}
            onWhen={(not) => put({ not })}
          />
        </Nested>
      )}
      <AddPart {...part} />
    </div>
  );
}

/** Takes parts away: the first one by its words, others that mean nothing without it along. */
function Off({ put, names }: PartProps & { names: readonly [Key, ...Key[]] }) {
  return (
    <button
      type="button"
      className="tiny"
      aria-label={`Remove ${words[names[0]]}`}
      onClick={() => put(Object.fromEntries(names.map((name) => [name, undefined])))}
    >
      ×
    </button>
  );
}

function ToolClause(props: PartProps) {
  const { when, put, header } = props;
  const { kinds, grades } = header.tools;
  const { tool, grade } = when;
  const onGrade = (next: number | undefined) => put({ grade: next });
  if (tool === undefined)
    return grade === undefined ? null : (
      <span className={styles['clause']}>
        with a tool of <GradeChoice grades={grades} grade={grade} onGrade={onGrade} />
        <Off {...props} names={['grade']} />
      </span>
    );
  return (
    <span className={styles['clause']}>
      with
      <select
        className="pick"
        aria-label="Kind of tool"
        aria-invalid={!kinds[tool]}
        value={tool}
        onChange={(event) => put({ tool: event.currentTarget.value as ToolKind })}
      >
        {toolKinds.map((kind) => (
          <option key={kind}>{kind}</option>
        ))}
      </select>
      <GradeChoice grades={grades} grade={grade} onGrade={onGrade} any />
      <Off {...props} names={['tool', 'grade']} />
    </span>
  );
}

interface YesNoProps extends PartProps {
  name: 'careful' | 'blast';
  yes: string;
  no: string;
}

function YesNo({ name, yes, no, ...props }: YesNoProps) {
  const { when, put } = props;
  if (when[name] === undefined) return null;
  return (
    <span className={styles['clause']}>
      <select
        className="pick"
        aria-label={words[name]}
        value={String(when[name])}
        onChange={(event) => put({ [name]: event.currentTarget.value === 'true' })}
      >
        <option value="true">{yes}</option>
        <option value="false">{no}</option>
      </select>
      <Off {...props} names={[name]} />
    </span>
  );
}

function ChanceClause(props: PartProps) {
  const { when, put } = props;
  if (when.chance === undefined) return null;
  return (
    <span className={styles['clause']}>
      <NumberInput
        aria-label="Chance in 100"
        w={60}
        hideControls
        min={0}
        max={100}
        decimalScale={3}
        value={Number((when.chance * 100).toFixed(3))}
        onChange={(next) =>
          typeof next === 'number' && put({ chance: Number((next / 100).toFixed(6)) })
        }
      />{' '}
      times in 100 <Off {...props} names={['chance']} />
    </span>
  );
}

/** Conditions of which all, or any one, must hold. */
function Group({ name, ...props }: PartProps & { name: 'all' | 'any' }) {
  const { when, put, properties, header } = props;
  const list = when[name];
  if (!list) return null;
  const putList = (next: LotWhen[]) => put({ [name]: next.length ? next : undefined });
  return (
    <Nested
      label={words[name]}
      head={
        <>
          {name === 'all' ? 'all of' : 'any of'} <Off {...props} names={[name]} />
        </>
      }
    >
      {list.map((one, i) => (
        <ConditionEditor
          key={i}
          nested
          properties={properties}
          header={header}
          when={one}
          onWhen={(next) => putList(next ? list.with(i, next) : list.toSpliced(i, 1))}
        />
      ))}
      <button type="button" className="tiny" onClick={() => putList([...list, { careful: true }])}>
        Add one more
      </button>
    </Nested>
  );
}

const Nested = ({
  label,
  head,
  children,
}: {
  label: string;
  head: ReactNode;
  children: ReactNode;
}) => (
  <div className={styles['group']} role="group" aria-label={label}>
    <span className="note">{head}</span>
    {children}
  </div>
);

function AddPart({ when, put, properties }: PartProps) {
  const offered = (Object.keys(words) as Key[]).filter(
    (key) =>
      when[key] === undefined &&
      !(key === 'grade' && when.tool !== undefined) &&
      !(key === 'state' && !properties.length),
  );
  return (
    <Menu position="bottom-start" shadow="sm">
      <Menu.Target>
        <button type="button" className={clsx('tiny', styles['add'])}>
          {Object.keys(when).length ? '+ and' : '+ only when …'}
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        {offered.map((key) => (
          <Menu.Item key={key} onClick={() => put(freshPart(key, properties))}>
            {words[key]}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}

interface GradeChoiceProps {
  grades: Header['tools']['grades'];
  grade: number | undefined;
  onGrade: (grade: number | undefined) => void;
  /** Whether it may also be of any grade. */
  any?: boolean;
}

function GradeChoice({ grades, grade, onGrade, any }: GradeChoiceProps) {
  return (
    <select
      className="pick"
      aria-label="Least grade"
      value={grade ?? ''}
      onChange={(event) =>
        onGrade(event.currentTarget.value === '' ? undefined : Number(event.currentTarget.value))
      }
    >
      {any && <option value="">of any grade</option>}
      {grades.map(({ name }, index) => (
        <option key={name} value={index}>
          {name}
          {index < grades.length - 1 ? ' or better' : ''}
        </option>
      ))}
      {grade !== undefined && !grades[grade] && <option value={grade}>grade {grade}</option>}
    </select>
  );
}
