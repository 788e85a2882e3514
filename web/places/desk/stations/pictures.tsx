import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { itemAt } from '../../../../core/lists/index.ts';
import type { Box } from '../../../../core/mod/index.ts';
import {
  boxesOf,
  resolvedModelOf,
  sheetSlot,
  sidesWithoutPlace,
  type ResolvedModel,
} from '../../../../core/models/index.ts';
import { useSession } from '../../../api/hooks.tsx';
import { fillSlot, unwrapOnDesk } from '../../../api/model-pictures.ts';
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
  const drawn = shown === mod ? resolved : drawnBoxes(resolved, boxes);
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
function drawnBoxes(resolved: ResolvedModel, boxes: readonly Box[]): ResolvedModel {
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
  const { name, mod, boxes, placed, setPlaced } = useDesk();
  const session = useSession();
  const [problem, tries] = useTrying();
  const [isBusy, setBusy] = useState(false);
  const { texels } = mod.header;
  const slot = sheetSlot(boxes);
  const rest = useMemo(() => sidesWithoutPlace(boxes, slot, texels), [boxes, slot, texels]);
  const all = sideCount(boxes);
  const unwrap = () => {
    setBusy(true);
    tries(async () => {
      await unwrapOnDesk(session, name, placed).finally(() => setBusy(false));
      setPlaced(boxesOf(session.view.mod, name));
    });
  };
  if (!boxes.length) return null;
  return (
    <section aria-label="Unwrap">
      <h3 className="part">A place of its own for every side</h3>
      <p className="note">
        {rest === 0
          ? `Every side lies on its own place of ${resolved.slots.get(slot)}. Paint on it in the ` +
            'program you like.'
          : `${rest} of ${all} sides share their place with another, are of another size than it, ` +
            'or show part of a picture for a whole block. Unwrapped, each gets a place that nobody ' +
            'else shows, and looks as it did.'}
      </p>
      <div className={styles['acts']}>
        <Button onClick={unwrap} loading={isBusy} disabled={rest === 0}>
          {rest < all ? 'Unwrap what is left' : 'Unwrap'}
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

const sideCount = (boxes: readonly Box[]): number =>
  boxes.reduce((sum, box) => sum + Object.keys(box.sides).length, 0);
