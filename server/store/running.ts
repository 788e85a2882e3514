import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';

/** Where the server of a data folder says that it runs. */
const file = 'server.json';
const Running = z.strictObject({
  address: z.url({ protocol: /^http$/, hostname: /^127\.0\.0\.1$/ }),
});

/** Notes where the server of a data folder can be asked. Gives how to take that back. */
export function noteRunning(folder: string, address: string): () => void {
  const note = path.join(folder, file);
  writeFileSync(note, JSON.stringify({ address }));
  return () => rmSync(note, { force: true });
}

/** Where the server of a data folder can be asked; undefined when none says so. */
export function runningAt(folder: string): string | undefined {
  try {
    const said: unknown = JSON.parse(readFileSync(path.join(folder, file), 'utf8'));
    return Running.safeParse(said).data?.address;
  } catch {
    return undefined;
  }
}
