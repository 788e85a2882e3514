import type { Page } from '@playwright/test';

/** Edits the fresh demo mod behind the page's back, as another window would. */
export async function editMod(
  page: Page,
  address: string,
  changes: readonly { path: string; before?: unknown; after?: unknown }[],
): Promise<void> {
  const answer = await page.request.post(`${address}/api/mods/saltmarsh/edits`, {
    headers: { 'if-match': '"0"' },
    data: { label: 'Edited elsewhere', changes },
  });
  if (!answer.ok()) throw new Error(await answer.text());
}
