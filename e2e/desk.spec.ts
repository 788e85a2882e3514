import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { rolePicture } from '../core/forms/index.ts';
import { readGltf } from '../core/exchange/index.ts';
import { encodePicture } from '../core/textures/index.ts';
import { expect, saved, test } from './testing/server.ts';

const parts = (page: Page) => page.getByRole('complementary', { name: 'Parts' });
const part = (page: Page, name: string) =>
  parts(page).getByRole('button', { name: new RegExp(`^${name}( |$)`) });
const repeat = async (page: Page, key: string, times: number) => {
  for (let i = 0; i < times; i += 1) await page.keyboard.press(key);
};

test('a rack from nothing, with keys alone', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks`);
  await expect(page.getByRole('heading', { name: 'Blocks' })).toBeVisible();
  await page.keyboard.press('n');
  await page.getByLabel('Name', { exact: true }).fill('Peg rack');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/blocks\/peg_rack\/traits/);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('group', { name: 'Stage' })).toBeVisible();
  await page.keyboard.press('d');
  await expect(page).toHaveURL(/models\/peg_rack\?block=peg_rack/);
  await expect(parts(page).getByText('16×16×16')).toBeVisible();
  // The cube goes, and a leg comes: 2 wide, 2 deep, 10 high, in the corner at the front.
  await page.keyboard.press('.');
  await page.keyboard.press('Delete');
  await page.keyboard.press('b');
  await repeat(page, 'Shift+ArrowLeft', 2);
  await repeat(page, 'Shift+ArrowDown', 2);
  await repeat(page, 'Shift+PageUp', 6);
  await expect(part(page, 'box')).toContainText('2×10×2');
  await page.keyboard.press('F2');
  await page.keyboard.type('leg');
  await page.keyboard.press('Enter');
  await expect(part(page, 'leg')).toBeVisible();
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await repeat(page, 'ArrowRight', 7);
  await repeat(page, 'ArrowDown', 4);
  // The same again at the back, and both of them on the other side. A copy lies beside its original.
  await page.keyboard.press('d');
  await repeat(page, 'ArrowRight', 2);
  await repeat(page, 'ArrowUp', 10);
  await page.keyboard.press('Control+a');
  await page.keyboard.press('d');
  await repeat(page, 'ArrowRight', 2);
  await page.keyboard.press('x');
  await expect(parts(page).getByRole('button', { name: /^leg/ })).toHaveCount(4);
  // A lath across, and two more, each as far away as the one before.
  await page.keyboard.press('b');
  await repeat(page, 'PageUp', 10);
  await repeat(page, 'ArrowLeft', 6);
  await repeat(page, 'Shift+ArrowRight', 12);
  await repeat(page, 'Shift+PageDown', 3);
  await repeat(page, 'Shift+ArrowDown', 2);
  await repeat(page, 'ArrowUp', 7);
  await page.keyboard.press('d');
  await repeat(page, 'ArrowDown', 3);
  await page.keyboard.press('d');
  await expect(parts(page).getByRole('button', { name: /^box/ })).toHaveCount(3);
  await saved(page);
  const answer = await page.request.get(`${server.address}/api/mods/saltmarsh`);
  const { mod } = (await answer.json()) as {
    mod: { models: Record<string, { boxes: { at: number[]; size: number[] }[] }> };
  };
  const boxes = mod.models['peg_rack']!.boxes.map(({ at, size }) => [at, size]);
  expect(boxes).toEqual([
    [
      [13, 0, 12],
      [2, 10, 2],
    ],
    [
      [13, 0, 2],
      [2, 10, 2],
    ],
    [
      [1, 0, 12],
      [2, 10, 2],
    ],
    [
      [1, 0, 2],
      [2, 10, 2],
    ],
    [
      [0, 10, 1],
      [16, 1, 2],
    ],
    [
      [0, 10, 6],
      [16, 1, 2],
    ],
    [
      [0, 10, 11],
      [16, 1, 2],
    ],
  ]);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/blocks\/peg_rack\/looks/);
});

test('a handle is dragged and a number typed, each in one step that undo takes back', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/models/driftwood_chair`);
  await part(page, 'seat').click();
  await expect(page.getByLabel('Height', { exact: true })).toHaveValue('2');
  const handle = page.locator('[data-axis="1"] circle[data-end="1"]');
  const box = (await handle.boundingBox())!;
  await page.mouse.move(box.x + 5, box.y + 5);
  await page.mouse.down();
  await page.mouse.move(box.x + 5, box.y - 25, { steps: 4 });
  await page.mouse.move(box.x + 5, box.y - 65, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByLabel('Height', { exact: true })).not.toHaveValue('2');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Height', { exact: true })).toHaveValue('2');
  await page.getByLabel('Height', { exact: true }).fill('4');
  await page.keyboard.press('Enter');
  await expect(part(page, 'seat')).toContainText('12×4×12');
  await page.getByLabel('Width', { exact: true }).fill('many');
  await page.keyboard.press('Enter');
  await expect(part(page, 'seat')).toContainText('12×4×12');
});

