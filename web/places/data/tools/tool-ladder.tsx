import { Button } from '@mantine/core';
import { freeName } from '../../../../core/lists/index.ts';
import { changeLadder } from '../../../../core/mod/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { DataTabs } from '../data-tabs.tsx';
import { GradeRow, samples } from './grade-row.tsx';
import { KindsOfTools } from './kinds-of-tools.tsx';
import styles from './tools.module.css';

/** So many grades a ladder may have. */
const mostGrades = 32;

/**
 * The grades of tools from the humblest up, each with its pace and what that means, and the tag
 * that each kind of tool digs.
 */
export function ToolLadder() {
  const { grades } = useMod().header.tools;
  return (
    <div className="page">
      <DataTabs />
      <p className="note">
        The right kind of tool divides the seconds of digging by the pace of its grade. Blocks and
        drops that ask for a grade follow when grades move.
      </p>
      <div className={styles['wide']}>
        <table className={styles['ladder']} aria-label="Tool ladder">
          <thead>
            <tr>
              <th>Grade</th>
              <th>Name</th>
              <th>Pace</th>
              {samples.map(({ stock, kind }) => (
                <th key={stock}>
                  {stock}, with {kind}
                </th>
              ))}
              <th>Asked for by</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {grades.map(({ name }, grade) => (
              <GradeRow key={name} grade={grade} />
            ))}
          </tbody>
        </table>
      </div>
      <AddGrade />
      <h2>Kinds of tools</h2>
      <p className="note">
        A kind of tool finds the blocks that it digs by a tag. The rule “missing in the tool’s tag”
        looks after it.
      </p>
      <KindsOfTools />
    </div>
  );
}

/** Adds a grade above the others, half as fast again as the best. */
function AddGrade() {
  const session = useSession();
  const { grades } = useMod().header.tools;
  const add = () => {
    const name = freeName(
      'new_grade',
      grades.map((grade) => grade.name),
    );
    const pace = Number(((grades.at(-1)?.pace ?? 1) * 1.5).toFixed(1));
    session.edit(
      `Add the grade ${name}`,
      changeLadder(session.view.mod, { do: 'add', name, pace }),
    );
  };
  return (
    <Button
      variant="default"
      onClick={add}
      disabled={grades.length >= mostGrades}
      title={grades.length >= mostGrades ? `A ladder has ${mostGrades} grades at most` : undefined}
    >
      Add a grade
    </Button>
  );
}
