import { Button, SegmentedControl } from '@mantine/core';
import { memo, useState } from 'react';
import { itemAt } from '../../../../core/lists/index.ts';
import { tightestKit } from '../../../../core/kits/index.ts';
import { nameProblem, type Box } from '../../../../core/mod/index.ts';
import {
  moved,
  sized,
  tidy,
  type Alignment,
  type TextureWay,
} from '../../../../core/models/index.ts';
import { axes, vector, type Axis } from '../../../../core/space/index.ts';
import { count } from '../../../../core/words/index.ts';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import { Cap } from '../../../parts/keys/cap.tsx';
import { useStable } from '../../../parts/use-stable.ts';
import type { Acts } from '../acts.ts';
import { inWords, partTitle, useDesk } from '../desk-state.ts';
import { sideAt } from '../lines.ts';
import { Exchange } from './exchange.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { Triple } from './number.tsx';
import styles from './stations.module.css';

/** The chosen boxes: their names, where they lie, how they are spun, and what one can do to them. */
export function BoxesStation({ acts }: { acts: Acts }) {
  const { boxes, chosen, free } = useDesk();
  if (!chosen.size) return <NothingChosen acts={acts} />;
  const only = chosen.size === 1 ? itemAt([...chosen], 0) : undefined;
  return (
    <>
      <h2 className={styles['title']}>
        {only === undefined ? inWords(boxes, chosen) : partTitle(itemAt(boxes, only), only)}
      </h2>
      {free.size < chosen.size && (
        <p className="note">
          {count(chosen.size - free.size, 'box is', 'boxes are')} locked and stays as it is.
        </p>
      )}
      {only !== undefined && <Names box={itemAt(boxes, only)} index={only} />}
      {free.size > 0 && (
        <>
          <Measures />
          <Spin />
          <Verbs acts={acts} />
          <Align acts={acts} isMany={free.size > 1} />
          <Repeat acts={acts} />
        </>
      )}
      <Marks acts={acts} />
    </>
  );
}

function NothingChosen({ acts }: { acts: Acts }) {
  const { boxes, mod } = useDesk();
  const { limits, title } = tightestKit(mod, (kit) => kit.limits.boxes);
  return (
    <>
      <h2 className={styles['title']}>{count(boxes.length, 'box', 'boxes')}</h2>
      <p className="note">
        {boxes.length
          ? 'Choose one on the stage, on a plan or in the list to change it.'
          : 'A model is put together of boxes. Begin with one.'}
      </p>
      <div className={styles['verbs']}>
        <Button rightSection={<Cap of="addBox" />} onClick={acts.add}>
          Add a box
        </Button>
      </div>
      <p className="note">
        {title} holds {limits.boxes} boxes a model, at most {limits.reach} sixteenths of a block
        outside the cell.
      </p>
      <Exchange acts={acts} />
    </>
  );
}

const boxNameProblem = (name: string, taken: readonly string[]): string | undefined =>
  taken.includes(name) ? 'Another box is called so.' : nameProblem(name);

function Names({ box, index }: { box: Box; index: number }) {
  const { boxes, edit } = useDesk();
  const put = (label: string, next: Box) => edit(label, boxes.with(index, next));
  const { group: _, ...ungrouped } = box;
  return (
    <div className={styles['pair']}>
      <CommitField
        id="box-name"
        onFocus={(event) => event.currentTarget.select()}
        label="Name"
        text={box.name ?? ''}
        placeholder={`box ${index + 1}`}
        classNames={{ input: 'mono' }}
        check={(name) =>
          boxNameProblem(
            name,
            boxes.flatMap(({ name: other }, i) => (i === index ? [] : (other ?? []))),
          )
        }
        onText={(name) => put(`Name the box ${name}`, { ...box, name })}
      />
      <CommitField
        label="Group"
        text={box.group ?? ''}
        placeholder="none"
        classNames={{ input: 'mono' }}
        check={(group) => (group === '' ? undefined : boxNameProblem(group, []))}
        onText={(group) =>
          put(`Group of ${partTitle(box, index)}`, group ? { ...box, group } : ungrouped)
        }
      />
    </div>
  );
}

/** What several boxes have in common; undefined where they differ. */
function common<T>(all: readonly Box[], of: (box: Box) => T): T | undefined {
  const [first, ...rest] = all.map(of);
  return rest.every((value) => value === first) ? first : undefined;
}

