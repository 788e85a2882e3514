import { useEffect, useState } from 'react';
import {
  neededTextures,
  texturePixels,
  type DrawnModel,
  type PixelsOf,
} from '../../core/draw/index.ts';
import type { Mod } from '../../core/mod/index.ts';
import { textureOf } from '../../core/models/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import { blobAddress } from './address.ts';

const blobs = new Map<string, Uint8Array>();
const pixels = new Map<string, Pixels>();

/**
 * Pixels of the textures that models need, for drawing on the page itself: fetched once, undefined
 * until they are all there.
 */
export function usePixelsOf(mod: Mod, models: readonly DrawnModel[]): PixelsOf | undefined {
  const digests = [
    ...new Set(neededTextures(models).flatMap((id) => textureOf(mod, id)?.picture.sha256 ?? [])),
  ];
  const missing = digests.filter((sha256) => !blobs.has(sha256)).join();
  const [, setArrived] = useState(0);
  useEffect(() => {
    let wanted = true;
    const fetched = missing
      .split(',')
      .filter(Boolean)
      .map(async (sha256) => {
        const answer = await fetch(blobAddress(sha256));
        if (answer.ok) blobs.set(sha256, new Uint8Array(await answer.arrayBuffer()));
      });
    void Promise.allSettled(fetched).then(() => wanted && setArrived((before) => before + 1));
    return () => {
      wanted = false;
    };
  }, [missing]);
  if (missing) return undefined;
  return texturePixels(mod, (sha256) => blobs.get(sha256), pixels);
}
