import type { Page } from '@playwright/test';

/**
 * Edits the demo mod behind the page's back, as another window would: the fresh one, or after so
 * many edits.
 */
export async function editMod(
  page: Page,
  address: string,
  changes: readonly { path: string; before?: unknown; after?: unknown }[],
  revision = 0,
): Promise<void> {
  const answer = await page.request.post(`${address}/api/mods/saltmarsh/edits`, {
    headers: { 'if-match': `"${revision}"` },
    data: { label: 'Edited elsewhere', changes },
  });
  if (!answer.ok()) throw new Error(await answer.text());
}