/** Where the chosen boxes lie and how large they are, in numbers. */
export function Measures() {
  const { boxes, free, edit, ways, setWays, behind } = useDesk();
  const these = [...free].map((i) => itemAt(boxes, i));
  const each = (label: string, change: (box: Box) => Box) =>
    edit(
      `${label} ${inWords(boxes, free)}`,
      boxes.map((box, i) => (free.has(i) ? change(box) : box)),
    );
  const first = new Set([0]);
  const onWay = useStable((texture: TextureWay) => setWays({ texture }));
  return (
    <>
      <div className={styles['axes']} aria-hidden="true">
        <span>x, to the left</span>
        <span>y, up</span>
        <span>z, to the front</span>
      </div>
      <Field
        label="Lies at"
        value={
          <Triple
            label="Lies at"
            values={([0, 1, 2] as const).map((axis) => common(these, (box) => box.at[axis]))}
            onNumber={(axis, value) =>
              each('Move', (box) =>
                itemAt(
                  moved(
                    [box],
                    first,
                    vector((i) => (i === axis ? value - box.at[axis] : 0)),
                  ),
                  0,
                ),
              )
            }
          />
        }
      />
      <Field
        label="Size"
        value={
          <Triple
            label="Size"
            least={0}
            values={([0, 1, 2] as const).map((axis) => common(these, (box) => box.size[axis]))}
            onNumber={(axis, value) =>
              each('Size', (box) =>
                itemAt(
                  sized([box], first, sideAt(axis, 1), tidy(value - box.size[axis]), ways.texture),
                  0,
                ),
              )
            }
          />
        }
      />
      {!behind && <TextureChoice way={ways.texture} onWay={onWay} />}
    </>
  );
}

/** What pictures do while a box is sized. */
const TextureChoice = memo(function TextureChoice({
  way,
  onWay,
}: {
  way: TextureWay;
  onWay: (way: TextureWay) => void;
}) {
  return (
    <SegmentedControl
      fullWidth
      mb="sm"
      aria-label="Texture of a box that is sized"
      value={way}
      onChange={onWay}
      data={[
        { value: 'follows', label: 'Texture follows size' },
        { value: 'stretches', label: 'Texture stretches' },
      ]}
    />
  );
});

/** How the boxes are spun: about an axis, by degrees, through a pivot. */
function Spin() {
  const { boxes, free, edit, mod } = useDesk();
  const { limits, title } = tightestKit(mod, (kit) => -kit.limits.spinStep);
  const these = [...free].map((i) => itemAt(boxes, i));
  const about = common(these, ({ spin }) => spin?.about ?? 'none');
  const middle = (box: Box): [number, number, number] => {
    const [x, y, z] = vector((axis) => tidy(box.at[axis] + box.size[axis] / 2));
    return [x, y, z];
  };
  const usual = (box: Box): NonNullable<Box['spin']> =>
    box.spin ?? { about: 'y', by: 0, pivot: middle(box) };
  const each = (change: (box: Box) => Box) =>
    edit(
      `Spin ${inWords(boxes, free)}`,
      boxes.map((box, i) => (free.has(i) ? change(box) : box)),
    );
  const unspun = ({ spin: _, ...box }: Box): Box => box;
  const onAbout = useStable((next: string) =>
    each((box) =>
      next === 'none' ? unspun(box) : { ...box, spin: { ...usual(box), about: next as Axis } },
    ),
  );
  return (
    <>
      <Field label="Spin about" value={<SpinAxis about={about ?? ''} onAbout={onAbout} />} />
      {about !== 'none' && (
        <>
          <Field
            label="Degrees"
            note={
              limits.spinStep === 0
                ? `${title} shows any angle.`
                : `${title} shows steps of ${limits.spinStep}°.`
            }
            value={
              <span className={styles['single']}>
                <NumberField
                  label="Degrees"
                  value={common(these, ({ spin }) => spin?.by)}
                  onNumber={(by) => each((box) => ({ ...box, spin: { ...usual(box), by } }))}
                />
              </span>
            }
          />
          <Field
            label="Through"
            value={
              <Triple
                label="Pivot"
                values={([0, 1, 2] as const).map((axis) =>
                  common(these, ({ spin }) => spin?.pivot[axis]),
                )}
                onNumber={(axis, value) =>
                  each((box) => {
                    const [x, y, z] = usual(box).pivot.with(axis, value);
                    return { ...box, spin: { ...usual(box), pivot: [x ?? 0, y ?? 0, z ?? 0] } };
                  })
                }
              />
            }
          >
            <button
              type="button"
              className="tiny"
              onClick={() =>
                each((box) => ({ ...box, spin: { ...usual(box), pivot: middle(box) } }))
              }
            >
              Through its middle
            </button>
          </Field>
        </>
      )}
    </>
  );
}

