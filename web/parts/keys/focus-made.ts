import { focusable } from './focus-path.ts';

/** So many frames what was made may take to be drawn. */
const maxFrames = 60;

/**
 * Gives the focus to what was just made, once it is drawn: to itself where it can have it, else to
 * the first within that can.
 *
 * @example focusMade('[data-rename="saltmarsh:kelp_glass"]')
 */
export function focusMade(selector: string): void {
  const look = (frames: number) => {
    const made = document.querySelector<HTMLElement>(selector);
    if (!made && frames > 0) return void requestAnimationFrame(() => look(frames - 1));
    const target = made?.matches(`${focusable}, [tabindex]`)
      ? made
      : made?.querySelector<HTMLElement>(focusable);
    target?.focus();
  };
  requestAnimationFrame(() => look(maxFrames));
}
