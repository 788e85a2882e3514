import { NumberInput } from '@mantine/core';
import { itemAt } from '../../../../core/lists/index.ts';
import {
  changeLadder,
  gradeUses,
  stockNamed,
  type Header,
  type LadderAct,
  type ToolKind,
} from '../../../../core/mod/index.ts';
import { nameProblem } from '../../../../core/mod/names.ts';
import { digTime } from '../../../../core/traits/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useMod, useModPart, useSession } from '../../../api/hooks.tsx';
import { CommitField } from '../../../parts/commit-field.tsx';
import { RemoveGrade } from './remove-grade.tsx';
import styles from './tools.module.css';

/** What the paces are seen by: a material for each common kind of tool. */
export const samples: readonly { stock: string; kind: ToolKind }[] = [
  { stock: 'granite', kind: 'pick' },
  { stock: 'timber', kind: 'axe' },
  { stock: 'soil', kind: 'spade' },
];
type Act = (label: string, act: LadderAct) => void;

/** One grade of the ladder: its name, its pace and what that means, and who asks for it. */
export function GradeRow({ grade }: { grade: number }) {
  const session = useSession();
  const { header } = useMod();
  const uses = useModPart((mod) => gradeUses(mod)[grade] ?? 0);
  const { name, pace } = itemAt(header.tools.grades, grade);
  const act: Act = (label, what) => session.edit(label, changeLadder(session.view.mod, what));
  return (
    <tr>
      <td className="mono">{grade}</td>
      <td>
        <CommitField
          aria-label={`Name of grade ${grade}`}
          w={140}
          text={name}
          check={(next) => gradeNameProblem(header, grade, next)}
          onText={(next) =>
            act(`Rename the grade ${name} to ${next}`, { do: 'change', grade, name: next })
          }
        />
      </td>
      <td>
        <NumberInput
          aria-label={`Pace of ${name}`}
          w={84}
          hideControls
          min={0.1}
          step={0.1}
          decimalScale={2}
          value={pace}
          onChange={(next) =>
            typeof next === 'number' &&
            next > 0 &&
            act(`Change the pace of ${name}`, { do: 'change', grade, pace: next })
          }
        />
      </td>
      {samples.map((sample) => (
        <SampleCell key={sample.stock} {...sample} grade={grade} header={header} />
      ))}
      <td>{uses ? count(uses, 'block') : <span className="soft">nobody</span>}</td>
      <Acts grade={grade} header={header} act={act} />
    </tr>
  );
}

function gradeNameProblem({ tools }: Header, grade: number, name: string): string | undefined {
  const isTaken = tools.grades.some((other, i) => i !== grade && other.name === name);
  return isTaken ? 'Another grade has this name.' : nameProblem(name);
}

interface SampleProps {
  stock: string;
  kind: ToolKind;
  grade: number;
  header: Header;
}

/** How long a material takes with a grade of its tool, beside the slowest grade of the ladder. */
function SampleCell({ stock, kind, grade, header }: SampleProps) {
  const traits = stockNamed(stock)?.traits;
  if (!traits) return <td />;
  const secondsWith = (one: number) =>
    digTime({ ...traits, leastGrade: 0 }, { kind, grade: one }, header).seconds ?? 0;
  const seconds = secondsWith(grade);
  const longest = Math.max(...header.tools.grades.map((_, one) => secondsWith(one)), 0.05);
  return (
    <td>
      <span className={styles['pace']}>
        <u style={{ width: `${(seconds / longest) * 64}px` }} />
        <span className="mono">{seconds.toFixed(2)} s</span>
      </span>
    </td>
  );
}

function Acts({ grade, header, act }: { grade: number; header: Header; act: Act }) {
  const { grades } = header.tools;
  const { name } = itemAt(grades, grade);
  const moveTo = (to: number) => act(`Move the grade ${name}`, { do: 'move', grade, to });
  return (
    <td className={styles['acts']}>
      <button
        type="button"
        className="tiny"
        aria-label={`Move ${name} up in the list`}
        title={grade === 0 ? 'It is the lowest grade' : `It becomes grade ${grade - 1}`}
        disabled={grade === 0}
        onClick={() => moveTo(grade - 1)}
      >
        ↑
      </button>
      <button
        type="button"
        className="tiny"
        aria-label={`Move ${name} down in the list`}
        title={
          grade === grades.length - 1 ? 'It is the highest grade' : `It becomes grade ${grade + 1}`
        }
        disabled={grade === grades.length - 1}
        onClick={() => moveTo(grade + 1)}
      >
        ↓
      </button>
      <RemoveGrade
        grade={grade}
        onRemove={() => act(`Remove the grade ${name}`, { do: 'remove', grade })}
      />
    </td>
  );
}
