import { focusable } from './focus-path.ts';

/** So many frames what was made may take to be drawn, whatever is typed. */
const soon = 60;
/** So many more it may take while nobody does anything else. */
const later = 840;

/**
 * Gives the focus to what was just made, once it is drawn: to itself where it can have it, else to
 * the first within that can. Whoever goes on with something else meanwhile is left there.
 *
 * @example focusMade('[data-rename="saltmarsh:kelp_glass"]')
 */
export function focusMade(selector: string): void {
  const goesOn = new AbortController();
  const options = { capture: true, signal: goesOn.signal };
  const look = (frames: number) => {
    if (goesOn.signal.aborted) return;
    const made = document.querySelector<HTMLElement>(selector);
    if (frames === soon)
      for (const act of ['keydown', 'pointerdown'])
        window.addEventListener(act, () => goesOn.abort(), options);
    if (!made && frames < soon + later) return void requestAnimationFrame(() => look(frames + 1));
    goesOn.abort();
    const target = made?.matches(`${focusable}, [tabindex]`)
      ? made
      : made?.querySelector<HTMLElement>(focusable);
    target?.focus();
  };
  requestAnimationFrame(() => look(0));
}
