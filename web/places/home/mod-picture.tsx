import { blobAddress } from '../../api/address.ts';
import { useMod } from '../../api/hooks.tsx';
import { Rendering } from '../../parts/rendering.tsx';
import { defaultStateOf } from '../blocks/default-state.ts';
import styles from './home.module.css';

/** The picture of the mod; while it has none, its first block as itself. */
export function ModPicture({ size }: { size: number }) {
  const mod = useMod();
  const { picture } = mod.header;
  const [first] = Object.keys(mod.blocks);
  if (picture)
    return (
      <img
        src={blobAddress(picture.sha256)}
        width={size}
        height={size}
        alt={`The picture of ${mod.header.title}`}
        className={picture.width < size ? 'crisp' : undefined}
      />
    );
  if (first === undefined) return <span className={styles['none']} aria-hidden />;
  return <Rendering block={first} state={defaultStateOf(mod, first)} size={size} fills />;
}
