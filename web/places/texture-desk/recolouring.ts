import { notifications } from '@mantine/notifications';
import { useEffect, useRef, useState } from 'react';
import { pointer } from '../../../core/json/index.ts';
import { freeName, heldUnder } from '../../../core/lists/index.ts';
import {
  colourFromHex,
  tonesOf,
  type Recolouring,
  type Tone,
} from '../../../core/textures/facts/index.ts';
import { encodePicture, type Pixels } from '../../../core/textures/index.ts';
import { useModPart, useSession } from '../../api/hooks.tsx';
import { pictureWork } from '../../api/picture-work.ts';
import { uploadPicture } from '../../api/textures.ts';
import { complain } from '../../parts/complain.ts';
import { readPixels } from '../../api/known-pixels.ts';
import { materialTones } from './stations/material-tones.tsx';

/** So many tones of another picture are gone by. */
const mostTones = 24;

/** A material among what tones are taken from: no texture is called so. */
export const keyOfMaterial = (name: string): string => `material:${name}`;

/** The tones of other textures and of materials, as soon as they are known. */
export function useTones(like: readonly string[]): readonly (readonly Tone[])[] {
  const textures = useModPart((mod) => mod.textures);
  const key = like.map((name) => textures[name]?.picture.sha256 ?? name).join(' ');
  const [read, setRead] = useState<{ key: string; tones: readonly (readonly Tone[])[] }>();
  useEffect(() => {
    let isWanted = true;
    const all = key.split(' ').filter(Boolean).map(tonesLike);
    Promise.all(all).then((tones) => isWanted && setRead({ key, tones }), complain);
    return () => {
      isWanted = false;
    };
  }, [key]);
  return read?.key === key ? read.tones : none;
}

async function tonesLike(key: string): Promise<readonly Tone[]> {
  const [, material] = /^material:(.*)$/.exec(key) ?? [];
  if (material === undefined) return tonesOf(await readPixels(key), mostTones);
  return materialTones(material).flatMap((hex) => {
    const colour = colourFromHex(hex);
    return colour ? [{ colour, many: 1 }] : [];
  });
}

const none: readonly never[] = [];

interface Copy {
  /** The texture, or the material, whose tones it has. */
  like: string | undefined;
  pixels: Pixels;
}

/** Makes pictures of the one on the desk, each a texture of its own, all in one step. */
export function useCopies(name: string, onDone: () => void) {
  const session = useSession();
  const [done, setDone] = useState<number>();
  const stop = useRef<AbortController>(undefined);
  useEffect(() => () => stop.current?.abort(), []);
  const put = async (made: readonly Copy[]) => {
    const pictures = await Promise.all(
      made.map(({ pixels }) => uploadPicture(encodePicture(pixels))),
    );
    const { textures } = session.view.mod;
    const taken = Object.keys(textures);
    const named = made.map(({ like }) => {
      const own = freeName(nameLike(name, like), taken);
      taken.push(own);
      return own;
    });
    // Where they come from is no recipe of theirs: they were recoloured since.
    const { made: _, ...original } = heldUnder(textures, name);
    session.edit(
      made.length === 1 ? `Make the texture ${named[0]}` : `Make ${made.length} textures`,
      named.map((own, i) => ({
        path: pointer(['textures', own]),
        after: { ...original, picture: pictures[i] },
      })),
    );
    notifications.show({ message: `Made: ${named.join(', ')}. Nobody shows them yet.` });
    onDone();
  };
  const makeAll = async (
    pixels: Pixels,
    wanted: readonly { like: string | undefined; way: Recolouring }[],
  ) => {
    stop.current = new AbortController();
    setDone(0);
    const ways = wanted.map(({ way }) => way);
    const { signal } = stop.current;
    const all = await pictureWork('recolour', { pixels, ways }, { onDone: setDone, signal });
    await put(all.map((one, i) => ({ like: wanted[i]?.like, pixels: one })));
  };
  return {
    make: (made: readonly Copy[]) => void put(made).catch(complain),
    makeAll: (...given: Parameters<typeof makeAll>) =>
      void makeAll(...given)
        .catch((error: unknown) => stop.current?.signal.aborted || complain(error))
        .finally(() => setDone(undefined)),
    /** How many of several are made already, while they are. */
    done,
    stop: () => stop.current?.abort(),
  };
}

/** `seam/brack` in the tones of `item/ebbite_bar` is `seam/brack_ebbite_bar`. */
const nameLike = (name: string, like: string | undefined): string =>
  like === undefined
    ? `${name}_copy`
    : `${name}_${like.slice(Math.max(like.lastIndexOf('/'), like.lastIndexOf(':')) + 1)}`;
