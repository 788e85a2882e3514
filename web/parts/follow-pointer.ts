import type { PointerEvent as ReactPointerEvent } from 'react';

interface Drag {
  /** Where the pointer is now, in CSS pixels of the window; at most once a frame. */
  move: (event: PointerEvent) => void;
  /** It was let go; `moved` tells a drag from a click. */
  end: (moved: boolean) => void;
  /** Escape was pressed on the way, or the pointer was lost. */
  cancel: () => void;
  /** So far it may go and is still a click, in CSS pixels; a few where nothing is said. */
  reach?: number;
}

/** Nobody holds a pointer quite still. */
const clickReach = 3;

/** Follows the pointer from a press until it is let go. */
export function followPointer(
  start: ReactPointerEvent,
  { move, end, cancel, reach = clickReach }: Drag,
): void {
  let moved = false;
  let frame = 0;
  let last: PointerEvent | undefined;
  const flush = () => {
    frame = 0;
    if (last) move(last);
    last = undefined;
  };
  const onMove = (event: PointerEvent) => {
    const far = Math.hypot(event.clientX - start.clientX, event.clientY - start.clientY);
    moved ||= far > reach;
    if (!moved) return;
    last = event;
    frame ||= requestAnimationFrame(flush);
  };
  const leave = () => {
    cancelAnimationFrame(frame);
    window.removeEventListener('pointermove', onMove);
    window.removeEventListener('pointerup', onUp);
    window.removeEventListener('pointercancel', onCancel);
    window.removeEventListener('keydown', onKey, true);
  };
  const onUp = () => {
    leave();
    if (last) move(last);
    end(moved);
  };
  const onCancel = () => {
    leave();
    cancel();
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Escape') return;
    event.stopPropagation();
    onCancel();
  };
  window.addEventListener('pointermove', onMove);
  window.addEventListener('pointerup', onUp);
  window.addEventListener('pointercancel', onCancel);
  window.addEventListener('keydown', onKey, true);
}
