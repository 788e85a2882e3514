/**
 * Attacks on whoever reads: files that claim, hide or contain far more than they are. Each is told
 * within bounded time and memory.
 */
import { spawnSync } from 'node:child_process';
import { cpSync, symlinkSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { zipSync, zlibSync } from 'fflate';
import { crc32 } from '../core/bytes/index.ts';
import { encodePicture } from '../core/textures/index.ts';
import { inFolder, runObrank, type Outcome } from './program.ts';

/** More memory than this for one hostile file is a loss. */
const maxMb = 1500;

function chunk(type: string, body: Uint8Array): Buffer {
  const head = Buffer.from(`0000${type}`, 'latin1');
  head.writeUInt32BE(body.length, 0);
  const sum = Buffer.alloc(4);
  sum.writeUInt32BE(crc32(Buffer.concat([head.subarray(4), body])));
  return Buffer.concat([head, body, sum]);
}

/** A PNG of a few texels with a colour profile that unpacks to two gigabytes. */
function profileBomb(): Buffer {
  const png = Buffer.from(
    encodePicture({ width: 4, height: 4, data: new Uint8Array(64).fill(200) }),
  );
  const profile = Buffer.concat([
    Buffer.from('p\0\0', 'latin1'),
    zlibSync(new Uint8Array(256 * 1024 * 1024), { level: 9 }),
  ]);
  return Buffer.concat([png.subarray(0, 33), chunk('iCCP', profile), png.subarray(33)]);
}

/**
 * An archive whose one file unpacks to far more than its directory says, or whose files share their
 * bytes.
 */
function forgedZip(kind: 'size' | 'overlap'): Uint8Array {
  const zip = zipSync(
    { 'pack.json': new Uint8Array(64 * 1024 * 1024), 'registry.json': new Uint8Array(10) },
    { level: 9 },
  ).slice();
  const view = new DataView(zip.buffer);
  const directory = view.getUint32(zip.length - 6, true);
  if (kind === 'size') view.setUint32(directory + 24, 10, true);
  else view.setUint32(directory + 46 + 'pack.json'.length + 42, 0, true);
  return zip;
}

/** Checks every hostile file with the command line. */
export const hostileFiles = (): Promise<Outcome> =>
  inFolder(async (folder) => {
    const mod = (name: string, file: string, content: Uint8Array | string) => {
      cpSync('demo/saltmarsh', path.join(folder, name), { recursive: true });
      writeFileSync(path.join(folder, name, file), content);
      return path.join(folder, name);
    };
    const file = (name: string, content: Uint8Array) => {
      writeFileSync(path.join(folder, name), content);
      return path.join(folder, name);
    };
    spawnSync('mkfifo', [path.join(folder, 'pipe')]);
    symlinkSync('/dev/zero', path.join(folder, 'zero.obpack'));
    const targets = [
      mod('profile', 'textures/salt_crust_a.png', profileBomb()),
      file('sizes.obpack', forgedZip('size')),
      file('overlap.obpack', forgedZip('overlap')),
      path.join(folder, 'pipe'),
      '/dev/zero',
      path.join(folder, 'zero.obpack'),
      '',
      mod('large', 'recipes/salt_crust.json', `{ "a": "${'x'.repeat(190 * 1024 * 1024)}" }`),
      mod(
        'keys',
        'recipes/salt_crust.json',
        `{ ${Array.from({ length: 800_000 }, (_, i) => `"${i.toString(36)}":1`).join(',')} }`.slice(
          0,
          8_300_000,
        ),
      ),
      mod('deep', 'recipes/salt_crust.json', `${'['.repeat(100_000)}${']'.repeat(100_000)}`),
      mod(
        'word',
        'words/en.json',
        '{ "texts": { "constructor": "x", "__proto__": "y", "toString": "z" } }',
      ),
    ];
    let [lost, refused, peakMb] = [0, 0, 0];
    const notes: string[] = [];
    for (const target of targets) {
      const found = await runObrank('check', target);
      peakMb = Math.max(peakMb, found.peakMb);
      const isCalm =
        !found.isStuck &&
        found.peakMb < maxMb &&
        (found.status === 0 || found.status === 1 || found.status === 2) &&
        !/\n\s+at /.test(found.output);
      if (!isCalm) {
        lost += 1;
        notes.push(`${path.basename(target)}: status ${found.status}, ${found.peakMb} MB`);
      } else if (found.status !== 0) refused += 1;
    }
    return {
      attack: 'hostile files to check',
      tries: targets.length,
      lost,
      refused,
      peakMb,
      note: notes.join('; '),
    };
  });
