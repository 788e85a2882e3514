/**
 * Opens a matrix of 1,024 cells in Chromium, scrolls through it and walks it by keys, and tells the
 * longest task of the page (Long Tasks, W3C).
 */
import type { Line } from './figures.ts';
import { longestTask, watchTasks } from './long-tasks.ts';
import { withApplication } from './with-application.ts';

export async function benchMatrix(line: Line): Promise<void> {
  await withApplication(async (address, browser) => {
    const { revision, mod } = (await (await fetch(`${address}/api/mods/saltmarsh`)).json()) as {
      revision: number;
      mod: { blocks: Record<string, { states: object; looks: object }> };
    };
    const gate = mod.blocks['sluice_gate']!;
    const number = (name: string) => ({
      name,
      kind: 'number',
      min: 0,
      max: 31,
      default: 0,
      byCode: true,
    });
    const rows = Array.from({ length: 32 }, (_, i) => ({
      when: { a: i },
      use: [
        {
          model: i % 2 ? 'saltmarsh:gate/open' : 'saltmarsh:lantern/lit',
          front: ['north', 'east', 'south', 'west'][i % 4],
        },
      ],
    }));
    const changes = [
      {
        path: '/blocks/sluice_gate/states',
        before: gate.states,
        after: { properties: [number('a'), number('b')] },
      },
      { path: '/blocks/sluice_gate/looks', before: gate.looks, after: { mode: 'one-of', rows } },
    ];
    const answer = await fetch(`${address}/api/mods/saltmarsh/edits`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
      body: JSON.stringify({ label: 'Many states', changes }),
    });
    if (!answer.ok) throw new Error(`the edit was refused: ${await answer.text()}`);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/m/saltmarsh/blocks/sluice_gate/looks?state=0`);
    await page
      .getByText(/Every rule passes|sluice_gate/)
      .first()
      .waitFor();
    await page.waitForTimeout(1500);
    await watchTasks(page);
    const report = async (what: string) => {
      const most = await longestTask(page);
      line(
        `matrix.${what.replaceAll(/[^a-z]+/g, '-')}`,
        `matrix of 1,024 cells: ${what}`,
        most ? `${most.toFixed(0)} ms` : 'under 50 ms',
        most ? 'longest task' : 'no long task',
      );
    };
    await page.keyboard.press('m');
    await page.getByRole('gridcell').first().waitFor();
    await page.waitForTimeout(2000);
    await report('opened and drawn');
    await page.getByRole('grid').hover();
    for (let i = 0; i < 40; i += 1) {
      await page.mouse.wheel(i % 4 === 3 ? 120 : 0, i % 4 === 3 ? 0 : 120);
      await page.waitForTimeout(30);
    }
    await page.waitForTimeout(1500);
    await report('scrolled from end to end');
    for (let i = 0; i < 30; i += 1) await page.keyboard.press(i % 2 ? 'ArrowUp' : 'ArrowLeft');
    await page.waitForTimeout(1000);
    await report('walked by 30 arrow keys');
  });
}
