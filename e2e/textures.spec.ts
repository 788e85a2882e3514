import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { basePicture, decodePicture, encodePicture, type Pixels } from '../core/textures/index.ts';
import { expect, saved, test } from './testing/server.ts';

interface Answer {
  mod: {
    textures: Record<string, { picture: { sha256: string; height: number }; strip?: object }>;
    blocks: Record<string, { looks: { rows: { use: { model: string }[] }[] } }>;
  };
}

const modOf = async (address: string): Promise<Answer['mod']> =>
  ((await (await fetch(`${address}/api/mods/saltmarsh`)).json()) as Answer).mod;

/** The pixels of a texture, as the server has them. */
async function pixelsOf(address: string, name: string): Promise<Pixels> {
  const { sha256 } = (await modOf(address)).textures[name]!.picture;
  const answer = await fetch(`${address}/api/blobs/${sha256}`);
  return decodePicture(new Uint8Array(await answer.arrayBuffer()));
}

/** The texels at which two pictures differ. */
const differing = (a: Pixels, b: Pixels): [x: number, y: number][] =>
  Array.from({ length: a.width * a.height }, (_, i) => i)
    .filter((i) => [0, 1, 2, 3].some((byte) => a.data[i * 4 + byte] !== b.data[i * 4 + byte]))
    .map((i) => [i % a.width, Math.floor(i / a.width)]);

const picture = (page: Page) => page.getByRole('application');
const tool = (page: Page, name: string) => page.getByRole('radio', { name });
/** Where a texel of a square picture of sixteen lies on the page. */
async function placeOf(page: Page, [x, y]: readonly [number, number]): Promise<[number, number]> {
  const bounds = (await picture(page).boundingBox())!;
  const texel = bounds.width / 16;
  return [bounds.x + (x + 0.5) * texel, bounds.y + (y + 0.5) * texel];
}

/** Drags from one texel to another. */
async function dragFrom(page: Page, from: [number, number], to: [number, number]): Promise<void> {
  await page.mouse.move(...(await placeOf(page, from)));
  await page.mouse.down();
  await page.mouse.move(...(await placeOf(page, to)), { steps: 4 });
  await page.mouse.up();
}

test('what is painted on a face of the block is the texel that one sees there', async ({
  page,
  server,
}) => {
  // A sequence of its own (Lehmer, 1951), so that every run looks at the same places.
  let seed = 20;
  const random = () => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
  const magenta = '#ff00ff';
  let painted = 0;
  for (const name of ['oyster_tile', 'reed_thatch_side', 'oven/side', 'oven/front', 'drying_rack'])
    for (let tries = 0; tries < 40; tries += 1) {
      if (tries === 0) {
        await page.goto(
          `${server.address}/m/saltmarsh/textures/${encodeURIComponent(name)}/touch-up`,
        );
        await expect(page.getByRole('group', { name: 'Stage' }).locator('canvas')).toBeVisible();
        await tool(page, 'Draw').click();
        await page.getByLabel('Colour as six digits').fill(magenta);
        await expect.poll(() => isStill(page)).toBe(true);
      }
      const stage = (await page.getByRole('group', { name: 'Stage' }).boundingBox())!;
      const [x, y] = [
        Math.round(stage.x + stage.width * (0.25 + 0.5 * random())),
        Math.round(stage.y + stage.height * (0.35 + 0.35 * random())),
      ];
      await page.mouse.move(x, y);
      const said = await picture(page).getAttribute('aria-description');
      const seen = /Column (\d+), row (\d+)/.exec(said ?? '');
      if (!seen) continue;
      const before = await pixelsOf(server.address, name);
      await page.mouse.down();
      await page.mouse.up();
      await expect
        .poll(async () => differing(before, await pixelsOf(server.address, name)))
        .toEqual([[Number(seen[1]) - 1, Number(seen[2]) - 1]]);
      // What the browser draws there is magenta now, however dark the side is.
      await page.mouse.move(stage.x + 4, stage.y + stage.height - 4);
      await expect.poll(() => isMagentaAround(page, x, y)).toBe(true);
      painted += 1;
      if (painted % 3 === 0) break;
    }
  expect(painted).toBeGreaterThanOrEqual(10);
});

