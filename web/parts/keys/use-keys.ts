import { useHotkeys } from '@mantine/hooks';
import { type KeyActs } from './act-on-key.ts';
import { keys, type KeyName } from './table.ts';

/**
 * Binds keys of the table for as long as the component is shown. They do nothing while somebody
 * types into a field, unless `inFields` says so.
 */
export function useKeys(acts: KeyActs, { inFields = false } = {}): void {
  const bound = (Object.keys(acts) as KeyName[]).flatMap((name) =>
    keys[name].press.flatMap((press): [string, () => void][] => {
      const act = () => acts[name]?.(press);
      // On many keyboards a question mark comes with Shift.
      return press === '?'
        ? [
            [press, act],
            [`shift+${press}`, act],
          ]
        : [[press, act]];
    }),
  );
  useHotkeys(bound, inFields ? [] : undefined);
}
