import { expect, type Page } from '@playwright/test';

/** Drops a file on the page, as the browser does it. */
export const drop = async (page: Page, name: string, bytes: Uint8Array) => {
  await expect(page.getByRole('main').getByRole('heading').first()).toBeVisible();
  const base64 = Buffer.from(bytes).toString('base64');
  const transfer = await page.evaluateHandle(
    ([text, called]) => {
      const made = new DataTransfer();
      const whole = Uint8Array.from(atob(text!), (char) => char.charCodeAt(0));
      made.items.add(new File([whole], called!));
      return made;
    },
    [base64, name],
  );
  await page
    .getByRole('main')
    .locator('> div')
    .first()
    .dispatchEvent('drop', { dataTransfer: transfer });
};
