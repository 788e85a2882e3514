import { Menu, NumberInput } from '@mantine/core';
import { withoutUndefined } from '../../../core/json/index.ts';
import { toolKinds, type Header, type LotWhen, type ToolKind } from '../../../core/mod/index.ts';
import type { Property, When } from '../../../core/states/index.ts';
import { WhenEditor } from '../when-editor.tsx';

const words: Record<keyof LotWhen, string> = {
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
const fresh = (key: keyof LotWhen, properties: readonly Property[]): LotWhen =>
  ({
    tool: { tool: 'pick' as ToolKind },
    grade: { grade: 1 },
    careful: { careful: true },
    blast: { blast: true },
    chance: { chance: 0.5 },
    state: {
      state: properties[0] ? ({ [properties[0].name]: properties[0].default } as When) : {},
    },
    all: { all: [{ careful: false }] },
    any: { any: [{ careful: true }] },
    not: { not: { blast: true } },
  })[key];

/**
 * A condition of a lot, part by part: all that is named must hold. Groups hold conditions of their
 * own.
 */
export function ConditionEditor({
  when,
  onWhen,
  properties,
  header,
  nested = false,
}: {
  when: LotWhen | undefined;
  onWhen: (when: LotWhen | undefined) => void;
  properties: readonly Property[];
  header: Header;
  nested?: boolean;
}) {
  const given = when ?? {};
  const put = (part: LotWhen) => {
    const next = withoutUndefined({ ...given, ...part });
    onWhen(Object.keys(next).length ? next : undefined);
  };
  const without = (key: keyof LotWhen, also?: keyof LotWhen) =>
    put({ [key]: undefined, ...(also ? { [also]: undefined } : {}) });
  const { grades, kinds } = header.tools;
  const offered = (Object.keys(words) as (keyof LotWhen)[]).filter(
    (key) =>
      given[key] === undefined &&
      !(key === 'grade' && given.tool !== undefined) &&
      !(key === 'state' && !properties.length),
  );
  const off = (key: keyof LotWhen, also?: keyof LotWhen) => (
    <button
      type="button"
      className="tiny"
      aria-label={`Remove ${words[key]}`}
      onClick={() => without(key, also)}
    >
      ×
    </button>
  );
  const yesNo = (key: 'careful' | 'blast', yes: string, no: string) =>
    given[key] !== undefined && (
      <span className="clause">
        <select
          className="pick"
          aria-label={words[key]}
          value={String(given[key])}
          onChange={(event) => put({ [key]: event.currentTarget.value === 'true' })}
        >
          <option value="true">{yes}</option>
          <option value="false">{no}</option>
        </select>
        {off(key)}
      </span>
    );
  const group = (key: 'all' | 'any') =>
    given[key] && (
      <div className="group" role="group" aria-label={words[key]}>
        <span className="note">
          {key === 'all' ? 'all of' : 'any of'} {off(key)}
        </span>
        {given[key].map((one, i) => (
          <ConditionEditor
            key={i}
            nested
            properties={properties}
            header={header}
            when={one}
            onWhen={(next) => {
              const list = next
                ? given[key]!.with(i, next)
                : given[key]!.filter((_, at) => at !== i);
              put({ [key]: list.length ? list : undefined });
            }}
          />
        ))}
        <button
          type="button"
          className="tiny"
          onClick={() => put({ [key]: [...given[key]!, { careful: true }] })}
        >
          Add one more
        </button>
      </div>
    );
  return (
    <div className={nested ? 'condition nested' : 'condition'}>
      {given.tool !== undefined && (
        <span className="clause">
          with
          <select
            className="pick"
            aria-label="Kind of tool"
            aria-invalid={!kinds[given.tool]}
            value={given.tool}
            onChange={(event) => put({ tool: event.currentTarget.value as ToolKind })}
          >
            {toolKinds.map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </select>
          <Grade grades={grades} grade={given.grade} onGrade={(grade) => put({ grade })} any />
          {off('tool', 'grade')}
        </span>
      )}
      {given.tool === undefined && given.grade !== undefined && (
        <span className="clause">
          with a tool of{' '}
          <Grade grades={grades} grade={given.grade} onGrade={(grade) => put({ grade })} />
          {off('grade')}
        </span>
      )}
      {yesNo('careful', 'careful', 'not careful')}
      {yesNo('blast', 'by a blast', 'not by a blast')}
      {given.chance !== undefined && (
        <span className="clause">
          <NumberInput
            aria-label="Chance in 100"
            w={60}
            hideControls
            min={0}
            max={100}
            decimalScale={3}
            value={Number((given.chance * 100).toFixed(3))}
            onChange={(next) =>
              typeof next === 'number' && put({ chance: Number((next / 100).toFixed(6)) })
            }
          />{' '}
          times in 100 {off('chance')}
        </span>
      )}
      {given.state !== undefined && (
        <span className="clause wide">
          <WhenEditor
            properties={properties}
            when={given.state}
            onWhen={(state) => put({ state })}
          />
          {off('state')}
        </span>
      )}
      {group('all')}
      {group('any')}
      {given.not && (
        <div className="group" role="group" aria-label={words.not}>
          <span className="note">not {off('not')}</span>
          <ConditionEditor
            nested
            properties={properties}
            header={header}
            when={given.not}
            onWhen={(not) => put({ not })}
          />
        </div>
      )}
      <Menu position="bottom-start" shadow="sm">
        <Menu.Target>
          <button type="button" className="tiny add">
            {Object.keys(given).length ? '+ and' : '+ only when …'}
          </button>
        </Menu.Target>
        <Menu.Dropdown>
          {offered.map((key) => (
            <Menu.Item key={key} onClick={() => put(fresh(key, properties))}>
              {words[key]}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
    </div>
  );
}

function Grade({
  grades,
  grade,
  onGrade,
  any,
}: {
  grades: Header['tools']['grades'];
  grade: number | undefined;
  onGrade: (grade: number | undefined) => void;
  any?: boolean;
}) {
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
      {grades.map(({ name }, at) => (
        <option key={name} value={at}>
          {name}
          {at < grades.length - 1 ? ' or better' : ''}
        </option>
      ))}
      {grade !== undefined && !grades[grade] && <option value={grade}>grade {grade}</option>}
    </select>
  );
}
