import clsx from 'clsx';
import type { Texture } from '../../../core/mod/index.ts';
import { frameCount } from '../../../core/textures/index.ts';
import { blobAddress } from '../../api/address.ts';
import styles from './thumb.module.css';

/** The picture, or the first frame of a strip, small. */
export const Thumb = ({ texture }: { texture: Texture }) => (
  <i
    className={clsx('crisp', styles['thumb'])}
    style={{
      backgroundImage: `url(${blobAddress(texture.picture.sha256)})`,
      backgroundSize: `100% ${Math.max(1, frameCount(texture)) * 100}%`,
    }}
  />
);
