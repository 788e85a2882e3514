import { useEffect } from 'react';
import { isUsable, pathTo, successorOf, type FocusPath } from './focus-path.ts';

const isNobodys = (): boolean =>
  document.activeElement === null || document.activeElement === document.body;

/** Gives the focus to who comes after the end of the path. */
function handOn(path: FocusPath): void {
  const work = document.getElementById('work');
  if (!work) return;
  const frame = work.parentElement;
  const isInWork = path.some(({ element }) => element === work);
  const next = successorOf(path, isInWork || !frame ? work : frame);
  (next ?? work).focus({ preventScroll: true });
}

/**
 * The focus never falls to the page: what had it and goes, or can be used no longer, hands it to
 * the next of its kind; a place that becomes another one takes it itself. What stood above the
 * frame, in a dialog or a menu, gives it back to what opened that.
 */
export function useFocusStays(): void {
  useEffect(() => {
    /** Who has the focus, and the way to the one in the frame that has it or had it last. */
    let held: Element | undefined;
    let path: FocusPath | undefined;
    let asked = 0;
    const check = () => {
      asked = 0;
      const lost = held;
      if (!lost || document.activeElement === lost) return;
      held = undefined;
      // Somebody who leaves a field, or clicks beside, wants it so.
      if (!path || isUsable(lost) || !isNobodys()) return;
      const opener = path.at(-1)?.element;
      if (opener instanceof HTMLElement && isUsable(opener)) opener.focus({ preventScroll: true });
      else handOn(path);
    };
    // A button that can be used no longer loses the focus only when the page is drawn.
    const look = () => {
      if (held && asked === 0) asked = requestAnimationFrame(() => requestAnimationFrame(check));
    };
    const take = ({ target }: FocusEvent) => {
      if (!(target instanceof Element)) return;
      held = target;
      if (target.closest('[data-frame]')) path = pathTo(target);
    };
    const watch = new MutationObserver(look);
    watch.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled', 'hidden'],
    });
    document.addEventListener('focusin', take);
    document.addEventListener('focusout', look);
    return () => {
      cancelAnimationFrame(asked);
      watch.disconnect();
      document.removeEventListener('focusin', take);
      document.removeEventListener('focusout', look);
    };
  }, []);
}
