import { blobAddress } from '../api/address.ts';
import { useThree } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo, useState } from 'react';
import * as THREE from 'three';
import { textureOf } from '../../core/models/index.ts';
import type { Mod } from '../../core/mod/index.ts';
import { frameCount, marker, type Pixels } from '../../core/textures/index.ts';
import { useDraft } from './draft-picture.ts';

const crisp = <T extends THREE.Texture>(texture: T): T => {
  texture.magFilter = THREE.NearestFilter;
  texture.minFilter = THREE.NearestFilter;
  texture.colorSpace = THREE.SRGBColorSpace;
  texture.generateMipmaps = false;
  return texture;
};

/** Obrank's own marker for what does not resolve. Rows of a data texture begin at the bottom. */
const markerTexture = (() => {
  const texture = crisp(new THREE.DataTexture(marker.data, marker.width, marker.height));
  texture.flipY = true;
  texture.needsUpdate = true;
  return texture;
})();

const loader = new THREE.TextureLoader();
const loaded = new Map<string, Promise<THREE.Texture>>();

/** A texture of the mod as the stage draws it; the marker until, and unless, it is there. */
export function useStageTexture(mod: Mod, id: string | undefined): THREE.Texture {
  const invalidate = useThree((state) => state.invalidate);
  const found = id === undefined ? undefined : textureOf(mod, id);
  const frames = found ? Math.max(1, Math.round(frameCount(found))) : 1;
  const key = found ? `${found.picture.sha256} ${frames}` : '';
  const [texture, setTexture] = useState<{ key: string; texture: THREE.Texture }>();
  useEffect(() => {
    if (!found) return;
    let wanted = true;
    const promise =
      loaded.get(key) ??
      loader.loadAsync(blobAddress(found.picture.sha256)).then((made) => {
        crisp(made);
        made.repeat.set(1, 1 / frames);
        made.offset.set(0, 1 - 1 / frames);
        return made;
      });
    loaded.set(key, promise);
    promise.then(
      (made) => {
        if (wanted) setTexture({ key, texture: made });
        invalidate();
      },
      () => loaded.delete(key),
    );
    return () => {
      wanted = false;
    };
    // The digest and the frames say everything about the picture.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, invalidate]);
  const drafted = useDraftTexture(useDraft(id));
  return drafted ?? (texture && texture.key === key ? texture.texture : markerTexture);
}

/** Pixels that are painted on at this moment, as a texture that is filled anew with every stroke. */
function useDraftTexture(pixels: Pixels | undefined): THREE.Texture | undefined {
  const invalidate = useThree((state) => state.invalidate);
  const { width, height } = pixels ?? { width: 0, height: 0 };
  const texture = useMemo(() => {
    if (!width) return undefined;
    const data = new Uint8Array(width * height * 4);
    const made = crisp(new THREE.DataTexture(data, width, height));
    made.flipY = true;
    return made;
  }, [width, height]);
  useEffect(() => () => texture?.dispose(), [texture]);
  /* eslint-disable react-hooks/immutability -- textures of three.js are filled in place */
  useLayoutEffect(() => {
    if (!texture || !pixels) return;
    texture.image.data?.set(pixels.data);
    texture.needsUpdate = true;
    invalidate();
  }, [texture, pixels, invalidate]);
  /* eslint-enable react-hooks/immutability */
  return texture;
}
