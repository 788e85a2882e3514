import { useHotkeys, type HotkeyItem } from '@mantine/hooks';
import { isCommand, type KeyActs } from './act-on-key.ts';
import { belongsToField } from './belongs-to-field.ts';
import { keys, type KeyName } from './table.ts';

/**
 * Binds keys of the table for as long as the component is shown. They do nothing where they belong
 * to the field that has the focus, unless `inFields` says so.
 */
export function useKeys(acts: KeyActs, { inFields = false } = {}): void {
  const bound = (Object.keys(acts) as KeyName[]).flatMap((name) =>
    keys[name].press.flatMap((press): HotkeyItem[] => {
      const act = (event: KeyboardEvent) => {
        const isOthers =
          event.target instanceof HTMLElement &&
          belongsToField(event.key, event.target, isCommand(event));
        if (isOthers && !inFields) return;
        event.preventDefault();
        acts[name]?.(press);
      };
      // Whether anything is prevented is known only then.
      const own = { preventDefault: false };
      // On many keyboards a question mark comes with Shift.
      return press === '?'
        ? [
            [press, act, own],
            [`shift+${press}`, act, own],
          ]
        : [[press, act, own]];
    }),
  );
  useHotkeys(bound, []);
}