/** Whether the stage shows the same twice: it has found its size, and its pictures have come. */
async function isStill(page: Page): Promise<boolean> {
  const stage = page.getByRole('group', { name: 'Stage' });
  const [before, after] = [await stage.screenshot(), await stage.screenshot()];
  return before.equals(after);
}

/**
 * Whether one of the pixels around a place is magenta: no green, and as much red as blue. Edges of
 * texels are drawn smooth, so that a place right at one shows it a pixel further on.
 */
async function isMagentaAround(page: Page, x: number, y: number): Promise<boolean> {
  const clip = { x: x - 2, y: y - 2, width: 4, height: 4 };
  const { data } = decodePicture(await page.screenshot({ clip }));
  return Array.from({ length: 16 }, (_, i) => i * 4).some((at) => {
    const [red = 0, green = 0, blue = 0] = data.subarray(at, at + 3);
    return red > 60 && green < red / 3 && Math.abs(red - blue) < 12;
  });
}

test('tools, symmetry and keys; every stroke is undone by itself', async ({ page, server }) => {
  const name = 'oyster_tile';
  await page.goto(`${server.address}/m/saltmarsh/textures/${name}`);
  await expect(picture(page)).toBeVisible();
  const start = await pixelsOf(server.address, name);
  const changed = async () => differing(start, await pixelsOf(server.address, name));
  await page.getByLabel('Colour as six digits').fill('#ff00ff');
  // A line with the pointer.
  await tool(page, 'Line').click();
  await page.mouse.move(...(await placeOf(page, [2, 3])));
  await page.mouse.down();
  await page.mouse.move(...(await placeOf(page, [6, 3])), { steps: 4 });
  await page.mouse.up();
  const line: [number, number][] = [2, 3, 4, 5, 6].map((x) => [x, 3]);
  await expect.poll(changed).toEqual(line);
  // A texel with the keys, and its counterpart on the other side.
  await picture(page).focus();
  await page.keyboard.press('d');
  await page.keyboard.press('x');
  await page.keyboard.press('Home');
  await page.keyboard.press('PageDown');
  await page.keyboard.press('ArrowRight');
  await expect(picture(page)).toHaveAttribute('aria-description', /Column 2, row 16/);
  await page.keyboard.press('Space');
  const both: [number, number][] = [
    [1, 15],
    [14, 15],
  ];
  await expect.poll(changed).toEqual([...line, ...both]);
  await page.keyboard.press('Control+z');
  await expect.poll(changed).toEqual(line);
  await page.keyboard.press('Control+z');
  await expect.poll(changed).toEqual([]);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(changed).toEqual(line);
  // A part is marked, dragged elsewhere, and leaves a hole behind.
  await tool(page, 'Move').click();
  await dragFrom(page, [2, 3], [4, 4]);
  expect(await changed()).toEqual(line);
  await dragFrom(page, [3, 3], [3, 10]);
  const moved = [2, 3, 4].flatMap((x): [number, number][] => [3, 4, 10, 11].map((y) => [x, y]));
  await expect
    .poll(async () => new Set((await changed()).map(String)))
    .toEqual(new Set([...line, ...moved].map(String)));
  await page.keyboard.press('Control+z');
  await expect.poll(changed).toEqual(line);
  // Escape on the way leaves everything as it was.
  await tool(page, 'Rectangle').click();
  await page.mouse.move(...(await placeOf(page, [1, 6])));
  await page.mouse.down();
  await page.mouse.move(...(await placeOf(page, [9, 12])), { steps: 3 });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await picture(page).focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await changed()).length).toBeGreaterThan(20);
  await page.keyboard.press('Shift+ArrowLeft');
  await expect.poll(changed).toEqual(line);
});

