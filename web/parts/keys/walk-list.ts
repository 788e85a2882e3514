import type { KeyboardEvent } from 'react';
import { actOnKey } from './act-on-key.ts';

/** Where a key leads from the one at `index` of so many; undefined where it leads nowhere. */
export function walkedTo(key: string, index: number, many: number): number | undefined {
  const wanted = { ArrowDown: index + 1, ArrowUp: index - 1, Home: 0, End: many - 1 }[key];
  return wanted === undefined || wanted < 0 || wanted >= many ? undefined : wanted;
}

/**
 * Walks through a list that is one tab stop: what can be walked to has `data-walk`, and only one of
 * them a `tabIndex` of 0. To be heard by what holds the list.
 */
export function walkList(event: KeyboardEvent<HTMLElement>): void {
  const all = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-walk]')];
  const index = all.findIndex((one) => one === event.target);
  const next = index === -1 ? undefined : walkedTo(event.key, index, all.length);
  if (next !== undefined) actOnKey(event, { move: () => all[next]?.focus() });
}