test('without a graphics card edges are smooth at rest, and nothing waits for it while held', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/models/driftwood_chair`);
  const stage = page.getByRole('group', { name: 'Stage' });
  const pixels = () =>
    stage
      .locator('canvas')
      .evaluate((canvas: HTMLCanvasElement) => Math.round(canvas.width / canvas.clientWidth));
  await expect.poll(pixels).toBe(2);
  const box = (await stage.boundingBox())!;
  await page.mouse.move(box.x + 80, box.y + 300);
  await page.mouse.down();
  await page.mouse.move(box.x + 160, box.y + 300, { steps: 4 });
  await expect.poll(pixels).toBe(1);
  await page.mouse.up();
  await expect.poll(pixels).toBe(2);
});

test('a PNG is dropped on a face of the stage, and one that is none is refused', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/models/driftwood_chair/pictures`);
  await expect(page.getByRole('list', { name: 'Slots' }).getByRole('listitem')).toHaveCount(2);
  const stage = page.getByRole('group', { name: 'Stage' });
  const { x, y, width, height } = (await stage.boundingBox())!;
  const png = [...encodePicture(rolePicture('end', '#4a7f8a', 16, 5))];
  const drop = async (bytes: number[], type: string) => {
    const transfer = await page.evaluateHandle(
      ([data, kind]) => {
        const made = new DataTransfer();
        made.items.add(new File([new Uint8Array(data)], 'seat.png', { type: kind }));
        return made;
      },
      [bytes, type] as [number[], string],
    );
    // The middle of the picture is the seat's top.
    await stage.locator('canvas').dispatchEvent('drop', {
      dataTransfer: transfer,
      clientX: x + width / 2,
      clientY: y + height * 0.46,
    });
  };
  await drop([1, 2, 3], 'image/png');
  await expect(page.getByText(/is no PNG|not a PNG|PNG/).last()).toBeVisible();
  await drop(png, 'image/png');
  await expect(page.getByLabel('Texture of face')).toHaveValue('saltmarsh:driftwood_chair_face');
  await saved(page);
});

test('three boxes are fitted and used, and the bench has them', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/models/drying_rack/fit?block=drying_rack`);
  const fits = page.getByRole('radiogroup', { name: 'Boxes that cover the model' });
  await fits.getByText('4 boxes').click();
  await expect(page.getByRole('region', { name: 'Fit' }).getByText('4 boxes, tried')).toBeVisible();
  await fits.getByText('3 boxes').click();
  await page.getByRole('button', { name: 'Use for both' }).click();
  await expect(parts(page).getByRole('button', { name: /^part/ })).toHaveCount(3);
  // One of them by hand.
  await part(page, 'part 1').click();
  await page.getByLabel('Size, y').fill('9');
  await page.keyboard.press('Enter');
  await expect(part(page, 'part 1')).toContainText('×9×');
  await saved(page);
  await page.goto(`${server.address}/m/saltmarsh/blocks/drying_rack/traits`);
  await expect(page.getByText('3 boxes in this state.').first()).toBeVisible();
});

test('every side gets a place of its own, and looks as it did', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/models/driftwood_chair/pictures`);
  await page.getByRole('button', { name: 'Unwrap' }).click();
  await expect(
    page.getByText(/Every side lies on its own place of saltmarsh:driftwood_chair/),
  ).toBeVisible();
  await expect(
    page.getByRole('group', { name: 'Sides on the picture' }).locator('rect'),
  ).toHaveCount(6 + 5 + 4 * 5);
  await expect(page.getByRole('list', { name: 'Slots' }).getByRole('listitem')).toHaveCount(1);
  // A box that grows needs another place; the others keep theirs.
  await part(page, 'seat').click();
  await page.keyboard.press('Shift+PageUp');
  const rest = page.getByRole('button', { name: 'Unwrap what is left' });
  await expect(rest).toBeEnabled();
  await rest.click();
  await expect(rest).toBeDisabled();
  await expect(page.getByLabel('Findings')).toContainText('Every rule passes for this model.');
  await page.getByRole('button', { name: 'top', exact: true }).click();
  await page.getByLabel('Left', { exact: true }).fill('1');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Left', { exact: true })).toHaveValue('1');
  await saved(page);
});