const SpinAxis = memo(function SpinAxis({
  about,
  onAbout,
}: {
  about: string;
  onAbout: (about: string) => void;
}) {
  return (
    <SegmentedControl
      size="xs"
      aria-label="Spin about"
      value={about}
      onChange={onAbout}
      data={['none', ...axes]}
    />
  );
});

const Verbs = memo(function Verbs({ acts }: { acts: Acts }) {
  return (
    <div className={styles['verbs']} role="group" aria-label="Change">
      <Button variant="default" rightSection={<Cap of="againBox" />} onClick={acts.again}>
        Again
      </Button>
      {axes.map((axis) => (
        <Button key={axis} variant="default" onClick={() => acts.mirror(axis)}>
          Mirror {axis}
        </Button>
      ))}
      <Button variant="default" rightSection={<Cap of="groupBoxes" />} onClick={acts.group}>
        Group
      </Button>
      <Button variant="default" onClick={() => acts.snap(1)}>
        Snap to texels
      </Button>
      <Button variant="default" onClick={() => acts.snap(0.5)}>
        to halves
      </Button>
      <Button variant="default" rightSection={<Cap of="removeBoxes" />} onClick={acts.remove}>
        Take away
      </Button>
    </div>
  );
});

const alignments: readonly { axis: 0 | 1 | 2; ends: readonly [Alignment, string][] }[] = [
  {
    axis: 0,
    ends: [
      ['low', 'right'],
      ['middle', 'middle'],
      ['high', 'left'],
    ],
  },
  {
    axis: 1,
    ends: [
      ['low', 'bottom'],
      ['middle', 'middle'],
      ['high', 'top'],
    ],
  },
  {
    axis: 2,
    ends: [
      ['low', 'back'],
      ['middle', 'middle'],
      ['high', 'front'],
    ],
  },
];

const Align = memo(function Align({ acts, isMany }: { acts: Acts; isMany: boolean }) {
  return (
    <Field label={isMany ? 'Align with each other' : 'Align in the cell'}>
      <div className={styles['align']}>
        {alignments.map(({ axis, ends }) => (
          <span key={axis} role="group" aria-label={`Align along ${'xyz'.charAt(axis)}`}>
            {ends.map(([to, word]) => (
              <button key={to} type="button" className="chip" onClick={() => acts.align(axis, to)}>
                {word}
              </button>
            ))}
          </span>
        ))}
      </div>
    </Field>
  );
});

/** Several more of the same, each a step from the one before. */
const Repeat = memo(function Repeat({ acts }: { acts: Acts }) {
  const [times, setTimes] = useState(3);
  const [step, setStep] = useState<readonly number[]>([4, 0, 0]);
  return (
    <Field
      label="Repeat"
      value={
        <span className={styles['repeat']}>
          <NumberField label="Times in all" value={times} least={2} onNumber={setTimes} />
          <span className="soft">times, each further by</span>
        </span>
      }
    >
      <div className={styles['repeat']}>
        <Triple
          label="Further by"
          values={step}
          onNumber={(axis, value) => setStep(step.with(axis, value))}
        />
        <Button
          variant="default"
          onClick={() =>
            acts.repeat(
              Math.min(64, Math.round(times)),
              vector((axis) => itemAt(step, axis)),
            )
          }
        >
          Repeat
        </Button>
      </div>
    </Field>
  );
});

/** What counts on the desk alone: what is hidden, what is locked, what is copied. */
function Marks({ acts }: { acts: Acts }) {
  const { chosen, hidden, locked, hide, lock } = useDesk();
  const all = (marked: ReadonlySet<number>) => [...chosen].every((i) => marked.has(i));
  return (
    <div className={styles['verbs']} role="group" aria-label="On the desk">
      <Button
        variant="default"
        rightSection={<Cap of="hideBox" />}
        onClick={() => hide(chosen, !all(hidden))}
      >
        {all(hidden) ? 'Show' : 'Hide'}
      </Button>
      <Button
        variant="default"
        rightSection={<Cap of="lockBox" />}
        onClick={() => lock(chosen, !all(locked))}
      >
        {all(locked) ? 'Let go' : 'Lock'}
      </Button>
      <Button variant="default" rightSection={<Cap of="copyBoxes" />} onClick={acts.copy}>
        Copy
      </Button>
    </div>
  );
}
