import type { Mod } from '../../mod/mod.schema.ts';
import { idOf } from '../../mod/names.ts';
import { resolvedModelOf } from '../find.ts';
import { wholePlace, type Rectangle } from './free-places.ts';

/** The places of a picture that the sides of every model but one show. */
export const placesShownBy = (
  mod: Pick<Mod, 'header' | 'models'>,
  texture: string,
  except: string,
): Rectangle[] =>
  Object.entries(mod.models).flatMap(([name, { boxes }]) =>
    name === except || !boxes
      ? []
      : (resolvedModelOf(mod, idOf(mod.header.namespace, name))?.boxes ?? []).flatMap((box) =>
          Object.values(box.sides).flatMap(({ texture: shown, crop }) => {
            if (shown !== texture || !crop) return [];
            return [wholePlace(crop)];
          }),
        ),
  );