test('holes in a picture are found, and the fix shows them', async ({ page, server }) => {
  await page.goto(`${server.address}/m/saltmarsh/textures/drying_rack`);
  await expect(page.getByText('Every rule passes for this texture.')).toBeVisible();
  await tool(page, 'Alpha').click();
  await page.mouse.click(...(await placeOf(page, [4, 4])));
  const foot = page.getByLabel('Findings');
  await expect(foot).toContainText('under alpha mode opaque');
  await page.keyboard.press('6');
  await expect(page.getByText('1 texel that is see-through here is drawn solid.')).toBeVisible();
  await foot.getByRole('button', { name: 'Use alpha mode mask' }).first().click();
  await expect(foot).toContainText('Nothing wrong');
  await expect(page.getByText('Nothing is lost.')).toBeVisible();
  // Or the picture itself is mended: then what is declared stays as it was.
  await page.keyboard.press('Control+z');
  await foot.getByRole('button', { name: 'Fill its holes' }).first().click();
  await expect(foot).toContainText('Nothing wrong');
  await expect(page.getByText('Every texel is solid.')).toBeVisible();
  expect((await modOf(server.address)).blocks['drying_rack']).not.toHaveProperty([
    'traits',
    'alphaMode',
  ]);
});

test('a picture that several show is made one’s own, and what nobody shows is removed', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/blocks/driftwood_chair/textures`);
  await page.getByRole('link', { name: 'Touch it up' }).first().click();
  await expect(page).toHaveURL(/block=driftwood_chair/);
  const shown = page.getByRole('group', { name: /^Who shows / });
  await expect(shown.getByRole('link', { name: 'Driftwood chair' })).toBeVisible();
  const own = page.getByRole('button', { name: /^Make its own for Driftwood chair/ });
  await own.click();
  await expect(page).toHaveURL(/textures\/driftwood_chair/);
  await expect(page.getByText('Only Driftwood chair shows it.')).toBeVisible();
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(page.getByText('There is no texture called')).toBeVisible();
});

test('pictures that come in are matched by their names, and go in in one step', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/library`);
  const before = (await modOf(server.address)).textures;
  const png = (tone: string) => Buffer.from(encodePicture(basePicture(tone, 16, 3)));
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import files' }).click();
  await (
    await chooser
  ).setFiles([
    { name: 'Oven front.png', mimeType: 'image/png', buffer: png('#aa4433') },
    { name: 'oyster_brik.png', mimeType: 'image/png', buffer: png('#ccbbaa') },
    { name: 'mud.png', mimeType: 'image/png', buffer: png('#554433') },
  ]);
  const dialog = page.getByRole('dialog', { name: 'Pictures come in' });
  await expect(dialog).toContainText('1 in the place of others, 2 new');
  await dialog.getByRole('button', { name: 'Did you mean oyster_brick?' }).click();
  await expect(dialog).toContainText('2 in the place of others, 1 new');
  const mud = dialog.getByLabel('What becomes of mud.png');
  await mud.fill('leave');
  await mud.press('Enter');
  await dialog.getByRole('button', { name: 'Take in 2 pictures' }).click();
  await expect(dialog).toBeHidden();
  const changed = async () => {
    const after = (await modOf(server.address)).textures;
    return Object.keys(after)
      .filter((name) => after[name]!.picture.sha256 !== before[name]?.picture.sha256)
      .sort();
  };
  await expect.poll(changed).toEqual(['oven/front', 'oyster_brick']);
  await page.keyboard.press('Control+z');
  await expect.poll(changed).toEqual([]);
});

