import type { Page } from '@playwright/test';

/**
 * Presses a button in the very moment in which it comes onto the page: for buttons that are there
 * only while fast work goes on, which may be over before a click from outside has arrived.
 */
export const pressOnceThere = (page: Page, name: string): Promise<void> =>
  page.evaluate(
    (text) =>
      new Promise<void>((resolve) => {
        const press = () => {
          const buttons = [...document.querySelectorAll('button')];
          const button = buttons.find((one) => one.textContent.trim() === text);
          if (!button) return;
          watcher.disconnect();
          button.click();
          resolve();
        };
        const watcher = new MutationObserver(press);
        watcher.observe(document.body, { childList: true, subtree: true });
      }),
    name,
  );
