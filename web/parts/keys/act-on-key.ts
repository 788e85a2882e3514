import { keys, partsOf, type KeyName } from './table.ts';

/** What keys do, by the names of the table of keys. */
export type KeyActs = Readonly<Partial<Record<KeyName, (pressed: string) => void>>>;

/** What of a keyboard event says which key it is. */
interface Pressed {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
  shiftKey: boolean;
}

/** True while Ctrl or, on a Mac, Cmd is held. */
export const isCommand = (event: Pick<Pressed, 'ctrlKey' | 'metaKey'>): boolean =>
  event.ctrlKey || event.metaKey;

/**
 * True where what was pressed is that key. Letters are the same large and small; Shift counts only
 * where the key asks for it, so that it can choose on the way.
 *
 * @example isKey('chooseAll', { key: 'a', ctrlKey: true, … }) // true
 */
export function isKey(name: KeyName, event: Pressed): boolean {
  const { press, alsoWithMod = false } = keys[name];
  return press.some((one) => {
    const { key, mod, shift } = partsOf(one);
    if (key.toLowerCase() !== event.key.toLowerCase()) return false;
    return (mod === isCommand(event) || (alsoWithMod && !mod)) && (!shift || event.shiftKey);
  });
}

/**
 * Does what a key stands for, and keeps the browser and whoever is around from doing something of
 * their own. Of several that it could be the first one does it.
 */
export function actOnKey(
  event: Pressed & { preventDefault(): void; stopPropagation(): void },
  acts: KeyActs,
): void {
  const name = (Object.keys(acts) as KeyName[]).find((one) => isKey(one, event));
  if (name === undefined) return;
  event.preventDefault();
  event.stopPropagation();
  acts[name]?.(event.key);
}