test('a strip from three pictures, timed, ordered and played; what flashes is said', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/textures/oyster_brick/frames`);
  await expect(page.getByRole('heading', { name: 'A still picture', exact: true })).toBeVisible();
  const png = (tone: string) => Buffer.from(encodePicture(basePicture(tone, 16, 3)));
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Pictures from files' }).click();
  await (
    await chooser
  ).setFiles([
    { name: 'a.png', mimeType: 'image/png', buffer: png('#101820') },
    { name: 'b.png', mimeType: 'image/png', buffer: png('#f0e8d8') },
  ]);
  await expect(page.getByRole('heading', { name: '3 frames', exact: true })).toBeVisible();
  const texture = async () => (await modOf(server.address)).textures['oyster_brick']!;
  await expect.poll(async () => (await texture()).picture.height).toBe(48);
  // One after the other: longer, later, and again at the end.
  const frames = page.getByRole('list', { name: /^Frames in the order/ });
  const every = page.getByLabel('Ticks of every frame');
  await every.fill('1');
  await page.keyboard.press('Enter');
  await expect(frames.getByRole('listitem').first()).toContainText('1');
  await expect(page.getByRole('alert')).toContainText('It flashes');
  await page.getByRole('button', { name: /^Slow it down to / }).click();
  await expect(page.getByRole('alert')).toBeHidden();
  await every.fill('8');
  await page.keyboard.press('Enter');
  await frames.getByRole('button', { name: /^Frame 1,/ }).click();
  await page.getByRole('button', { name: 'Later' }).click();
  await page.getByLabel('Ticks of this frame').fill('20');
  await page.keyboard.press('Enter');
  const order = [1, { frame: 0, ticks: 20 }, 2];
  await expect.poll(async () => (await texture()).strip).toEqual({ ticks: 8, order });
  await page.getByText('Each goes over into the next one').click({ force: true });
  await expect.poll(async () => (await texture()).strip).toEqual({ ticks: 8, order, blend: true });
  await page.keyboard.press('Control+z');
  // It plays on the block: what is dark at one time is light at another.
  const stage = (await page.getByRole('group', { name: 'Stage' }).boundingBox())!;
  const clip = { x: stage.x + stage.width / 2, y: stage.y + stage.height / 2, width: 8, height: 8 };
  const seen = new Set<boolean>();
  await expect
    .poll(async () => {
      const { data } = decodePicture(await page.screenshot({ clip }));
      return seen.add((data[0] ?? 0) > 120).size;
    })
    .toBe(2);
  await page.getByRole('button', { name: 'Keep this one alone' }).click();
  await expect(page.getByRole('heading', { name: 'A still picture', exact: true })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: '3 frames', exact: true })).toBeVisible();
});

test('four ores of one picture: a batch in the tones of others, and the stone stays', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/textures/seam%2Fbrack/recolour`);
  const tones = page.getByRole('group', { name: 'Pictures to take tones from' });
  await page.getByText('Greys stay').click({ force: true });
  for (const metal of ['ebbite', 'siltium', 'wrackel'])
    await tones.getByRole('button', { name: `item/${metal}_bar`, exact: true }).click();
  await page.getByRole('button', { name: 'Make 3 pictures' }).click();
  const made = ['ebbite', 'siltium', 'wrackel'].map((metal) => `seam/brack_${metal}_bar`);
  const unused = page.getByRole('region', { name: 'Shown by nobody' });
  await expect(unused.getByRole('link')).toHaveCount(3);
  await expect
    .poll(async () => Object.keys((await modOf(server.address)).textures))
    .toEqual(expect.arrayContaining(made));
  const seam = await pixelsOf(server.address, 'seam/brack');
  for (const name of made) {
    const other = await pixelsOf(server.address, name);
    const changed = differing(seam, other).length;
    expect(changed).toBeGreaterThan(40);
    // What is grey there is grey here.
    expect(changed).toBeLessThan(200);
  }
  // All at once they came, and all at once they go.
  await page.keyboard.press('Control+z');
  await expect(unused).toBeHidden();
  await page.keyboard.press('Control+Shift+z');
  await unused.getByRole('button', { name: 'Remove all 3' }).click();
  await expect(unused).toBeHidden();
});

const fixtures = JSON.parse(readFileSync('core/textures/fixtures/moving.json', 'utf8')) as Record<
  string,
  { file: string; frames: string[] }
>;
/** What is clear has no colour that counts. */
const seenIn = (data: Uint8Array) => [...data].map((byte, i) => (data[i | 3] === 0 ? 0 : byte));
const framesOf = (kind: string) =>
  fixtures[kind]!.frames.map((frame) => seenIn(Buffer.from(frame, 'base64')));
/** The frames of a texture of nine by six texels. */
async function framesHeld(address: string, name: string): Promise<number[][]> {
  const { width, height, data } = await pixelsOf(address, name);
  expect([width, height % 6]).toEqual([9, 0]);
  const bytes = 9 * 6 * 4;
  return Array.from({ length: height / 6 }, (_, i) =>
    seenIn(data.subarray(i * bytes, (i + 1) * bytes)),
  );
}

