import { useSyncExternalStore } from 'react';

/** Something that can be opened from anywhere: a dialog that stands once in the frame. */
export interface Opened {
  open: () => void;
  close: () => void;
  useOpened: () => boolean;
}

/** One such thing, shut at first. */
export function createOpened(): Opened {
  let isOpen = false;
  const listeners = new Set<() => void>();
  const put = (next: boolean) => () => {
    isOpen = next;
    for (const listener of listeners) listener();
  };
  const subscribe = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  return {
    open: put(true),
    close: put(false),
    useOpened: () => useSyncExternalStore(subscribe, () => isOpen),
  };
}
