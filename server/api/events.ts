import type { Request, Response } from 'express';
import type { ModEvent, ModEventName } from '../../core/api/index.ts';
import type { Links } from '../linked/links.ts';
import { maxEventBytes, maxStreams, maxUnreadBytes } from '../limits.ts';
import { Problem } from '../problem.ts';
import type { HeldMod, LoggedEdit, Store } from '../store/store.ts';

let open = 0;
/** The last edit as it is sent: made once for all who listen. */
let last: { edit: LoggedEdit; text: string } | undefined;

/**
 * Tells a page of every edit as it happens (server-sent events). A long edit is not sent but only
 * named by its revision; a reader that does not keep up is dropped, and its browser comes back and
 * is told where the mod stands. Throws a 503 {@link Problem} when too many listen.
 */
export async function sendEvents(
  { store, links }: { store: Store; links: Links },
  name: string,
  request: Request,
  response: Response,
): Promise<void> {
  const { revision, undo, redo } = await store.mod(name);
  if (open >= maxStreams)
    throw new Problem(
      503,
      'Too many windows',
      `More than ${maxStreams} windows are open. Close some of them.`,
    );
  open += 1;
  response.set({
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-cache',
    Connection: 'keep-alive',
  });
  const send = (text: string) => {
    if (response.writableLength > maxUnreadBytes) response.destroy();
    else response.write(text);
  };
  send(eventText('hello', { revision, undo: undo?.label, redo: redo?.label }));
  send(eventText('folder', links.stateNow(name)));
  const stops = [
    store.listen(name, (edit, held) => send(eventOf(edit, held))),
    links.listen(name, (state) => send(eventText('folder', state))),
  ];
  let isStopped = false;
  const end = () => {
    if (isStopped) return;
    isStopped = true;
    open -= 1;
    for (const stop of stops) stop();
  };
  request.once('close', end);
  response.once('close', end);
}

function eventOf(edit: LoggedEdit, { undo, redo }: HeldMod): string {
  if (last?.edit === edit) return last.text;
  const steps = { undo: undo?.label, redo: redo?.label };
  const whole = eventText('edit', { edit, ...steps });
  const text =
    whole.length <= maxEventBytes
      ? whole
      : eventText('moved', { revision: edit.revision, ...steps });
  last = { edit, text };
  return text;
}

/** One event as the format of the stream has it (HTML Standard, server-sent events). */
const eventText = <Name extends ModEventName>(name: Name, data: ModEvent<Name>): string =>
  `event: ${name}\ndata: ${JSON.stringify(data)}\n\n`;
