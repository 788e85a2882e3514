import { newBlock, rolePicture, rolesOf, type Form } from '../forms/index.ts';
import { heldUnder, itemAt } from '../lists/index.ts';
import { applyChanges, emptyMod, resolveBlock, stockNamed } from '../mod/index.ts';
import { textureOf } from '../models/index.ts';
import type { State } from '../states/index.ts';
import { pictureFacts, type Pixels } from '../textures/index.ts';
import { drawnModels } from './block.ts';
import { drawIsometric, fillingView, twoCells, wholeCell } from './isometric.ts';

/**
 * A form of a stock material as it would look, `size` pixels square on a clear ground: for choosing
 * before there is a block.
 *
 * @example drawForm(formNamed('stair')!, 'timber', 16, 64)
 */
export function drawForm(form: Form, stock: string, texels: number, size: number): Pixels {
  const colour = stockNamed(stock)?.traits.mapColour ?? '#8d8d86';
  const roles = rolesOf(form);
  const pixels = roles.map((role, i) => rolePicture(role, colour, texels, 7 + i));
  // Each picture is told from the others by a digest of its number.
  const pictures = Object.fromEntries(
    roles.map((role, i) => [
      role,
      { sha256: String(i).repeat(64), bytes: 0, ...pictureFacts(itemAt(pixels, i)) },
    ]),
  );
  const empty = emptyMod('form', 'Form');
  const mod = { ...empty, header: { ...empty.header, texels } };
  const made = applyChanges(mod, newBlock(mod, 'shown', form.title, { form, stock, pictures }));
  const block = resolveBlock(made, 'shown', heldUnder(made.blocks, 'shown'));
  const shownIn = (state: State) => drawnModels(made, block, block.space.encode(state));
  const onTop = form.onTop && shownIn(form.onTop);
  const models = [
    ...shownIn(form.shown ?? {}),
    ...(onTop ?? []).map((model) => ({ ...model, shift: [0, texels, 0] as const })),
  ];
  const pixelsOf = (id: string) =>
    pixels[Number(textureOf(made, id)?.picture.sha256.charAt(0) ?? NaN)];
  const view = fillingView(models, texels, pixelsOf, onTop ? twoCells : wholeCell);
  return drawIsometric(models, texels, size, pixelsOf, view);
}
