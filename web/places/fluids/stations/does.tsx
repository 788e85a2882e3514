import { Button, SegmentedControl } from '@mantine/core';
import { idOf, usualFluid, type Fluid } from '../../../../core/mod/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { CellChoice } from './cell-choice.tsx';
import type { StationProps } from './flow.tsx';
import styles from './stations.module.css';

/** What it does: to who is in it, and where it meets something. */
export function DoesStation({ fluid, edits }: StationProps) {
  const { header } = useMod();
  const { drag = usualFluid.drag, harm = usualFluid.harm, fire } = fluid;
  const { put, name } = edits;
  return (
    <>
      <h2>What it does</h2>
      <h3 className="part">To who is in it</h3>
      <Field
        label="Drag"
        value={
          <NumberField
            label="Drag"
            value={drag}
            least={0}
            most={1}
            onNumber={(next) => put(`How ${name} drags`, 'drag', next || undefined)}
          />
        }
        note={
          drag === 0
            ? 'One moves in it as in air.'
            : `It takes ${Math.round(drag * 100)} % of the speed each tick: after a second without a step ${leftAfterSecond(drag, header.tickRate)} of it is left.`
        }
      />
      <Field
        label="Harm a second"
        value={
          <NumberField
            label="Harm a second"
            value={harm}
            least={0}
            most={4}
            onNumber={(next) => put(`How ${name} harms`, 'harm', next || undefined)}
          />
        }
        note={
          harm === 0
            ? 'It harms nobody.'
            : `A whole life is gone after ${(1 / harm).toFixed(1)} s in it.`
        }
      />
      <Field
        label="Fire"
        value={
          <SegmentedControl
            aria-label="Fire"
            value={fire ?? 'nothing'}
            onChange={(value) =>
              put(
                `What ${name} does to fire`,
                'fire',
                value === 'nothing' ? undefined : (value as Fluid['fire']),
              )
            }
            data={[
              { value: 'nothing', label: 'leaves it' },
              { value: 'puts out', label: 'puts it out' },
              { value: 'sets', label: 'sets it' },
            ]}
          />
        }
      />
      <Meetings fluid={fluid} edits={edits} />
    </>
  );
}

const leftAfterSecond = (drag: number, tickRate: number): string => {
  const share = (1 - drag) ** tickRate * 100;
  return share < 0.1 ? 'nothing' : `${share < 1 ? share.toFixed(1) : Math.round(share)} %`;
};

function Meetings({ fluid, edits: { put, name } }: StationProps) {
  const { header, blocks, fluids } = useMod();
  const { meets = [] } = fluid;
  const set = (label: string, next: NonNullable<Fluid['meets']>) =>
    put(label, 'meets', next.length ? next : undefined);
  // Something natural is met sooner than something that people built.
  const [first] = [
    ...Object.keys(fluids).filter((other) => other !== name),
    ...Object.keys(blocks).filter((block) => blocks[block]?.identity.natural),
    ...Object.keys(blocks),
  ];
  const other = Object.keys(blocks).find((block) => block !== first);
  return (
    <>
      <h3 className="part">Where it meets something</h3>
      {meets.length === 0 && (
        <p className="note">
          It runs past everything. Let it meet another fluid or a block, and its own cell becomes
          what you say: glass at the ember, silt in the mud.
        </p>
      )}
      {meets.map((meeting, i) => (
        <div key={i} className={styles['meeting']}>
          <CellChoice
            label={`Meeting ${i + 1}: with`}
            fluids
            value={meeting.with}
            onTake={(id) =>
              id && set(`What ${name} meets`, meets.with(i, { ...meeting, with: id }))
            }
          />
          <span>becomes</span>
          <CellChoice
            label={`Meeting ${i + 1}: becomes`}
            fluids
            value={meeting.becomes}
            onTake={(id) =>
              id && set(`What becomes of ${name}`, meets.with(i, { ...meeting, becomes: id }))
            }
          />
          <button
            type="button"
            className="tiny"
            aria-label={`Remove meeting ${i + 1}`}
            onClick={() => set(`Let ${name} not meet ${meeting.with}`, meets.toSpliced(i, 1))}
          >
            ×
          </button>
        </div>
      ))}
      <Button
        mt="sm"
        variant="default"
        disabled={first === undefined || other === undefined}
        onClick={() => {
          if (first === undefined || other === undefined) return;
          const id = (one: string) => idOf(header.namespace, one);
          const next = { with: id(first), becomes: fluid.leaves ?? id(other) };
          set(`Let ${name} meet something`, [...meets, next]);
        }}
      >
        Let it meet something
      </Button>
      {meets.length > 1 && (
        <p className="note">The first of them that is met counts. In the section: Lay.</p>
      )}
    </>
  );
}
