import type { Locator, Page } from '@playwright/test';
import { expect } from './server.ts';

/** So many times a person presses Tab before she takes the mouse. */
const mostTabs = 70;

/**
 * Goes to something by the tab key alone, from the beginning of the work, and fails where that does
 * not lead there.
 */
export async function tabTo(page: Page, target: Locator): Promise<void> {
  await expect(target).toBeVisible();
  await page.locator('#work').focus();
  for (let tabs = 0; tabs < mostTabs; tabs += 1) {
    await page.keyboard.press('Tab');
    if (await target.evaluate((element) => element === document.activeElement)) return;
  }
  throw new Error(`${String(target)} was not reached with ${mostTabs} presses of Tab.`);
}

/** Presses keys one after the other. */
export async function press(page: Page, ...keys: readonly string[]): Promise<void> {
  for (const key of keys) await page.keyboard.press(key);
}

/** Does something by its name in the palette. */
export async function byPalette(page: Page, name: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('Go to or do…').fill(name);
  await page.keyboard.press('Enter');
}
