import { useEffect, useRef, useState } from 'react';
import type { PictureAnswer, PictureAsks } from '../workers/picture-protocol.ts';

type Name = keyof PictureAsks;
/** Hears how many of how many are done. */
export type OnDone = (done: number, of: number) => void;

interface Waiting {
  resolve: (answer: never) => void;
  reject: (error: Error) => void;
  onDone: OnDone | undefined;
}

let worker: Worker | undefined;
let next = 0;
const waiting = new Map<number, Waiting>();

function begun(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('../workers/pictures.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<PictureAnswer>) => {
    const asker = waiting.get(data.id);
    if ('done' in data) {
      asker?.onDone?.(data.done, data.of);
      return;
    }
    waiting.delete(data.id);
    if ('problem' in data) asker?.reject(new Error(data.problem));
    else asker?.resolve(data.answer as never);
  };
  worker.onerror = () => letGo('The pictures could not be worked out: there may be no room left.');
  return worker;
}

/** Ends the worker, and says why to everybody who waits for it. */
function letGo(why: string): void {
  worker?.terminate();
  worker = undefined;
  const all = [...waiting.values()];
  waiting.clear();
  for (const { reject } of all) reject(new Error(why));
}

/** How one hears of work that takes a while, and stops it. */
export interface Around {
  onDone?: OnDone;
  signal?: AbortSignal;
}

/**
 * Asks the worker for pictures. Rejects with a sentence; what is stopped by its signal rejects as
 * stopped, and the worker is let go if it does nothing else.
 *
 * @example const [copy] = await pictureWork('recolour', { pixels, ways: [way] })
 */
export function pictureWork<Asked extends Name>(
  ask: Asked,
  asked: PictureAsks[Asked]['asked'],
  { onDone, signal }: Around = {},
): Promise<PictureAsks[Asked]['answer']> {
  const id = next++;
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve, reject, onDone });
    signal?.addEventListener('abort', () => {
      if (!waiting.delete(id)) return;
      reject(new Error('It was stopped.'));
      // What it is at cannot be taken back from a worker; one that nobody waits for is ended.
      if (waiting.size === 0) letGo('');
    });
    begun().postMessage({ id, ask, ...asked });
  });
}

/**
 * What the worker makes of the newest thing that was asked; what it made before stays until then.
 * While it is at one, only the newest of those that come is kept: a slider asks faster than it
 * answers. Undefined while nothing is asked.
 */
export function usePictureWork<Asked extends Name>(
  ask: Asked,
  asked: PictureAsks[Asked]['asked'] | undefined,
): { answer: PictureAsks[Asked]['answer'] | undefined; isNew: boolean } {
  type Question = PictureAsks[Asked]['asked'];
  const [known, setKnown] = useState<{ to: Question; answer: PictureAsks[Asked]['answer'] }>();
  const newest = useRef<Question>(undefined);
  const isAt = useRef(false);
  useEffect(() => {
    newest.current = asked;
    if (!asked || isAt.current) return;
    const goOn = async () => {
      for (let at = newest.current; at;) {
        const answer = await pictureWork(ask, at);
        if (newest.current) setKnown({ to: at, answer });
        at = newest.current === at ? undefined : newest.current;
      }
    };
    isAt.current = true;
    goOn()
      // What cannot be made shows nothing new; the ways to it are within bounds.
      .catch(() => undefined)
      .finally(() => {
        isAt.current = false;
      });
  }, [ask, asked]);
  return asked && known
    ? { answer: known.answer, isNew: known.to === asked }
    : { answer: undefined, isNew: false };
}
