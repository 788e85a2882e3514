import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { heldUnder } from '../../../../core/lists/index.ts';
import type { Texture } from '../../../../core/mod/index.ts';
import type { Likeness } from '../../../../core/textures/facts/index.ts';
import { frameSize } from '../../../../core/textures/index.ts';
import { count } from '../../../../core/words/index.ts';
import { blobAddress, texturePath } from '../../../api/address.ts';
import { useModPart, useSession } from '../../../api/hooks.tsx';
import { pictureWork } from '../../../api/picture-work.ts';
import { complain } from '../../../parts/complain.ts';
import { usePainting } from '../painting-state.ts';
import { Thumb } from '../thumb.tsx';
import styles from './facts.module.css';
import touchUp from './touch-up.module.css';

interface Found {
  /** The digest of the picture that it was looked for. */
  of: string;
  all: readonly { name: string; likeness: Likeness }[];
}

/** Pictures of the mod that are much like this one, also turned, mirrored or in other colours. */
export function Alike() {
  const { name, texture, pixels } = usePainting();
  const session = useSession();
  const textures = useModPart((mod) => mod.textures);
  const [found, setFound] = useState<Found>();
  const [far, setFar] = useState<{ done: number; of: number }>();
  const stop = useRef<AbortController>(undefined);
  const { sha256 } = texture.picture;
  const look = async () => {
    if (!pixels) return;
    const others = Object.entries(textures)
      .filter(([other, held]) => other !== name && isOfOneSize(texture, held))
      .map(([other, held]) => ({
        name: other,
        address: blobAddress(held.picture.sha256),
        frameHeight: frameSize(held).height,
      }));
    const { signal } = (stop.current = new AbortController());
    setFar({ done: 0, of: others.length });
    const onDone = (done: number, of: number) => setFar({ done, of });
    const frameHeight = frameSize(texture).height;
    const asked = { pixels, frameHeight, others };
    const all = await pictureWork('alike', asked, { onDone, signal });
    setFound({ of: sha256, all });
  };
  const begin = () =>
    void look()
      .catch((error: unknown) => stop.current?.signal.aborted || complain(error))
      .finally(() => setFar(undefined));
  const shown = found?.of === sha256 ? found.all.filter((one) => textures[one.name]) : undefined;
  return (
    <>
      {shown && (
        <ul className={styles['alike']} aria-label="Pictures much like it">
          {shown.map(({ name: other, likeness }) => (
            <li key={other}>
              <Thumb texture={heldUnder(textures, other)} />
              <Link to={`/m/${session.name}/${texturePath(other, 'facts')}`}>{other}</Link>
              <span className="soft">{likenessInWords(likeness)}</span>
            </li>
          ))}
        </ul>
      )}
      {shown?.length === 0 && <p className="note">No other picture of the mod is much like it.</p>}
      <div className={touchUp['verbs']}>
        {far ? (
          <button type="button" className="chip" onClick={() => stop.current?.abort()}>
            {far.done} of {count(far.of, 'picture')}: stop
          </button>
        ) : (
          <button type="button" className="chip" onClick={begin}>
            {shown ? 'Look again' : 'Look for pictures like it'}
          </button>
        )}
      </div>
    </>
  );
}

/** Larger pictures are not compared: it takes too much room. */
const mostSide = 256;

/** Whether frames of two textures could be laid on each other, turned or not. */
function isOfOneSize(one: Texture, other: Texture): boolean {
  const [a, b] = [frameSize(one), frameSize(other)];
  const fits =
    (a.width === b.width && a.height === b.height) ||
    (a.width === b.height && a.height === b.width);
  return fits && Math.max(a.width, a.height) <= mostSide;
}

/** `mirrored and turned, in other colours, 98 %` */
function likenessInWords({ quarters, isMirrored, isRecoloured, share }: Likeness): string {
  const ways = [isMirrored && 'mirrored', quarters > 0 && 'turned'].filter(Boolean).join(' and ');
  const parts = [ways, isRecoloured && 'in other colours'].filter(Boolean);
  const much = share === 1 ? 'the same' : `${Math.floor(share * 100)} % the same`;
  return [...parts, isRecoloured ? undefined : much].filter(Boolean).join(', ');
}
