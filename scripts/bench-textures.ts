/**
 * What the texture desk waits for: pictures read with their facts, recoloured, and a stroke on a
 * large one, from the pointer to the pixels; and the longest task of the page while one is painted.
 */
import type { Page } from '@playwright/test';
import { inTones, tonesOf } from '../core/textures/facts/index.ts';
import { basePicture, encodePicture, pictureEntry, type Pixels } from '../core/textures/index.ts';
import { makePicture, usualRecipe } from '../core/textures/making/index.ts';
import { afterStroke, wholeOf, type Texel } from '../core/textures/painting/index.ts';
import type { Line, Median } from './figures.ts';
import { longestTask, watchTasks } from './long-tasks.ts';
import { withApplication } from './with-application.ts';

const tones = ['#7a5c3a', '#3a6b7a', '#6b7a3a', '#7a3a6b'];
const pictureOf = (seed: number, side: number): Pixels =>
  basePicture(tones[seed % tones.length] ?? '#808080', side, seed);

export async function benchTextures(median: Median, line: Line): Promise<void> {
  const files = Array.from({ length: 500 }, (_, i) => encodePicture(pictureOf(i, 16)));
  const read = median(5, () => files.forEach(pictureEntry));
  line('textures.read', '500 PNGs of 16 × 16, read with their facts', `${read.toFixed(0)} ms`);

  const pictures = Array.from({ length: 1000 }, (_, i) => pictureOf(i, 16));
  const ramp = tonesOf(pictureOf(1, 16), 16);
  const recolour = median(5, () => pictures.forEach((picture) => inTones(picture, ramp)));
  line('textures.recolour', '1,000 pictures recoloured', `${recolour.toFixed(0)} ms`);

  const flowing = usualRecipe('stream', 64, 5);
  const make = median(5, () => void makePicture(flowing));
  line('textures.make', 'a flowing liquid of 16 frames, 64 × 64', `${make.toFixed(0)} ms`);

  const large = pictureOf(0, 256);
  const path = Array.from({ length: 60 }, (_, i): Texel => [i * 4, (i * 37) % 256]);
  const stroke = median(
    15,
    () =>
      void afterStroke(
        large,
        {
          tool: 'draw',
          path,
          isJoined: true,
          colour: [20, 40, 60, 255],
          alpha: 255,
          symmetry: { across: true, down: true },
          isFilled: false,
        },
        wholeOf(large),
      ),
  );
  line('textures.stroke', 'a long stroke on 256 × 256, four-fold', `${stroke.toFixed(1)} ms`);
  await benchPainting(line);
  await benchMaking(line);
}

/** Tries one amount after the other of a liquid, as one who drags a slider does. */
async function benchMaking(line: Line): Promise<void> {
  await withApplication(async (address, browser) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/m/saltmarsh/textures/gauge%2Fwater/make`);
    await page.getByRole('button', { name: '64', exact: true }).click();
    await page.getByRole('button', { name: 'Make it so' }).and(page.locator(':enabled')).waitFor();
    await watchTasks(page);
    for (let i = 0; i < 40; i += 1) {
      const way = i < 20 ? 'ArrowRight' : 'ArrowLeft';
      await page.getByRole('slider', { name: 'Swell' }).press(way);
      await page.waitForTimeout(30);
    }
    await page.waitForTimeout(1000);
    const most = await longestTask(page);
    line(
      'textures.make-page',
      'longest task while a liquid of 64 × 64 is tried',
      most ? `${most.toFixed(0)} ms` : 'none over 50 ms',
    );
  });
}

/** Paints on a picture of 256 × 256, flat and on the block. */
async function benchPainting(line: Line): Promise<void> {
  await withApplication(async (address, browser) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/m/saltmarsh/textures/oyster_tile`);
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Put another file in its place' }).click();
    const buffer = Buffer.from(encodePicture(pictureOf(3, 256)));
    await (await chooser).setFiles([{ name: 'large.png', mimeType: 'image/png', buffer }]);
    await page.getByText('256 × 256 texels').waitFor();
    await page.waitForTimeout(1500);
    await watchTasks(page);
    for (const [what, part] of [
      ['the flat picture', page.getByRole('application')],
      ['the block', page.getByRole('group', { name: 'Stage' })],
    ] as const) {
      const bounds = await part.boundingBox();
      if (!bounds) throw new Error(`${what} is not there`);
      await paint(page, bounds);
      const most = await longestTask(page);
      line(
        `textures.paint-${what.replaceAll(/[^a-z]+/g, '-')}`,
        `longest task while one paints 256 × 256 on ${what}`,
        most ? `${most.toFixed(0)} ms` : 'none over 50 ms',
      );
    }
  });
}

interface Bounds {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A stroke across the middle of a part of the page, let go after it. */
async function paint(page: Page, { x, y, width, height }: Bounds): Promise<void> {
  const [left, top] = [x + width * 0.4, y + height * 0.5];
  await page.mouse.move(left, top);
  await page.mouse.down();
  for (let i = 1; i <= 40; i += 1) {
    await page.mouse.move(left + i * width * 0.005, top + Math.sin(i / 4) * height * 0.05);
    await page.waitForTimeout(20);
  }
  await page.mouse.up();
  await page.waitForTimeout(1000);
}
