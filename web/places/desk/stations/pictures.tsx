import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { itemAt } from '../../../../core/lists/index.ts';
import { idOf } from '../../../../core/mod/index.ts';
import { resolvedModelOf, type ResolvedModel } from '../../../../core/models/index.ts';
import { sides } from '../../../../core/space/index.ts';
import { useSession } from '../../../api/hooks.tsx';
import { fillSlot, unwrapModel } from '../../../api/model-pictures.ts';
import { useTrying } from '../../../parts/use-trying.ts';
import { partTitle, useDesk } from '../desk-state.ts';
import { Face, net } from './face.tsx';
import { SheetPicture } from './sheet-picture.tsx';
import { SideForm } from './side-form.tsx';
import { Slots } from './slots.tsx';
import styles from './pictures.module.css';

/** The slots of the model with their pictures, the sides of a box, and where they lie on them. */
export function PicturesStation() {
  const { shown, mod, id, boxes, name, chosen, draft } = useDesk();
  const session = useSession();
  const [problem, tries] = useTrying();
  const resolved = useMemo(() => resolvedModelOf(mod, id), [mod, id]);
  if (!resolved) return null;
  const fill = (slot: string, file: File) => tries(() => fillSlot(session, name, slot, file));
  const only = chosen.size ? itemAt([...chosen], 0) : undefined;
  // What is dragged on the picture is seen before it is saved.
  const drawn = shown === mod ? resolved : (drawnBoxes(resolved, boxes) ?? resolved);
  return (
    <>
      <Slots resolved={resolved} onFile={fill} />
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
      {only === undefined ? (
        <p className="note">Choose a box to see its six sides.</p>
      ) : (
        <Sides box={only} resolved={drawn} onFile={fill} />
      )}
      <SheetPicture resolved={drawn} onDraft={draft} />
      <Unwrap resolved={resolved} />
    </>
  );
}

/** A resolved model with its boxes as they are dragged. */
function drawnBoxes(
  resolved: ResolvedModel,
  boxes: ReturnType<typeof useDesk>['boxes'],
): ResolvedModel | undefined {
  return {
    ...resolved,
    boxes: boxes.map((box) => ({
      ...box,
      sides: Object.fromEntries(
        Object.entries(box.sides).map(([side, made]) => [
          side,
          { ...made, texture: resolved.slots.get(made.slot) },
        ]),
      ),
    })),
  };
}

interface SidesProps {
  box: number;
  resolved: ResolvedModel;
  onFile: (slot: string, file: File) => void;
}

function Sides({ box: index, resolved, onFile }: SidesProps) {
  const { mod, side, setSide, boxes, chosen } = useDesk();
  const box = resolved.boxes[index];
  if (!box) return null;
  return (
    <section aria-label="Sides">
      <h3 className="part">
        {chosen.size > 1
          ? `Sides of ${chosen.size} boxes, as of ${partTitle(itemAt(boxes, index), index)}`
          : `Sides of ${partTitle(itemAt(boxes, index), index)}`}
      </h3>
      <div className={styles['net']}>
        {net.map(({ side: one, row, column }) => (
          <span key={one} style={{ gridRow: row, gridColumn: column }}>
            <Face
              mod={mod}
              box={box}
              side={one}
              isChosen={side === one}
              onChoose={() => setSide(side === one ? undefined : one)}
              onFile={(file) => onFile(box.sides[one]?.slot ?? one, file)}
            />
          </span>
        ))}
      </div>
      {side && <SideForm side={side} slots={[...resolved.slots.keys()]} />}
    </section>
  );
}

/** Gives every side a place of its own on one picture. */
function Unwrap({ resolved }: { resolved: ResolvedModel }) {
  const { name, mod, boxes } = useDesk();
  const session = useSession();
  const [problem, tries] = useTrying();
  const [isBusy, setBusy] = useState(false);
  const slot = sheetSlot(resolved);
  const rest = sidesWithoutPlace(resolved, slot);
  const unwrap = () => {
    setBusy(true);
    tries(() => unwrapModel(session, name, slot, undefined).finally(() => setBusy(false)));
  };
  if (!boxes.length) return null;
  const texture = resolved.slots.get(slot);
  const own = Object.keys(mod.textures).some((one) => idOf(mod.header.namespace, one) === texture);
  return (
    <section aria-label="Unwrap">
      <h3 className="part">A place of its own for every side</h3>
      <p className="note">
        {rest === 0
          ? `Every side lies on its own place of ${texture}. Paint on it in the program you like.`
          : `${rest} of ${sideCount(resolved)} sides share their place with another or show part of a ` +
            'picture for a whole block. Unwrapped, each gets a place that nobody else shows, and ' +
            'looks as it did.'}
      </p>
      <div className={styles['acts']}>
        <Button onClick={unwrap} loading={isBusy} disabled={rest === 0}>
          {own && rest < sideCount(resolved) ? 'Unwrap what is left' : 'Unwrap'}
        </Button>
      </div>
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
    </section>
  );
}

const sideCount = ({ boxes }: ResolvedModel): number =>
  boxes.reduce((sum, box) => sum + Object.keys(box.sides).length, 0);

/** The slot that shows the picture on which most sides have a place; a new one where none has. */
function sheetSlot({ boxes, slots }: ResolvedModel): string {
  const many = new Map<string, number>();
  for (const box of boxes)
    for (const side of sides) {
      const made = box.sides[side];
      if (made?.crop) many.set(made.slot, (many.get(made.slot) ?? 0) + 1);
    }
  const [most] = [...many].sort((a, b) => b[1] - a[1]);
  if (most && most[1] * 2 > boxes.length) return most[0];
  return slots.has('skin') ? freeSlot(slots) : 'skin';
}

const freeSlot = (slots: ReadonlyMap<string, unknown>): string => {
  for (let i = 2; ; i += 1) if (!slots.has(`skin_${i}`)) return `skin_${i}`;
};

/** How many sides have no place of their own on the picture of a slot. */
function sidesWithoutPlace({ boxes }: ResolvedModel, slot: string): number {
  const seen = new Set<string>();
  let without = 0;
  for (const box of boxes)
    for (const side of sides) {
      const made = box.sides[side];
      if (!made) continue;
      const key = made.crop?.slice(0, 2).join();
      if (made.slot !== slot || key === undefined || seen.has(key)) without += 1;
      else seen.add(key);
    }
  return without;
}
