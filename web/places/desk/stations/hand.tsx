import { SegmentedControl } from '@mantine/core';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import { drawHeld, heldModels, usualPoses } from '../../../../core/draw/index.ts';
import {
  heldPlaces,
  idOf,
  lookUp,
  resolveBlock,
  titleOf,
  type Block,
  type Held,
  type HeldPlace,
  type Pose,
  type ResolvedBlock,
} from '../../../../core/mod/index.ts';
import { tidy } from '../../../../core/models/index.ts';
import { useSession } from '../../../api/hooks.tsx';
import { usePixelsOf } from '../../../api/pixels.ts';
import { Choice } from '../../../parts/choice/index.tsx';
import { Field } from '../../../parts/field.tsx';
import { useDesk } from '../desk-state.ts';
import { HeldPicture } from './held-picture.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { Triple } from './number.tsx';
import styles from './hand.module.css';

const placeWords = { hand: 'In the hand', ground: 'On the ground', catalogue: 'In lists' } as const;

/** What the item of a block shows, and how it sits at each place; set by dragging. */
export function HandStation({ user }: { user: string | undefined }) {
  const { mod } = useDesk();
  const declared = user === undefined ? undefined : lookUp(mod.blocks, user);
  if (user === undefined || !declared)
    return <p className="note">No block shows this model, so nobody holds it.</p>;
  return <HeldBlock name={user} declared={declared} />;
}

interface HeldProps {
  name: string;
  declared: Block;
}

function HeldBlock({ name, declared }: HeldProps) {
  const { mod } = useDesk();
  const session = useSession();
  const item = declared.identity.item ?? 'none';
  const held = declared.identity.held ?? {};
  const put = (label: string, next: Held) =>
    session.set(
      label,
      ['blocks', name, 'identity', 'held'],
      Object.keys(next).length ? next : undefined,
    );
  return (
    <>
      <p className="note">
        How <b>{titleOf(mod, name, declared.names)}</b> looks as an item.
      </p>
      <SegmentedControl
        fullWidth
        mt="xs"
        mb="sm"
        aria-label="Held as"
        value={item}
        onChange={(value) =>
          session.set('Change how it is held', ['blocks', name, 'identity', 'item'], value)
        }
        data={[
          { value: 'block', label: 'a model' },
          { value: 'flat', label: 'a flat picture' },
          { value: 'none', label: 'not at all' },
        ]}
      />
      {item === 'block' && <ModelChoice held={held} onHeld={put} />}
      {item === 'flat' && <PictureChoice held={held} onHeld={put} />}
      {item === 'block' && <Poses name={name} declared={declared} held={held} onHeld={put} />}
      {item === 'none' && (
        <p className="note">
          It is never in a hand: nobody places it, and it drops something else.
        </p>
      )}
    </>
  );
}

interface ChoiceProps {
  held: Held;
  onHeld: (label: string, next: Held) => void;
}

function ModelChoice({ held, onHeld }: ChoiceProps) {
  const { mod, id } = useDesk();
  const { model, ...rest } = held;
  const ids = Object.keys(mod.models).map((one) => idOf(mod.header.namespace, one));
  return (
    <Field
      label="Shows"
      value={
        <Choice
          aria-label="Model of the item"
          w={220}
          data={[{ value: '', label: 'the block as it stands' }, ...ids]}
          value={model ?? ''}
          onTake={(next) =>
            onHeld(
              next ? `Hold it as ${next}` : 'Hold it as it stands',
              next ? { ...held, model: next } : rest,
            )
          }
        />
      }
    >
      {model !== id && (
        <button
          type="button"
          className="tiny"
          onClick={() => onHeld('Hold it as this model', { ...held, model: id })}
        >
          This model
        </button>
      )}
    </Field>
  );
}

function PictureChoice({ held, onHeld }: ChoiceProps) {
  const { mod } = useDesk();
  const { picture, ...rest } = held;
  const ids = Object.keys(mod.textures).map((one) => idOf(mod.header.namespace, one));
  return (
    <Field
      label="Shows"
      note="Without a picture of its own the game takes the first that the block shows."
      value={
        <Choice
          aria-label="Picture of the item"
          w={220}
          data={[{ value: '', label: 'the first of the block' }, ...ids]}
          value={picture ?? ''}
          onTake={(next) =>
            onHeld(
              next ? `Hold it as the picture ${next}` : 'Hold it as its first picture',
              next ? { ...held, picture: next } : rest,
            )
          }
        />
      }
    />
  );
}

