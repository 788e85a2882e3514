/** Something that can be done on the screen that is shown. */
export interface ScreenAction {
  name: string;
  /** The part of the screen in which it stands, where that has a name. */
  where: string | undefined;
  act: () => void;
}

/** What is listed by the hundred, and found by its own name in other ways. */
const listed = '[data-walk], [data-shelf-block], [data-block], [role="row"] *, [role="option"]';

/** What an element is called: by its label, else by its text without the caps of keys. */
function nameOf(element: HTMLElement): string {
  const label = element.getAttribute('aria-label');
  if (label !== null) return label;
  const copy = element.cloneNode(true) as HTMLElement;
  for (const cap of copy.querySelectorAll('kbd, canvas, svg')) cap.remove();
  return copy.textContent.replaceAll(/\s+/g, ' ').trim();
}

/**
 * Everything that can be done on the screen that is shown, by the names of its buttons: what a
 * screen offers is found in the palette without being told there a second time.
 */
export function screenActions(): ScreenAction[] {
  const buttons = document.querySelectorAll<HTMLElement>(
    '#work :is(button:not(:disabled), a.link, summary)',
  );
  const found = new Map<string, ScreenAction>();
  for (const button of buttons) {
    if (button.matches(listed) || button.getClientRects().length === 0) continue;
    const name = nameOf(button);
    const region = button.parentElement?.closest('[aria-label]')?.getAttribute('aria-label');
    const where = region ?? undefined;
    const key = `${name} ${where}`;
    if (name.length < 3 || name.length > 90 || found.has(key)) continue;
    found.set(key, { name, where, act: () => button.click() });
  }
  return [...found.values()];
}
