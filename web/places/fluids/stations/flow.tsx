import { Switch } from '@mantine/core';
import { mostReach, type Fluid } from '../../../../core/mod/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import type { FluidEdits } from '../use-fluid.ts';
import { CellChoice } from './cell-choice.tsx';
import styles from './stations.module.css';

export interface StationProps {
  fluid: Fluid;
  edits: FluidEdits;
}

/** How it runs: how far, how fast, up or down, and what stays of it. */
export function FlowStation({ fluid, edits }: StationProps) {
  const { header } = useMod();
  const { reach, pace, rises = false, renews = false, leaves } = fluid;
  const { put, name } = edits;
  const cellsASecond = header.tickRate / pace;
  return (
    <>
      <h2>How it runs</h2>
      <p className="note">Change a number, and the section begins anew.</p>
      <Field
        label="Levels"
        value={
          <NumberField
            label="Level of a source"
            value={reach}
            least={1}
            most={mostReach}
            onNumber={(next) => put(`How far ${name} runs`, 'reach', Math.round(next))}
          />
        }
        note={
          reach === 1
            ? 'A source stays where it is poured, and falls at most.'
            : `A source is ${reach} high, each cell beside it one lower: it runs ${count(reach - 1, 'block')} over level ground.`
        }
      >
        <Levels {...{ reach, put: (next) => put(`How far ${name} runs`, 'reach', next) }} />
      </Field>
      <Field
        label="Ticks a cell"
        value={
          <NumberField
            label="Ticks a cell"
            value={pace}
            least={1}
            most={1000}
            onNumber={(next) => put(`How fast ${name} runs`, 'pace', Math.round(next))}
          />
        }
        note={
          `The thicker the slower. It goes ${cellsASecond.toFixed(1)} ${cellsASecond === 1 ? 'block' : 'blocks'} a second` +
          (reach > 1
            ? `, and is at its end after ${(((reach - 1) * pace) / header.tickRate).toFixed(1)} s.`
            : '.')
        }
      />
      <Field
        label="Rises"
        value={
          <Switch
            aria-label="Rises"
            checked={rises}
            onChange={() =>
              put(
                rises ? `Let ${name} fall` : `Let ${name} rise`,
                'rises',
                rises ? undefined : true,
              )
            }
          />
        }
        note={
          rises
            ? 'Lighter than air: it goes up, and spreads under what is above.'
            : 'Heavier than air: it falls, and spreads on what is below.'
        }
      />
      <Field
        label="Renews itself"
        value={
          <Switch
            aria-label="Renews itself"
            checked={renews}
            onChange={() =>
              put(
                renews ? `Let ${name} run out` : `Let ${name} renew itself`,
                'renews',
                renews ? undefined : true,
              )
            }
          />
        }
        note={
          renews
            ? 'What lies between two sources becomes one: two buckets never run out.'
            : 'There is as much of it as was poured.'
        }
      />
      <Field
        label="Leaves"
        value={
          <CellChoice
            label="Leaves where it dries"
            width={220}
            nothing="nothing"
            value={leaves}
            onTake={(id) => put(`What ${name} leaves`, 'leaves', id)}
          />
        }
        note={
          leaves === undefined
            ? 'Where it runs dry the ground is as it was.'
            : 'Take the source away in the section, and see it stay.'
        }
      />
    </>
  );
}

/** The levels from the source on as steps going down; a press says how many there are. */
function Levels({ reach, put }: { reach: number; put: (reach: number) => void }) {
  return (
    <div className={styles['levels']} role="group" aria-label="Levels from the source">
      {Array.from({ length: mostReach }, (_, i) => {
        const level = Math.max(0, reach - i);
        return (
          <button
            key={i}
            type="button"
            data-held={level > 0}
            aria-label={`As far as ${i} away`}
            aria-pressed={i === reach - 1}
            onClick={() => put(i + 1)}
          >
            <i style={{ height: `${level > 0 ? (level / reach) * 70 : 5}%` }} />
            {i}
          </button>
        );
      })}
    </div>
  );
}
