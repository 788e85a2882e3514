import { useEffect } from 'react';
import { belongsToField } from './belongs-to-field.ts';

/**
 * Escape leaves the text field that has the focus: first its list, if one is open, then the field.
 * In a dialog it closes that, and what takes it as a way back has `data-own-escape`.
 */
export function useEscapeLeaves(): void {
  useEffect(() => {
    const leave = (event: KeyboardEvent) => {
      const { target } = event;
      if (event.key !== 'Escape' || event.defaultPrevented) return;
      if (!(target instanceof HTMLElement) || !belongsToField('Escape', target)) return;
      if (target.getAttribute('aria-expanded') === 'true') return;
      if (!target.closest('[role="dialog"], [data-own-escape]')) target.blur();
    };
    // Before anybody else hears of it, so that an open list is still open.
    document.addEventListener('keydown', leave, { capture: true });
    return () => document.removeEventListener('keydown', leave, { capture: true });
  }, []);
}
