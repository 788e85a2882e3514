import clsx from 'clsx';
import { useRef, useState, type PointerEvent } from 'react';
import { Link } from 'react-router';
import { itemAt } from '../../../../core/lists/index.ts';
import type { Box } from '../../../../core/mod/index.ts';
import {
  paintingTemplate,
  textureOf,
  tidy,
  type ResolvedModel,
} from '../../../../core/models/index.ts';
import { sides, type Side } from '../../../../core/space/index.ts';
import { encodePicture, frameSize } from '../../../../core/textures/index.ts';
import { blobAddress, texturePath } from '../../../api/address.ts';
import { useSession } from '../../../api/hooks.tsx';
import { download } from '../../../parts/download.ts';
import { partTitle, useDesk } from '../desk-state.ts';
import { followPointer } from '../../../parts/follow-pointer.ts';
import { shownCrop } from './face.tsx';
import styles from './sheet-picture.module.css';

interface SheetProps {
  resolved: ResolvedModel;
  onDraft: (boxes: readonly Box[] | undefined) => void;
}

/** A side that lies on the picture, and where. */
interface Lying {
  box: number;
  side: Side;
  crop: readonly [number, number, number, number];
}

/**
 * A picture of the model with the sides that show of it: each can be dragged to another part, and
 * is lit on the stage.
 */
export function SheetPicture({ resolved, onDraft }: SheetProps) {
  const { mod, chosen, side } = useDesk();
  const session = useSession();
  const [asked, setAsked] = useState<string>();
  const only = [...chosen][0];
  const ofSide =
    only === undefined || !side ? undefined : resolved.boxes[only]?.sides[side]?.texture;
  const ids = [...new Set([...resolved.slots.values()])].filter((id) => id !== undefined);
  const id = ofSide ?? (asked !== undefined && ids.includes(asked) ? asked : ids[0]);
  const texture = textureOf(mod, id ?? '');
  if (id === undefined || !texture) return null;
  const lying = resolved.boxes.flatMap((box, index) =>
    sides.flatMap((one): Lying[] => {
      const crop = box.sides[one]?.texture === id ? shownCrop(mod, box, one) : undefined;
      return crop ? [{ box: index, side: one, crop }] : [];
    }),
  );
  const { width, height } = frameSize(texture);
  return (
    <section aria-label="Picture">
      <h3 className="part">
        The picture{' '}
        {ids.length > 1 && !ofSide ? (
          <select
            className="pick mono"
            aria-label="Which picture"
            value={id}
            onChange={(event) => setAsked(event.currentTarget.value)}
          >
            {ids.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        ) : (
          <span className="mono soft plain">{id}</span>
        )}
      </h3>
      <Sheet
        {...{ lying, width, height, onDraft }}
        address={blobAddress(texture.picture.sha256)}
        pictureHeight={texture.picture.height}
      />
      <p className="note">
        {width} × {height} texels ·{' '}
        <a className="link plain" href={blobAddress(texture.picture.sha256)} download={fileOf(id)}>
          save the picture
        </a>{' '}
        ·{' '}
        <button
          type="button"
          className="link plain"
          onClick={() => {
            const template = { boxes: croppedBoxes(resolved, lying), width, height, moved: 0 };
            const bytes = encodePicture(paintingTemplate(template));
            download(fileOf(`${id}_template`), new Uint8Array(bytes), 'image/png');
          }}
        >
          save a template to paint on
        </button>{' '}
        ·{' '}
        <Link className="link plain" to={`/m/${session.name}/${texturePath(nameOf(id))}`}>
          touch it up
        </Link>
      </p>
    </section>
  );
}

const nameOf = (id: string): string => id.slice(id.indexOf(':') + 1);
const fileOf = (id: string): string => `${nameOf(id).replaceAll('/', '_')}.png`;

/** Boxes of which only the sides that lie on one picture are there, each with its crop. */
const croppedBoxes = ({ boxes }: ResolvedModel, lying: readonly Lying[]): Box[] =>
  boxes.map((box, index) => ({
    ...box,
    sides: Object.fromEntries(
      lying
        .filter((one) => one.box === index)
        .map(({ side, crop: [left, top, width, height] }) => [
          side,
          { slot: 'sheet', crop: [left, top, width, height] },
        ]),
    ),
  }));

interface SheetDrawingProps extends Pick<SheetProps, 'onDraft'> {
  lying: readonly Lying[];
  width: number;
  height: number;
  address: string;
  pictureHeight: number;
}

function Sheet({ lying, width, height, address, pictureHeight, onDraft }: SheetDrawingProps) {
  const desk = useDesk();
  const { boxes, chosen, free, side, choose, setSide, edit } = desk;
  const svg = useRef<SVGSVGElement>(null);
  const press = (one: Lying) => (event: PointerEvent) => {
    event.preventDefault();
    const isOn = chosen.has(one.box) && side === one.side;
    if (!isOn) {
      choose([one.box]);
      setSide(one.side);
    }
    const bounds = svg.current?.getBoundingClientRect();
    if (!bounds || desk.locked.has(one.box)) return;
    const scale = bounds.width / width;
    const these = isOn ? free : new Set([one.box]);
    let make = (all: readonly Box[]): readonly Box[] => all;
    followPointer(event, {
      move: ({ clientX, clientY }) => {
        const right = Math.round((clientX - event.clientX) / scale);
        const down = Math.round((clientY - event.clientY) / scale);
        make = (all) => shiftedCrops(all, these, one, lying, right, down);
        onDraft(make(boxes));
      },
      end: (isDrag) => {
        if (!isDrag) return;
        const title = partTitle(itemAt(boxes, one.box), one.box);
        edit(`Crop ${one.side} of ${title}`, make(desk.now().boxes));
      },
      cancel: () => onDraft(undefined),
    });
  };
  return (
    <svg
      ref={svg}
      className={clsx('crisp', styles['sheet'])}
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label="Sides on the picture"
    >
      <image href={address} width={width} height={pictureHeight} preserveAspectRatio="none" />
      {lying
        .map((one) => ({
          one,
          isOn: chosen.has(one.box) && (side === undefined || side === one.side),
        }))
        .sort((a, b) => Number(a.isOn) - Number(b.isOn))
        .map(({ one, isOn }) => (
          <rect
            key={`${one.box} ${one.side}`}
            className={clsx(styles['place'], isOn && styles['on'])}
            x={one.crop[0]}
            y={one.crop[1]}
            width={one.crop[2]}
            height={one.crop[3]}
            onPointerDown={press(one)}
          >
            <title>
              {one.side} of {partTitle(itemAt(boxes, one.box), one.box)}
            </title>
          </rect>
        ))}
    </svg>
  );
}

/** Boxes with a side of some of them showing another part of the picture. */
const shiftedCrops = (
  boxes: readonly Box[],
  these: ReadonlySet<number>,
  { side }: Lying,
  lying: readonly Lying[],
  right: number,
  down: number,
): Box[] =>
  boxes.map((box, index) => {
    const made = box.sides[side];
    const at = lying.find((one) => one.box === index && one.side === side);
    if (!these.has(index) || !made || !at) return box;
    const [left, top, width, height] = at.crop;
    return {
      ...box,
      sides: {
        ...box.sides,
        [side]: { ...made, crop: [tidy(left + right), tidy(top + down), width, height] },
      },
    };
  });
