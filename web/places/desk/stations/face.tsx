import clsx from 'clsx';
import type { Mod } from '../../../../core/mod/index.ts';
import { naturalCrop, textureOf, type TexturedBox } from '../../../../core/models/index.ts';
import type { Side } from '../../../../core/space/index.ts';
import { frameSize } from '../../../../core/textures/index.ts';
import { blobAddress } from '../../../api/address.ts';
import styles from './face.module.css';

/** The part of its picture that a side shows, in texels of the picture: left, top, width, height. */
export function shownCrop(
  mod: Mod,
  box: TexturedBox,
  side: Side,
): [number, number, number, number] | undefined {
  const made = box.sides[side];
  if (!made) return undefined;
  if (made.crop) return made.crop;
  const { texels } = mod.header;
  const texture = textureOf(mod, made.texture ?? '');
  const size = texture ? frameSize(texture) : { width: texels, height: texels };
  const [left, top, width, height] = naturalCrop(box, side, texels);
  const [x, y] = [size.width / texels, size.height / texels];
  return [left * x, top * y, width * x, height * y];
}

interface FaceProps {
  mod: Mod;
  box: TexturedBox;
  side: Side;
  isChosen: boolean;
  onChoose: () => void;
  onFile: (file: File) => void;
}

/** One side as it looks from outside, to be chosen; a PNG that is dropped on it fills its slot. */
export function Face({ mod, box, side, isChosen, onChoose, onFile }: FaceProps) {
  const made = box.sides[side];
  return (
    <button
      type="button"
      className={clsx(styles['face'], isChosen && styles['on'])}
      aria-pressed={isChosen}
      aria-label={side}
      onClick={onChoose}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        event.stopPropagation();
        const file = event.dataTransfer.files[0];
        if (file) onFile(file);
      }}
    >
      {made ? <FacePicture mod={mod} box={box} side={side} /> : <i>left out</i>}
      <span>{side}</span>
    </button>
  );
}

function FacePicture({ mod, box, side }: Pick<FaceProps, 'mod' | 'box' | 'side'>) {
  const made = box.sides[side];
  const texture = textureOf(mod, made?.texture ?? '');
  const crop = shownCrop(mod, box, side);
  if (!made || !crop) return null;
  if (!texture) return <i className={styles['open']}>open</i>;
  const [left, top, width, height] = crop;
  const quarters = made.quarters ?? 0;
  // A picture on its side is as wide as it is high on the face.
  const [w, h] = quarters % 2 ? [height, width] : [width, height];
  const scale = 58 / Math.max(w, h, 1);
  return (
    <svg
      className="crisp"
      width={Math.max(2, w * scale)}
      height={Math.max(2, h * scale)}
      viewBox={`${-w / 2} ${-h / 2} ${Math.max(w, 0.1)} ${Math.max(h, 0.1)}`}
      aria-hidden="true"
    >
      <g transform={`rotate(${quarters * 90}) scale(${made.mirrored ? -1 : 1} 1)`}>
        <image
          href={blobAddress(texture.picture.sha256)}
          x={-left - width / 2}
          y={-top - height / 2}
          width={texture.picture.width}
          height={texture.picture.height}
          preserveAspectRatio="none"
        />
      </g>
    </svg>
  );
}

/** Where each side lies in the net: unfolded, the front in the middle. */
export const net: readonly { side: Side; row: number; column: number }[] = [
  { side: 'top', row: 1, column: 2 },
  { side: 'right', row: 2, column: 1 },
  { side: 'front', row: 2, column: 2 },
  { side: 'left', row: 2, column: 3 },
  { side: 'back', row: 2, column: 4 },
  { side: 'bottom', row: 3, column: 2 },
];