test('a model is saved as GLB and taken over into another; damaged ones are refused', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/models/driftwood_chair`);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as GLB' }).click(),
  ]);
  const bytes = readFileSync(await file.path());
  expect(readGltf(bytes, 'chair', () => undefined).parts).toHaveLength(6);
  await page.goto(`${server.address}/m/saltmarsh/models/salt_crust_a`);
  const choose = (name: string, buffer: Buffer) =>
    page
      .getByRole('button', { name: 'Take over a glTF or OBJ file' })
      .locator('xpath=..')
      .locator('input[type=file]')
      .setInputFiles({ name, mimeType: 'model/gltf-binary', buffer });
  await choose('broken.glb', bytes.subarray(0, 200));
  await expect(page.getByRole('alert')).toHaveText(/The file is cut off/);
  await choose('notes.png', Buffer.from('hello'));
  await expect(page.getByRole('alert')).toHaveText(/Choose a .glb, .gltf or .obj file/);
  await choose('chair.glb', bytes);
  await expect(page.getByRole('region', { name: 'What was read' })).toContainText('6 boxes');
  await page.getByRole('button', { name: 'Take over', exact: true }).click();
  await expect(part(page, 'seat')).toContainText('12×2×12');
  await saved(page);
});

test('how it sits in the hand is dragged, and taken back', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/models/driftwood_chair/in-the-hand`);
  const turned = page.getByLabel('Turned, y');
  await expect(turned).toHaveValue('-38');
  const picture = page.getByRole('group', { name: 'Drag to turn it' });
  const { x, y } = (await picture.boundingBox())!;
  await page.mouse.move(x + 100, y + 100);
  await page.mouse.down();
  await page.mouse.move(x + 150, y + 100, { steps: 4 });
  await page.mouse.up();
  await expect(turned).toHaveValue('-8');
  await page.getByRole('button', { name: 'Back to the usual' }).click();
  await expect(turned).toHaveValue('-38');
  await picture.focus();
  await page.keyboard.press('ArrowRight');
  await expect(turned).toHaveValue('-33');
  await saved(page);
});

test('boxes are copied to another model as text, and a state is saved from its bench', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/models/driftwood_chair`);
  await expect(part(page, 'seat')).toBeVisible();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+c');
  await page.goto(`${server.address}/m/saltmarsh/models/salt_crust_b`);
  await expect(part(page, 'Box 1')).toBeVisible();
  await page.keyboard.press('Control+v');
  await expect(part(page, 'seat')).toContainText('12×2×12');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'write it here' }).click();
  await page.getByLabel('Boxes as text').fill('{ "boxes": 3 }');
  await page.getByRole('button', { name: 'Put in', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText(/This text holds no boxes/);
  await saved(page);

  await page.goto(`${server.address}/m/saltmarsh/blocks/salt_oven/looks?state=1`);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'GLB', exact: true }).click(),
  ]);
  const read = readGltf(readFileSync(await file.path()), 'oven', () => undefined);
  expect(read.materials.filter(({ picture }) => picture)).toHaveLength(3);
  await page.getByRole('button', { name: 'salt_oven', exact: true }).click();
  await expect(page).toHaveURL(/models\/salt_oven\?block=salt_oven/);
});
