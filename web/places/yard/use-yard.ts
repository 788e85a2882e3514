import { useEffect, useRef } from 'react';
import { YardClient } from '../../api/yard.ts';

/** So often, in milliseconds, the world is kept while one is in it. */
const keepsEvery = 4000;

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
    if (client.view.revision !== latest.current) void client.load(latest.current);
    client.ask({ ask: 'pace', pace: 1 });
    const keep = () => void client.keep();
    const timer = setInterval(keep, keepsEvery);
    document.addEventListener('visibilitychange', keep);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', keep);
      client.ask({ ask: 'pace', pace: 0 });
      keep();
    };
  }, [client]);
  useEffect(() => {
    if (follows && client.view.yard && client.view.revision !== revision)
      void client.load(revision);
  }, [client, follows, revision]);
  return client;
}