test('moving pictures of other programs come in with their timing, and go out again', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/library`);
  const files = (['apng', 'gif', 'webp'] as const).map((kind) => ({
    name: `from_${kind}.${kind === 'apng' ? 'png' : kind}`,
    mimeType: `image/${kind === 'apng' ? 'png' : kind}`,
    buffer: Buffer.from(fixtures[kind]!.file, 'base64'),
  }));
  const damaged = { ...files[1]!, name: 'damaged.gif', buffer: files[1]!.buffer.subarray(0, 40) };
  const choose = async (button: string, chosen: typeof files) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: button }).click();
    await (await chooser).setFiles(chosen);
  };
  await choose('Import files', [...files, damaged]);
  const dialog = page.getByRole('dialog', { name: 'Pictures come in' });
  await expect(dialog.getByRole('alert')).toContainText('damaged.gif: The GIF is damaged');
  await dialog.getByRole('button', { name: 'Take in 3 pictures' }).click();
  await expect(dialog).toBeHidden();
  const strips = async () => {
    const { textures } = await modOf(server.address);
    return Object.fromEntries(
      files.map(({ name }) => {
        const own = name.replace(/\..*/, '');
        return [own, textures[own]?.strip];
      }),
    );
  };
  const everySecond = { frameHeight: 6, ticks: 2, order: [0, { frame: 1, ticks: 6 }, 2] };
  await expect.poll(strips).toEqual({
    from_apng: { frameHeight: 6, ticks: 5 },
    from_gif: everySecond,
    from_webp: undefined,
  });
  for (const kind of ['apng', 'gif', 'webp'])
    expect([kind, await framesHeld(server.address, `from_${kind}`)]).toEqual([
      kind,
      framesOf(kind),
    ]);
  // Out as a GIF, and in again as further frames: the same ones, pixel for pixel.
  await page.goto(`${server.address}/m/saltmarsh/textures/from_gif/frames`);
  for (const title of ['GIF', 'Moving PNG']) {
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: title, exact: true }).click();
    const written = readFileSync(await (await saving).path());
    await choose('Pictures from files', [{ ...files[1]!, name: 'again', buffer: written }]);
    const again = [...framesOf('gif'), ...framesOf('gif')];
    await expect.poll(() => framesHeld(server.address, 'from_gif')).toEqual(again);
    expect((await strips())['from_gif']).toEqual({
      ...everySecond,
      order: [0, { frame: 1, ticks: 6 }, 2, 3, { frame: 4, ticks: 6 }, 5],
    });
    await page.keyboard.press('Control+z');
    await expect.poll(() => framesHeld(server.address, 'from_gif')).toEqual(framesOf('gif'));
  }
});

test('a picture is made from a pattern, kept with its recipe, and made again otherwise', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/library`);
  await page.getByRole('button', { name: 'Make a picture' }).click();
  await expect(page).toHaveURL(/textures\/new_picture\/make$/);
  const made = async () =>
    (await modOf(server.address)).textures['new_picture'] as
      { made: object; picture: { height: number }; strip?: object } | undefined;
  await expect.poll(made).toMatchObject({ made: { pattern: 'stone', seed: 1 } });
  const stone = await pixelsOf(server.address, 'new_picture');
  // What is tried is seen, and is nothing yet.
  await page.getByRole('button', { name: 'Brick courses' }).click();
  await page.getByRole('button', { name: 'Another' }).click();
  const keep = page.getByRole('button', { name: 'Make it so' });
  await expect(keep).toBeEnabled();
  expect(await made()).toMatchObject({ made: { pattern: 'stone' } });
  await page.getByRole('slider', { name: 'Courses' }).press('ArrowRight');
  await page.getByRole('group', { name: 'Tones of a material' }).getByText('Clay').click();
  await expect(keep).toBeEnabled();
  await keep.click();
  await expect
    .poll(made)
    .toMatchObject({ made: { pattern: 'brick', seed: 2, amounts: { courses: 5 } } });
  expect(differing(stone, await pixelsOf(server.address, 'new_picture')).length).toBeGreaterThan(
    99,
  );
  // After painting over it, the station says what making it again would lose.
  await page.keyboard.press('3');
  await page.mouse.click(...(await placeOf(page, [3, 3])));
  await saved(page);
  await page.keyboard.press('1');
  await page.getByRole('slider', { name: 'Uneven' }).press('ArrowRight');
  await expect(page.getByText('What was painted over it since is lost')).toBeVisible();
  await page.getByRole('button', { name: 'as it was' }).click();
  // A liquid is a strip, with its timing.
  await page.getByRole('button', { name: 'Flowing liquid' }).click();
  await expect(keep).toBeEnabled();
  await keep.click();
  await expect.poll(made).toMatchObject({ picture: { height: 256 }, strip: { ticks: 4 } });
  await page.keyboard.press('Control+z');
  await expect.poll(made).toMatchObject({ picture: { height: 16 }, made: { pattern: 'brick' } });
  // It is called what it is to be called.
  await page.getByRole('button', { name: 'Rename new_picture' }).click();
  await page.getByLabel('New id').fill('mud_brick');
  await page.getByLabel('New id').press('Enter');
  await expect(page).toHaveURL(/textures\/mud_brick\/make$/);
});

