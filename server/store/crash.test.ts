import { expect, test } from '@jest/globals';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const hardness = '/blocks/tide_lantern/traits/hardness';

/** Starts the built program as its own process and waits for its address. */
function start(data: string): Promise<{ process: ChildProcess; address: string }> {
  const child = spawn(process.execPath, ['scripts/start.mjs', '--port', '0', '--data', data], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    child.stdout.on('data', (text: Buffer) => {
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(text.toString())?.[0];
      if (address) resolve({ process: child, address });
    });
  });
}

test(
  'killed while saving, five times over: every edit that was answered is there, and so ' +
    'is its undo',
  async () => {
    const data = mkdtempSync(path.join(os.tmpdir(), 'obrank-crash-'));
    let [revision, value] = [0, 3.2];
    try {
      for (let round = 0; round < 5; round += 1) {
        const { process: child, address } = await start(data);
        const held = (await (await fetch(`${address}/api/mods/saltmarsh`)).json()) as {
          revision: number;
          mod: { blocks: Record<string, { traits: { hardness: number } }> };
        };
        // What was in flight when the process died may have been saved or not; what was answered must
        // be there.
        expect(held.revision).toBeGreaterThanOrEqual(revision);
        expect(held.revision).toBeLessThanOrEqual(revision + 1);
        if (held.revision === revision)
          expect(held.mod.blocks['tide_lantern']!.traits.hardness).toBe(value);
        ({ revision } = held);
        value = held.mod.blocks['tide_lantern']!.traits.hardness;
        const exited = new Promise((resolve) => child.once('exit', resolve));
        let running = true;
        for (let i = 0; running; i += 1) {
          const after = round * 100 + i + 1;
          const sent = fetch(`${address}/api/mods/saltmarsh/edits`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
            body: JSON.stringify({
              label: 'Harder',
              changes: [{ path: hardness, before: value, after }],
            }),
          });
          if (i === 6 + round) child.kill('SIGKILL');
          const answer = await sent.then(
            (response) => response.status,
            () => 0,
          );
          if (answer === 201) [revision, value] = [revision + 1, after];
          else running = false;
          if (i > 60) child.kill('SIGKILL');
        }
        await exited;
      }
      const { process: child, address } = await start(data);
      const undone = (await fetch(`${address}/api/mods/saltmarsh`).then((response) =>
        response.json(),
      )) as { undo?: string };
      expect(undone.undo).toBe('Harder');
      child.kill('SIGKILL');
    } finally {
      rmSync(data, { recursive: true, force: true });
    }
  },
  120_000,
);
