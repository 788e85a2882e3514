import { useLocalStorage } from '@mantine/hooks';
import { kitFor, kitsFor, type Kit } from '../../../core/kits/index.ts';
import { kitsOf } from '../../../core/mod/kits-of.ts';
import { useMod, useSession } from '../../api/hooks.tsx';

/** What Build builds for at the moment. */
export interface BuiltFor {
  kit: Kit;
  /** The kits that the mod is built for, and the others. */
  own: Kit[];
  others: Kit[];
  /** All of them in their usual order. */
  all: Kit[];
  /**
   * Builds for another kit: one of the mod's own is only chosen here, any other becomes the one that
   * the mod is built for.
   */
  choose: (name: string) => void;
}

/** The kit that is built for: that of the mod or, of several, the one that was chosen last. */
export function useBuiltFor(): BuiltFor {
  const session = useSession();
  const mod = useMod();
  const names = kitsOf(mod.header);
  const [chosen, setChosen] = useLocalStorage({
    key: `obrank.kit.${session.name}`,
    defaultValue: '',
    getInitialValueInEffect: false,
  });
  const first = names[0] ?? '';
  const kit = kitFor(mod, names.includes(chosen) ? chosen : first);
  return {
    kit,
    own: names.map((name) => kitFor(mod, name)),
    all: kitsFor(mod),
    others: kitsFor(mod).filter(({ name }) => !names.includes(name)),
    choose: (name) => {
      setChosen(names.includes(name) && name !== first ? name : '');
      if (!names.includes(name)) session.set('Change the kit', ['header', 'kit'], name);
    },
  };
}

/** Where the packs of a kit are built: the first kit's place has no name of its own. */
export const targetKey = (mod: string, kit: string, isFirst: boolean): string =>
  isFirst ? `obrank.target.${mod}` : `obrank.target.${mod}.${kit}`;

/** Where a kit is built where nobody has said otherwise. */
export const usualTarget = (mod: string, kit: string, isFirst: boolean): string =>
  `~/obrank-packs/${mod}${isFirst ? '' : `-${kit}`}`;

/** Where a kit is built, as it was said last on this machine. */
export function targetOf(mod: string, kit: string, isFirst: boolean): string {
  const held = window.localStorage.getItem(targetKey(mod, kit, isFirst));
  const said: unknown = held === null ? undefined : JSON.parse(held);
  return typeof said === 'string' ? said : usualTarget(mod, kit, isFirst);
}