test('a picture is seen under a tint, by other eyes, and beside what is much like it', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/m/saltmarsh/textures/samphire_a/see`);
  const stage = page.getByRole('group', { name: 'Stage' });
  await expect(stage.locator('canvas')).toBeVisible();
  await expect(page.getByText('samphire is tinted: grass.')).toBeVisible();
  /** How much redder than green the stage is, over all of its texels that have a colour. */
  const warmth = async () => {
    const { data } = decodePicture(await stage.screenshot());
    let [red, green] = [0, 0];
    for (let at = 0; at < data.length; at += 4)
      if (Math.abs(data[at]! - data[at + 2]!) > 24) {
        red += data[at]!;
        green += data[at + 1]!;
      }
    return red / Math.max(1, green);
  };
  await expect.poll(() => isStill(page)).toBe(true);
  const climate = page.getByRole('slider', { name: 'Climate, from cold to hot' });
  await climate.press('Home');
  await expect.poll(() => isStill(page)).toBe(true);
  const cold = await warmth();
  await climate.press('End');
  await expect.poll(warmth).toBeGreaterThan(cold + 0.05);
  // What is tried changes nothing until it is declared.
  const tint = page.getByRole('group', { name: 'Tint' });
  await tint.getByRole('button', { name: 'water' }).click();
  await expect(
    page.getByText('Tried here: samphire is declared with the tint grass.'),
  ).toBeVisible();
  const traits = async () =>
    (await modOf(server.address)).blocks['samphire'] as unknown as { traits: { tint: string } };
  expect((await traits()).traits.tint).toBe('grass');
  await page.getByRole('button', { name: 'Tint samphire so' }).click();
  await expect.poll(async () => (await traits()).traits.tint).toBe('water');
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await traits()).traits.tint).toBe('grass');
  // Without red cones the ore's orange and the rock's grey come nearer to each other.
  await page.goto(`${server.address}/m/saltmarsh/textures/seam%2Fwrackel/see`);
  await expect(picture(page)).toBeVisible();
  const shown = async () => (await picture(page).screenshot()).toString('base64');
  const before = await shown();
  const eyes = page.getByRole('button', { name: 'Without red cones' });
  await eyes.click();
  await expect(eyes).toHaveAttribute('aria-pressed', 'true');
  await expect.poll(shown).not.toBe(before);
  await eyes.click();
  await expect.poll(shown).toBe(before);
  // The other seams are it in other colours, and are found.
  await page.keyboard.press('6');
  await page.getByRole('button', { name: 'Look for pictures like it' }).click();
  const alike = page.getByRole('list', { name: 'Pictures much like it' });
  await expect(alike.getByRole('listitem')).toHaveCount(3);
  for (const metal of ['brack', 'ebbite', 'siltium'])
    await expect(alike.getByRole('listitem').filter({ hasText: `seam/${metal}` })).toContainText(
      'in other colours',
    );
});
