import type { Mod } from '../../mod/mod.schema.ts';
import { idOf } from '../../mod/names.ts';
import { resolvedModelOf } from '../find.ts';
import type { Rectangle } from './free-places.ts';

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
            const [left, top] = [Math.floor(crop[0]), Math.floor(crop[1])];
            return [
              {
                left,
                top,
                width: Math.ceil(crop[0] + crop[2]) - left,
                height: Math.ceil(crop[1] + crop[3]) - top,
              },
            ];
          }),
        ),
  );
