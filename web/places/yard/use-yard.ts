import { useEffect, useRef } from 'react';
import { isKept, type KeptWorld } from '../../../core/yard/index.ts';
import { YardClient } from '../../api/yard.ts';

/** The world of each scene as it was left, and in which of them one was last. */
interface Left {
  scene: string;
  worlds: Record<string, KeptWorld>;
}

const keyOf = (mod: string): string => `obrank.yard.${mod}`;
/** The browser keeps no more than some megabytes in all. */
const mostKept = 1_500_000;

function leftIn(mod: string): Left | undefined {
  try {
    const text = localStorage.getItem(keyOf(mod));
    const left = text === null ? undefined : (JSON.parse(text) as Left);
    return left && Object.values(left.worlds).every(isKept) ? left : undefined;
  } catch {
    return undefined;
  }
}

function leave(mod: string, scene: string, kept: KeptWorld): void {
  const before = leftIn(mod);
  const left: Left = { scene, worlds: { ...before?.worlds, [scene]: kept } };
  const text = JSON.stringify(left);
  if (text.length <= mostKept) localStorage.setItem(keyOf(mod), text);
  else localStorage.setItem(keyOf(mod), JSON.stringify({ scene, worlds: { [scene]: kept } }));
}

/** So often, in milliseconds, the world is kept while one is in it. */
const keepsEvery = 5000;

/** The Yard that the page has: it stays while one looks at something else of the mod. */
let opened: YardClient | undefined;

function yardOf(mod: string): YardClient {
  if (opened?.mod !== mod) {
    opened?.close();
    opened = new YardClient(mod);
  }
  return opened;
}

/**
 * The Yard of a mod: the world is as it was left, and stands still while nobody is in it. It is
 * loaded as the mod is now when one comes, and later when one wishes so, or on every save.
 */
export function useYard(mod: string, revision: number, follows: boolean): YardClient {
  const client = yardOf(mod);
  const latest = useRef(revision);
  useEffect(() => {
    latest.current = revision;
  });
  useEffect(() => {
    const left = leftIn(mod);
    if (client.view.revision !== latest.current)
      void client.load(
        latest.current,
        left && { scene: left.scene, kept: left.worlds[left.scene] },
      );
    client.ask({ ask: 'pace', pace: 1 });
    const keep = () => client.kept().then(({ kept, scene }) => leave(mod, scene, kept));
    const timer = setInterval(() => void keep(), keepsEvery);
    return () => {
      clearInterval(timer);
      client.ask({ ask: 'pace', pace: 0 });
      void keep();
    };
  }, [client, mod]);
  useEffect(() => {
    if (follows && client.view.yard && client.view.revision !== revision)
      void client.load(revision);
  }, [client, follows, revision]);
  return client;
}
