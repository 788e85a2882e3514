/**
 * Drags one of 200 boxes on the desk in Chromium, by a handle and on a plan, and tells the longest
 * task of the page while it lasts (Long Tasks, W3C).
 */
import type { Page } from '@playwright/test';
import type { Line } from './figures.ts';
import { longestTask, watchTasks } from './long-tasks.ts';
import { withApplication } from './with-application.ts';

const sides = ['front', 'back', 'left', 'right', 'top', 'bottom'];
/** 200 posts of one texel in a grid of three storeys. */
const boxes = Array.from({ length: 200 }, (_, i) => ({
  name: `post_${i}`,
  at: [(i % 8) * 2, Math.floor(i / 64) * 4, Math.floor((i % 64) / 8) * 2],
  size: [1, 3, 1],
  sides: Object.fromEntries(sides.map((side) => [side, { slot: 'face' }])),
}));

/** Drags from a place in so many small steps, one a frame or two, and lets go after it is measured. */
async function drag(page: Page, [x, y]: [number, number], [dx, dy]: [number, number]) {
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 40; i += 1) {
    await page.mouse.move(x + (dx * i) / 40, y + (dy * i) / 40);
    await page.waitForTimeout(25);
  }
}

export async function benchDesk(line: Line): Promise<void> {
  await withApplication(async (address, browser) => {
    const { revision, mod } = (await (await fetch(`${address}/api/mods/saltmarsh`)).json()) as {
      revision: number;
      mod: { models: Record<string, object> };
    };
    const before = mod.models['driftwood_chair'];
    const answer = await fetch(`${address}/api/mods/saltmarsh/edits`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
      body: JSON.stringify({
        label: 'Many boxes',
        changes: [{ path: '/models/driftwood_chair', before, after: { ...before, boxes } }],
      }),
    });
    if (!answer.ok) throw new Error(`the edit was refused: ${await answer.text()}`);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/m/saltmarsh/models/driftwood_chair/boxes`);
    await page.getByRole('button', { name: /^post 199 / }).click();
    await page.waitForTimeout(2000);
    await watchTasks(page);
    const handle = (await page.locator('[data-axis="0"] circle[data-end="1"]').boundingBox())!;
    await drag(page, [handle.x + 5, handle.y + 5], [120, 60]);
    const byHandle = await longestTask(page);
    await page.keyboard.press('Escape');
    await page.mouse.up();
    const plan = (await page
      .locator('svg[aria-label="Plan from above"] polygon')
      .last()
      .boundingBox())!;
    await longestTask(page);
    await drag(page, [plan.x + plan.width / 2, plan.y + plan.height / 2], [-60, 40]);
    const onPlan = await longestTask(page);
    await page.mouse.up();
    const said = (longest: number) => (longest ? `${longest.toFixed(0)} ms` : 'none over 50 ms');
    line('desk.drag.handle', 'desk: longest task while one of 200 is sized', said(byHandle));
    line('desk.drag.plan', 'desk: longest task while one of 200 is moved on a plan', said(onPlan));
  });
}