interface PosesProps extends HeldProps, ChoiceProps {}

/** The three places as pictures: one large, to be dragged, and its numbers. */
function Poses({ name, declared, held, onHeld }: PosesProps) {
  const { mod, shown } = useDesk();
  const [place, setPlace] = useState<HeldPlace>('hand');
  const [draft, setDraft] = useState<Pose>();
  const block = useMemo(
    (): ResolvedBlock => resolveBlock(mod, name, declared),
    [mod, name, declared],
  );
  const models = useMemo(() => heldModels(shown, block), [shown, block]);
  const pixelsOf = usePixelsOf(shown, models);
  const poseOf = (one: HeldPlace): Pose => held.poses?.[one] ?? usualPoses[one];
  const pose = draft ?? poseOf(place);
  const { texels } = mod.header;
  const settle = (next: Pose | undefined) => {
    setDraft(undefined);
    const { [place]: _, ...others } = held.poses ?? {};
    const poses = next ? { ...others, [place]: next } : others;
    const { poses: __, ...rest } = held;
    onHeld(
      `How it sits: ${placeWords[place].toLowerCase()}`,
      Object.keys(poses).length ? { ...rest, poses } : rest,
    );
  };
  const draw = (one: HeldPlace, size: number) =>
    pixelsOf && drawHeld(models, texels, one === place ? pose : poseOf(one), size, pixelsOf);
  return (
    <>
      <HeldPicture
        place={place}
        pixels={draw(place, 372)}
        pose={pose}
        onDraft={setDraft}
        onSettle={settle}
      />
      <div className={styles['places']} role="radiogroup" aria-label="Place">
        {heldPlaces.map((one) => (
          <button
            key={one}
            type="button"
            role="radio"
            aria-checked={one === place}
            className={clsx(styles['place'], one === place && styles['on'])}
            onClick={() => setPlace(one)}
          >
            <Small pixels={draw(one, 112)} />
            {placeWords[one]}
          </button>
        ))}
      </div>
      <Numbers pose={pose} onPose={settle} isOwn={held.poses?.[place] !== undefined} />
    </>
  );
}

function Small({ pixels }: { pixels: ReturnType<typeof drawHeld> | undefined }) {
  return (
    <canvas
      aria-hidden="true"
      width={pixels?.width ?? 112}
      height={pixels?.height ?? 112}
      ref={(canvas) => {
        const context = canvas?.getContext('2d');
        if (!context || !pixels) return;
        context.putImageData(
          new ImageData(new Uint8ClampedArray(pixels.data), pixels.width, pixels.height),
          0,
          0,
        );
      }}
    />
  );
}

interface NumbersProps {
  pose: Pose;
  isOwn: boolean;
  onPose: (pose: Pose | undefined) => void;
}

function Numbers({ pose, isOwn, onPose }: NumbersProps) {
  const withAt = (
    list: readonly number[],
    axis: number,
    value: number,
  ): [number, number, number] => {
    const [x = 0, y = 0, z = 0] = list.with(axis, tidy(value));
    return [x, y, z];
  };
  return (
    <>
      <Field
        label="Turned, °"
        value={
          <Triple
            label="Turned"
            values={pose.turn}
            onNumber={(axis, value) => onPose({ ...pose, turn: withAt(pose.turn, axis, value) })}
          />
        }
      />
      <Field
        label="Moved, 16ths"
        value={
          <Triple
            label="Moved"
            values={pose.shift}
            onNumber={(axis, value) => onPose({ ...pose, shift: withAt(pose.shift, axis, value) })}
          />
        }
      />
      <Field
        label="Size, of a block"
        value={
          <span className={styles['scale']}>
            <NumberField
              label="Size"
              value={pose.scale}
              least={0.05}
              onNumber={(scale) => onPose({ ...pose, scale: Math.min(8, tidy(scale)) })}
            />
          </span>
        }
      >
        {isOwn && (
          <button type="button" className="tiny" onClick={() => onPose(undefined)}>
            Back to the usual
          </button>
        )}
      </Field>
    </>
  );
}
