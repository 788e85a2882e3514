import { useMemo } from 'react';
import { textsOfKit } from '../../../core/kits/index.ts';
import { pointer } from '../../../core/json/index.ts';
import { kitsOf } from '../../../core/mod/kits-of.ts';
import type { Change, KitFileRule, Mod, OwnKit } from '../../../core/mod/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import type { Session } from '../../api/session.ts';

/** A kit of the mod, and the ways to change it. */
export interface KitEdits {
  name: string;
  own: OwnKit;
  /** Its texts by their paths in the kit's folder. */
  texts: ReadonlyMap<string, string>;
  put: <Part extends keyof OwnKit>(label: string, part: Part, value: OwnKit[Part]) => void;
  /** Writes a text; undefined takes it away. */
  putText: (label: string, path: string, text: string | undefined) => void;
  /** Puts rules otherwise, with texts that come or go with them. */
  putRules: (
    label: string,
    files: KitFileRule[],
    texts?: Record<string, string | undefined>,
  ) => void;
}

const textPath = (kit: string, path: string): string => pointer(['kitFiles', `${kit}/${path}`]);

function textChange(mod: Mod, kit: string, path: string, text: string | undefined): Change {
  const before = mod.kitFiles[`${kit}/${path}`];
  return { path: textPath(kit, path), before, after: text === undefined ? undefined : { text } };
}

/** The ways to change a kit of the mod. */
export function useKitEdits(name: string, own: OwnKit): KitEdits {
  const session = useSession();
  const { kitFiles } = useMod();
  return useMemo(
    () => ({
      name,
      own,
      texts: textsOfKit(kitFiles, name),
      put: (label, part, value) => session.set(label, ['kits', name, part], value),
      putText: (label, path, text) =>
        session.edit(label, [textChange(session.view.mod, name, path, text)]),
      putRules: (label, files, texts = {}) => {
        const { mod } = session.view;
        session.edit(label, [
          { path: pointer(['kits', name, 'files']), before: mod.kits[name]?.files, after: files },
          ...Object.entries(texts).map(([path, text]) => textChange(mod, name, path, text)),
        ]);
      },
    }),
    [session, name, own, kitFiles],
  );
}

/** Puts a kit with its texts into the mod; the mod is built for it too where that is wanted. */
export function addKit(
  session: Session,
  name: string,
  own: OwnKit,
  texts: ReadonlyMap<string, string>,
): void {
  const { mod } = session.view;
  const { header } = mod;
  const others = kitsOf(header).slice(1);
  session.edit(`New kit ${name}`, [
    { path: pointer(['kits', name]), after: own },
    ...[...texts].map(([path, text]) => textChange(mod, name, path, text)),
    { path: '/header/alsoFor', before: header.alsoFor, after: [...others, name] },
  ]);
}

/** Calls a kit of the mod otherwise; its texts and the mod's list of kits follow. */
export function renameKit(session: Session, name: string, next: string): void {
  const { mod } = session.view;
  const { header } = mod;
  const called = (one: string) => (one === name ? next : one);
  session.edit(`Call the kit ${next}`, [
    { path: pointer(['kits', name]), before: mod.kits[name] },
    { path: pointer(['kits', next]), after: mod.kits[name] },
    ...[...textsOfKit(mod.kitFiles, name)].flatMap(([path, text]) => [
      textChange(mod, name, path, undefined),
      textChange(mod, next, path, text),
    ]),
    { path: '/header/kit', before: header.kit, after: called(header.kit) },
    { path: '/header/alsoFor', before: header.alsoFor, after: header.alsoFor?.map(called) },
  ]);
}

/** Takes a kit with its texts out of the mod, which is no longer built for it. */
export function removeKit(session: Session, name: string): void {
  const { mod } = session.view;
  const { header } = mod;
  const [kit = 'block-pack', ...others] = kitsOf(header).filter((one) => one !== name);
  session.edit(`Remove the kit ${name}`, [
    { path: pointer(['kits', name]), before: mod.kits[name] },
    ...[...textsOfKit(mod.kitFiles, name).keys()].map((path) =>
      textChange(mod, name, path, undefined),
    ),
    { path: '/header/kit', before: header.kit, after: kit },
    {
      path: '/header/alsoFor',
      before: header.alsoFor,
      after: others.length ? others : undefined,
    },
  ]);
}
