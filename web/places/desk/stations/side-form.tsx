import { SegmentedControl, Switch } from '@mantine/core';
import { itemAt } from '../../../../core/lists/index.ts';
import { namePattern, type Box, type BoxSide } from '../../../../core/mod/index.ts';
import { naturalCrop, type Chosen } from '../../../../core/models/index.ts';
import { sides, type Side } from '../../../../core/space/index.ts';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import { inWords, useDesk } from '../desk-state.ts';
import { NumberField } from './number.tsx';
import styles from './side-form.module.css';

const cropWords = ['Left', 'Top', 'Width', 'Height'];

/** One side of the chosen boxes: its slot, which part of the picture, how that lies on it. */
export function SideForm({ side, slots }: { side: Side; slots: readonly string[] }) {
  const { boxes, free, edit, mod } = useDesk();
  const { texels } = mod.header;
  const these = [...free].map((i) => itemAt(boxes, i));
  const made = these[0]?.sides[side];
  const put = (label: string, change: (made: BoxSide, box: Box) => BoxSide | undefined) =>
    edit(`${label}: ${side} of ${inWords(boxes, free)}`, changedSide(boxes, free, side, change));
  if (!these.length) return <p className="note">It is locked and stays as it is.</p>;
  return (
    <div className={styles['form']} role="group" aria-label={`Side ${side}`}>
      <Switch
        label={`The ${side} is drawn`}
        checked={made !== undefined}
        onChange={(event) =>
          put(
            event.currentTarget.checked ? 'Draw' : 'Leave out',
            event.currentTarget.checked ? (was) => was : () => undefined,
          )
        }
      />
      {made && (
        <>
          <Field
            label="Slot"
            value={
              <CommitField
                aria-label="Slot"
                w={170}
                list="slots"
                classNames={{ input: 'mono' }}
                text={made.slot}
                check={(slot) =>
                  namePattern.test(slot)
                    ? undefined
                    : 'Use lowercase letters, digits and underscores.'
                }
                onText={(slot) => put('Slot', (was) => ({ ...was, slot }))}
              />
            }
          />
          <datalist id="slots">
            {slots.map((slot) => (
              <option key={slot} value={slot} />
            ))}
          </datalist>
          <Crop made={made} natural={naturalCrop(itemAt(these, 0), side, texels)} onPut={put} />
          <Field
            label="Quarter turns"
            value={
              <SegmentedControl
                size="xs"
                aria-label="Quarter turns"
                value={String(made.quarters ?? 0)}
                onChange={(quarters) =>
                  put('Turn', ({ quarters: _, ...was }) =>
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
                put('Mirror', ({ mirrored: _, ...was }) =>
                  isOn ? { ...was, mirrored: true } : was,
                );
              }}
            />
            <Switch
              label="Tinted with the block"
              checked={made.untinted !== true}
              onChange={(event) => {
                const isOn = event.currentTarget.checked;
                put('Tint', ({ untinted: _, ...was }) => (isOn ? was : { ...was, untinted: true }));
              }}
            />
          </div>
          <button
            type="button"
            className="tiny"
            onClick={() =>
              edit(
                `All sides of ${inWords(boxes, free)} as the ${side}`,
                sides.reduce<Box[]>(
                  (all, one) => changedSide(all, free, one, () => ({ slot: made.slot })),
                  [...boxes],
                ),
              )
            }
          >
            All six sides with this slot
          </button>
        </>
      )}
    </div>
  );
}

interface CropProps {
  made: BoxSide;
  natural: readonly number[];
  onPut: (label: string, change: (made: BoxSide, box: Box) => BoxSide) => void;
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
  change: (made: BoxSide, box: Box) => BoxSide | undefined,
): Box[] {
  return boxes.map((box, i) => {
    if (!chosen.has(i)) return box;
    const { [side]: was, ...others } = box.sides;
    const [shown] = Object.values(box.sides);
    const other = shown?.slot ?? 'face';
    const made = change(was ?? { slot: other }, box);
    return { ...box, sides: made ? { ...others, [side]: made } : others };
  });
}
