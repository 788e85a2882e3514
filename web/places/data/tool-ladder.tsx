import { Button, NumberInput } from '@mantine/core';
import {
  changeLadder,
  gradeUses,
  resolveBlocks,
  stockNamed,
  type LadderAct,
} from '../../../core/mod/index.ts';
import { Id, namePattern } from '../../../core/mod/names.ts';
import { digTime } from '../../../core/traits/index.ts';
import { count } from '../../../core/words/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { CommitField } from '../../parts/commit-field.tsx';
import { DataTabs } from './data-tabs.tsx';

/** What the paces are seen by: a material for each common kind of tool. */
const samples = [
  ['granite', 'pick'],
  ['timber', 'axe'],
  ['soil', 'spade'],
] as const;

/**
 * The grades of tools from the humblest up, each with its pace and what that means, and the tag
 * that each kind of tool digs.
 */
export function ToolLadder() {
  const mod = useMod();
  const session = useSession();
  const { tools } = mod.header;
  const uses = gradeUses(mod);
  const blocks = resolveBlocks(mod);
  const act = (label: string, what: LadderAct) => session.edit(label, changeLadder(mod, what));
  const nameProblem = (name: string, at: number) =>
    !namePattern.test(name)
      ? 'Use lowercase letters, digits and underscores, beginning with a letter.'
      : tools.grades.some((grade, other) => other !== at && grade.name === name)
        ? 'Another grade has this name.'
        : undefined;
  const fresh = () => {
    let name = 'new_grade';
    while (tools.grades.some((grade) => grade.name === name)) name += '_2';
    act(`Add the grade ${name}`, {
      do: 'add',
      name,
      pace: Number(((tools.grades.at(-1)?.pace ?? 1) * 1.5).toFixed(1)),
    });
  };
  return (
    <div className="page">
      <DataTabs />
      <p className="note">
        The right kind of tool divides the seconds of digging by the pace of its grade. Blocks and
        drops that ask for a grade follow when grades move.
      </p>
      <table className="ladder" aria-label="Tool ladder">
        <thead>
          <tr>
            <th>Grade</th>
            <th>Name</th>
            <th>Pace</th>
            {samples.map(([stock, kind]) => (
              <th key={stock}>
                {stock}, with {kind}
              </th>
            ))}
            <th>Asked for by</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {tools.grades.map((grade, at) => (
            <tr key={grade.name}>
              <td className="mono">{at}</td>
              <td>
                <CommitField
                  aria-label={`Name of grade ${at}`}
                  w={140}
                  text={grade.name}
                  check={(name) => nameProblem(name, at)}
                  onText={(name) =>
                    act(`Rename the grade ${grade.name} to ${name}`, {
                      do: 'change',
                      grade: at,
                      name,
                    })
                  }
                />
              </td>
              <td>
                <NumberInput
                  aria-label={`Pace of ${grade.name}`}
                  w={84}
                  hideControls
                  min={0.1}
                  step={0.1}
                  decimalScale={2}
                  value={grade.pace}
                  onChange={(pace) =>
                    typeof pace === 'number' &&
                    pace > 0 &&
                    act(`Change the pace of ${grade.name}`, { do: 'change', grade: at, pace })
                  }
                />
              </td>
              {samples.map(([stock, kind]) => {
                const { seconds } = digTime(
                  { ...stockNamed(stock)!.traits, leastGrade: 0 },
                  { kind, grade: at },
                  mod.header,
                );
                const most = Math.max(
                  ...tools.grades.map(
                    (_, other) =>
                      digTime(
                        { ...stockNamed(stock)!.traits, leastGrade: 0 },
                        { kind, grade: other },
                        mod.header,
                      ).seconds ?? 0,
                  ),
                  0.05,
                );
                return (
                  <td key={stock}>
                    <span className="pace">
                      <u style={{ width: `${((seconds ?? 0) / most) * 64}px` }} />
                      <span className="mono">{seconds!.toFixed(2)} s</span>
                    </span>
                  </td>
                );
              })}
              <td>{uses[at] ? count(uses[at], 'block') : <span className="soft">nobody</span>}</td>
              <td className="acts">
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Move ${grade.name} down the ladder`}
                  disabled={at === 0}
                  onClick={() =>
                    act(`Move the grade ${grade.name}`, { do: 'move', grade: at, to: at - 1 })
                  }
                >
                  ↑
                </button>
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Move ${grade.name} up the ladder`}
                  disabled={at === tools.grades.length - 1}
                  onClick={() =>
                    act(`Move the grade ${grade.name}`, { do: 'move', grade: at, to: at + 1 })
                  }
                >
                  ↓
                </button>
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Remove ${grade.name}`}
                  disabled={tools.grades.length === 1}
                  title={
                    uses[at]
                      ? `${count(uses[at], 'block')} will ask for the grade that takes its place`
                      : undefined
                  }
                  onClick={() => act(`Remove the grade ${grade.name}`, { do: 'remove', grade: at })}
                >
                  ×
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button variant="default" onClick={fresh} disabled={tools.grades.length >= 32}>
        Add a grade
      </Button>
      <h2>Kinds of tools</h2>
      <p className="note">
        A kind of tool finds the blocks that it digs by a tag. The rule “missing in the tool’s tag”
        looks after it.
      </p>
      <table className="ladder" aria-label="Kinds of tools">
        <thead>
          <tr>
            <th>Kind</th>
            <th>Tag of the blocks it digs</th>
            <th>Digs</th>
          </tr>
        </thead>
        <tbody>
          {Object.entries(tools.kinds).map(([kind, of]) => (
            <tr key={kind}>
              <td>{kind}</td>
              <td>
                <CommitField
                  aria-label={`Tag of the ${kind}`}
                  w={260}
                  className="mono"
                  text={of.tag}
                  check={(tag) =>
                    Id.safeParse(tag).success ? undefined : 'Use an id such as saltmarsh:pick_dug.'
                  }
                  onText={(tag) =>
                    session.set(
                      `Change the tag of the ${kind}`,
                      ['header', 'tools', 'kinds', kind, 'tag'],
                      tag,
                    )
                  }
                />
              </td>
              <td>
                {count(blocks.filter((block) => block.traits.toolKind === kind).length, 'block')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
