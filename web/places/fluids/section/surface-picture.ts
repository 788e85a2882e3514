import { useEffect, useState } from 'react';
import { lookUp, ownName, usualFluid, type Fluid, type Mod } from '../../../../core/mod/index.ts';
import { frameAt, frameSize } from '../../../../core/textures/index.ts';
import { blobAddress } from '../../../api/address.ts';
import type { SurfacePicture } from './draw.ts';

/** An image by its digest once it has come; undefined until then. */
function useImage(sha256: string | undefined): HTMLImageElement | undefined {
  const [loaded, setLoaded] = useState<HTMLImageElement>();
  useEffect(() => {
    if (sha256 === undefined) return;
    const image = new Image();
    image.src = blobAddress(sha256);
    let isWanted = true;
    image.decode().then(
      () => isWanted && setLoaded(image),
      () => undefined,
    );
    return () => void (isWanted = false);
  }, [sha256]);
  return sha256 !== undefined && loaded?.src.endsWith(blobAddress(sha256)) ? loaded : undefined;
}

/** The picture that a fluid shows, still or flowing, as it is after so many ticks. */
export function useSurfacePicture(
  mod: Mod,
  fluid: Fluid,
  part: 'still' | 'flowing',
  ticks: number,
): SurfacePicture | undefined {
  const texture = lookUp(mod.textures, ownName(mod.header.namespace, fluid[part] ?? '') ?? '');
  const image = useImage(texture?.picture.sha256);
  if (!texture || !image) return undefined;
  const { width, height } = frameSize(texture);
  return {
    image,
    top: frameAt(texture, ticks) * height,
    width,
    height,
    isTinted: (fluid.tint ?? usualFluid.tint) !== 'none',
  };
}
