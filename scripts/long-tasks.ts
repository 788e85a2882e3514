import type { Page } from '@playwright/test';

type Watched = Window & { tasks: number[] };

function keepTasks(): void {
  const tasks: number[] = [];
  Object.assign(window, { tasks });
  new PerformanceObserver((list) =>
    tasks.push(...list.getEntries().map((entry) => entry.duration)),
  ).observe({ type: 'longtask' });
}

/** Lets a page keep how long each of its tasks of 50 ms and more takes (Long Tasks, W3C). */
export const watchTasks = (page: Page): Promise<void> => page.evaluate(keepTasks);

/** The same from its very beginning, for the addresses that it is led to from now on. */
export const watchTasksFromStart = async (page: Page): Promise<void> => {
  await page.addInitScript(keepTasks);
};

/** The longest task since one asked last, in milliseconds; 0 where none took 50. */
export const longestTask = (page: Page): Promise<number> =>
  page.evaluate(() => Math.max(0, ...(window as unknown as Watched).tasks.splice(0)));
