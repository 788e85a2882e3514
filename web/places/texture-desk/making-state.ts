import { notifications } from '@mantine/notifications';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { pointer } from '../../../core/json/index.ts';
import { freeName } from '../../../core/lists/index.ts';
import { lookUp, ownName, type Made, type Strip, type Texture } from '../../../core/mod/index.ts';
import { encodePicture, type Pixels } from '../../../core/textures/index.ts';
import { framesOf, patterns, usualRecipe } from '../../../core/textures/making/index.ts';
import { texturePath } from '../../api/address.ts';
import { useModPart, useSession } from '../../api/hooks.tsx';
import { usePictureWork } from '../../api/picture-work.ts';
import { uploadPicture } from '../../api/textures.ts';
import { complain } from '../../parts/complain.ts';
import { keepPixels, useKnownPixels } from '../../api/known-pixels.ts';
import type { Painting } from './painting-state.ts';

/** A strip that is made stays on each frame for so many ticks. */
const usualTicks = 4;

/** A picture that is being made: its recipe as it is tried, and what comes of it. */
export interface Making {
  /** The recipe that is tried; undefined until a pattern is chosen. */
  recipe: Made | undefined;
  /** The picture that it makes, as soon as it is there. */
  pixels: Pixels | undefined;
  /** Whether it differs from the one that is kept with the picture. */
  isOther: boolean;
  choose: (pattern: Made['pattern']) => void;
  set: (part: Partial<Made>) => void;
  /** Leaves what was tried. */
  back: () => void;
  /** Puts it in the picture's place, with its recipe. */
  keep: () => void;
  /** Makes a texture of its own of it. */
  asNew: () => void;
}

/** Tries a recipe for the texture on the desk, and shows what it makes in the picture's place. */
export function useMaking(painting: Painting): Making {
  const { name, texture } = painting;
  const { texels } = useModPart(({ header }) => header);
  const [tried, setTried] = useState<Made>();
  const recipe = tried ?? texture.made;
  const below = useBelow(recipe);
  const asked = useMemo(
    () => (tried && below.isReady ? { made: tried, below: below.pixels } : undefined),
    [tried, below.isReady, below.pixels],
  );
  const { answer: pixels, isNew } = usePictureWork('make', asked);
  usePlayed(painting, pixels, tried, texture.strip?.ticks ?? usualTicks);
  const { put, isPutting } = usePutting(name, () => setTried(undefined));
  const made = isNew && tried && pixels ? { recipe: tried, pixels } : undefined;
  return {
    recipe,
    pixels,
    isOther: made !== undefined && !isPutting,
    choose: (pattern) =>
      setTried({
        ...usualRecipe(pattern, recipe?.texels ?? texels, recipe?.seed ?? 1),
        ...(patterns[pattern].isLaidOn && recipe?.on !== undefined && { on: recipe.on }),
      }),
    set: (part) => recipe && setTried({ ...recipe, ...part }),
    back: () => setTried(undefined),
    keep: () => made && put(made, texture),
    asNew: () => made && put(made, undefined),
  };
}

/** What lies below what is made, where it is laid on another picture of the mod. */
function useBelow(recipe: Made | undefined): { isReady: boolean; pixels?: Pixels } {
  const found = useModPart(({ header, textures }) => {
    const own = recipe?.on === undefined ? undefined : ownName(header.namespace, recipe.on);
    return own === undefined ? undefined : lookUp(textures, own)?.picture.sha256;
  });
  const known = useKnownPixels(found);
  if (found === undefined || known.problem !== undefined) return { isReady: true };
  return { isReady: known.pixels !== undefined, pixels: known.pixels };
}

/** Shows what was made in the picture's place, frame after frame where it moves. */
function usePlayed(
  { preview }: Painting,
  pixels: Pixels | undefined,
  tried: Made | undefined,
  ticks: number,
): void {
  const tickRate = useModPart(({ header }) => header.tickRate);
  const frames = tried ? framesOf(tried) : 1;
  useEffect(() => {
    if (!pixels) {
      preview(undefined);
      return;
    }
    const side = pixels.width;
    const many = Math.min(frames, Math.floor(pixels.height / side));
    let frame = 0;
    const show = () => {
      preview(pixels, { left: 0, top: (frame % many) * side, width: side, height: side });
      frame += 1;
    };
    show();
    if (many < 2 || matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    const playing = setInterval(show, (ticks / tickRate) * 1000);
    return () => clearInterval(playing);
  }, [preview, pixels, frames, ticks, tickRate]);
  useEffect(() => () => preview(undefined), [preview]);
}

interface MadePicture {
  recipe: Made;
  pixels: Pixels;
}

/** What stays of a strip whose frames are made anew: how long each shows, and how it goes over. */
const timingOf = ({ ticks = usualTicks, blend }: Partial<Strip> = {}): Strip => ({
  ticks,
  ...(blend && { blend }),
});

/** Puts what was made into the mod: in the place of a texture, or as one of its own. */
function usePutting(name: string, onDone: () => void) {
  const session = useSession();
  const navigate = useNavigate();
  const [isPutting, setPutting] = useState(false);
  const put = async ({ recipe, pixels }: MadePicture, before: Texture | undefined) => {
    const picture = await uploadPicture(encodePicture(pixels));
    keepPixels(picture.sha256, pixels);
    const { textures } = session.view.mod;
    if (before && lookUp(textures, name) !== before)
      throw new Error('The texture was changed meanwhile. Make it again.');
    const own = before ? name : freeName(recipe.pattern, Object.keys(textures));
    const after: Texture = {
      picture,
      ...(framesOf(recipe) > 1 && { strip: timingOf(before?.strip) }),
      made: recipe,
    };
    session.edit(before ? `Make ${name}` : `Make the texture ${own}`, [
      { path: pointer(['textures', own]), before, after },
    ]);
    onDone();
    if (before) return;
    notifications.show({ message: `Made: ${own}. Nobody shows it yet.` });
    void navigate(`/m/${session.name}/${texturePath(own, 'make')}`);
  };
  return {
    put: (made: MadePicture, before: Texture | undefined) => {
      setPutting(true);
      void put(made, before)
        .catch(complain)
        .finally(() => setPutting(false));
    },
    isPutting,
  };
}
