/** Attacks on what was acknowledged: kills, a full disk, writers at once. */
import { spawnSync } from 'node:child_process';
import { mkdir, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { hardness, heldMod, inFolder, sendEdit, startServer, type Outcome } from './program.ts';

/**
 * Kills the server again and again while edits are on their way: every edit that was answered is
 * there afterwards.
 */
export const kills = (rounds: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    let [tries, lost, peakMb] = [0, 0, 0];
    let [revision, value] = [0, 3.2];
    for (let round = 0; round < rounds; round += 1) {
      const server = await startServer(folder);
      const held = await heldMod(server.address);
      const found = held.mod.blocks['tide_lantern']?.traits.hardness ?? 0;
      // One edit may have been saved whose answer was lost with the process.
      lost +=
        Math.max(0, revision - held.revision) +
        (held.revision === revision && found !== value ? 1 : 0);
      [revision, value] = [held.revision, found];
      const killAt = 3 + ((round * 7) % 23);
      for (let i = 0; ; i += 1) {
        const after = round * 1000 + i + 1;
        const sent = sendEdit(server.address, revision, [{ path: hardness, before: value, after }]);
        if (i === killAt) {
          peakMb = Math.max(peakMb, server.peakMb());
          server.process.kill('SIGKILL');
        }
        if ((await sent) !== 201) break;
        tries += 1;
        [revision, value] = [revision + 1, after];
      }
      await server.stop('SIGKILL');
    }
    return { attack: `kill while saving, ${rounds} times`, tries, lost, refused: 0, peakMb };
  });

/** A small file system of memory, where one may be mounted; says how to take it away. */
function smallDisk(folder: string, megabytes: number): (() => void) | undefined {
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', folder]).status !== 0)
    return undefined;
  return () => void spawnSync('umount', ['-l', folder]);
}

/**
 * Fills the disk under the data, edits, frees it, edits, starts again: what was answered with
 * success is there, what was not is refused.
 */
export const fullDisk = (rounds: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const data = path.join(folder, 'data');
    await mkdir(data);
    const free = smallDisk(data, 12);
    if (!free)
      return {
        attack: 'full disk',
        tries: 0,
        lost: 0,
        refused: 0,
        peakMb: 0,
        note: 'needs the right to mount a small file system',
      };
    let [tries, lost, refused] = [0, 0, 0];
    try {
      let server = await startServer(data);
      let { revision } = await heldMod(server.address);
      let value = 3.2;
      const edit = async (after: number, note?: string) => {
        tries += 1;
        const more =
          note === undefined ? [] : [{ path: `/blockTags/fill_${tries}`, after: { note } }];
        const status = await sendEdit(server.address, revision, [
          { path: hardness, before: value, after },
          ...more,
        ]);
        if (status === 201) [revision, value] = [revision + 1, after];
        else if (status === 507) refused += 1;
        else lost += 1;
      };
      for (let round = 0; round < rounds; round += 1) {
        await edit(round * 100 + 1);
        const ballast = path.join(data, 'ballast');
        // Filled to the last block: the write fails where the disk is full, and that is what is
        // wanted.
        await writeFile(ballast, Buffer.alloc(12 * 1024 * 1024)).catch(() => undefined);
        for (let i = 2; i < 5; i += 1) await edit(round * 100 + i, 'x'.repeat(900));
        await rm(ballast);
        for (let i = 5; i < 10; i += 1) await edit(round * 100 + i);
        await server.stop(round % 2 ? 'SIGKILL' : 'SIGTERM');
        server = await startServer(data);
        const held = await heldMod(server.address);
        if (
          held.revision !== revision ||
          held.mod.blocks['tide_lantern']?.traits.hardness !== value
        )
          lost += 1;
      }
      const peakMb = server.peakMb();
      await server.stop();
      return { attack: `disk filled and freed, ${rounds} times`, tries, lost, refused, peakMb };
    } finally {
      free();
    }
  });

/**
 * Many writers at once, each on top of what it knows: none of their steps is lost, and every stale
 * one is told so.
 */
export const writers = (each: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const server = await startServer(folder);
    const names = Array.from({ length: 8 }, (_, i) => `writer_${i}`);
    let refused = 0;
    const count = async (name: string) => {
      for (let n = 1; n <= each;) {
        const { revision } = await heldMod(server.address);
        const before = n === 1 ? undefined : { note: String(n - 1) };
        const status = await sendEdit(server.address, revision, [
          { path: `/blockTags/${name}`, before, after: { note: String(n) } },
        ]);
        if (status === 201) n += 1;
        else if (status === 412) refused += 1;
        else throw new Error(`an edit was answered with ${status}`);
      }
    };
    await Promise.all(names.map(count));
    await server.stop();
    const again = await startServer(folder);
    const held = (await heldMod(again.address)) as unknown as {
      revision: number;
      mod: { blockTags: Record<string, { note: string }> };
    };
    const lost =
      names.filter((name) => held.mod.blockTags[name]?.note !== String(each)).length +
      (held.revision === names.length * each ? 0 : 1);
    const peakMb = again.peakMb();
    await again.stop();
    return { attack: 'eight writers at once', tries: names.length * each, lost, refused, peakMb };
  });
