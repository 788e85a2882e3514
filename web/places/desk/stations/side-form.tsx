import { SegmentedControl, Switch } from '@mantine/core';
import { itemAt } from '../../../../core/lists/index.ts';
import { nameProblem, type Box, type BoxSide } from '../../../../core/mod/index.ts';
import { naturalCrop, type Chosen } from '../../../../core/models/index.ts';
import { sides, type Side } from '../../../../core/space/index.ts';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import { inWords, useDesk } from '../desk-state.ts';
import { NumberField } from '../../../parts/number-field.tsx';
import styles from './side-form.module.css';

const cropWords = ['Left', 'Top', 'Width', 'Height'];

type Put = (label: string, change: (made: BoxSide) => BoxSide | undefined) => void;

/** One side of the chosen boxes: its slot, which part of the picture, how that lies on it. */
export function SideForm({ side, slots }: { side: Side; slots: readonly string[] }) {
  const { boxes, free, edit, mod } = useDesk();
  const [first] = [...free].map((i) => itemAt(boxes, i));
  const put: Put = (label, change) =>
    edit(`${label}: ${side} of ${inWords(boxes, free)}`, changedSide(boxes, free, side, change));
  if (!first) return <p className="note">It is locked and stays as it is.</p>;
  const made = first.sides[side];
  const asAll = (slot: string) =>
    edit(
      `All sides of ${inWords(boxes, free)} as the ${side}`,
      sides.reduce<Box[]>((all, one) => changedSide(all, free, one, () => ({ slot })), [...boxes]),
    );
  return (
    <div className={styles['form']} role="group" aria-label={`Side ${side}`}>
      <Switch
        label={`The ${side} is drawn`}
        checked={made !== undefined}
        onChange={(event) =>
          event.currentTarget.checked
            ? put('Draw', (was) => was)
            : put('Leave out', () => undefined)
        }
      />
      {made && (
        <>
          <SlotField slot={made.slot} slots={slots} onPut={put} />
          <Crop made={made} natural={naturalCrop(first, side, mod.header.texels)} onPut={put} />
          <Lying made={made} onPut={put} />
          <button type="button" className="tiny" onClick={() => asAll(made.slot)}>
            All six sides with this slot
          </button>
        </>
      )}
    </div>
  );
}

function SlotField({ slot, slots, onPut }: { slot: string; slots: readonly string[]; onPut: Put }) {
  return (
    <>
      <Field
        label="Slot"
        value={
          <CommitField
            aria-label="Slot"
            w={170}
            list="slots"
            classNames={{ input: 'mono' }}
            text={slot}
            check={(typed) => nameProblem(typed)}
            onText={(typed) => onPut('Slot', (was) => ({ ...was, slot: typed }))}
          />
        }
      />
      <datalist id="slots">
        {slots.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
    </>
  );
}

/** How the picture lies on the side: turned, mirrored, tinted. */
function Lying({ made, onPut }: { made: BoxSide; onPut: Put }) {
  return (
    <>
      <Field
        label="Quarter turns"
        value={
          <SegmentedControl
            size="xs"
            aria-label="Quarter turns"
            value={String(made.quarters ?? 0)}
            onChange={(quarters) =>
              onPut('Turn', ({ quarters: _, ...was }) =>
                quarters === '0' ? was : { ...was, quarters: Number(quarters) },
              )
            }
            data={['0', '1', '2', '3']}
          />
        }
      />
      <div className={styles['switches']}>
        <Switch
          label="Mirrored"
          checked={made.mirrored === true}
          onChange={(event) => {
            const isOn = event.currentTarget.checked;
            onPut('Mirror', ({ mirrored: _, ...was }) => (isOn ? { ...was, mirrored: true } : was));
          }}
        />
        <Switch
          label="Tinted with the block"
          checked={made.untinted !== true}
          onChange={(event) => {
            const isOn = event.currentTarget.checked;
            onPut('Tint', ({ untinted: _, ...was }) => (isOn ? was : { ...was, untinted: true }));
          }}
        />
      </div>
    </>
  );
}

interface CropProps {
  made: BoxSide;
  natural: readonly number[];
  onPut: Put;
}

function Crop({ made, natural, onPut }: CropProps) {
  const crop = made.crop ?? natural;
  return (
    <Field
      label="Part of the picture"
      note={
        made.crop
          ? undefined
          : 'As if the block were whole: the part that lies where the side lies.'
      }
    >
      <div className={styles['crop']}>
        {cropWords.map((word, i) => (
          <label key={word}>
            <span className="note">{word.toLowerCase()}</span>
            <NumberField
              label={word}
              value={crop[i]}
              onNumber={(value) => {
                const [left = 0, top = 0, width = 0, height = 0] = [...crop].with(i, value);
                onPut('Crop', (was) => ({ ...was, crop: [left, top, width, height] }));
              }}
            />
          </label>
        ))}
      </div>
      {made.crop && (
        <button
          type="button"
          className="tiny"
          onClick={() => onPut('No crop', ({ crop: _, ...was }) => was)}
        >
          As if the block were whole
        </button>
      )}
    </Field>
  );
}

/** Boxes with one side of the chosen ones changed; undefined leaves the side out. */
function changedSide(
  boxes: readonly Box[],
  chosen: Chosen,
  side: Side,
  change: (made: BoxSide) => BoxSide | undefined,
): Box[] {
  return boxes.map((box, i) => {
    if (!chosen.has(i)) return box;
    const { [side]: was, ...others } = box.sides;
    const [shown] = Object.values(box.sides);
    const other = shown?.slot ?? 'face';
    const made = change(was ?? { slot: other });
    return { ...box, sides: made ? { ...others, [side]: made } : others };
  });
}
