import { endpoints } from '../../core/api/index.ts';
import { digestOf } from '../../core/bytes/index.ts';
import type { PackSource } from '../workers/pack-protocol.ts';
import { call, callForBytes } from './client.ts';
import { openPack } from './open-pack.ts';

/** A pack that lies on this machine, read by the server. Rejects with a sentence. */
export async function readPackAt(path: string): Promise<{ source: PackSource; path: string }> {
  const archive = await callForBytes(endpoints.readPack, {}, { body: { path } });
  const name = path.replace(/[\\/]+$/, '').replace(/^.*[\\/]/, '');
  return { source: { name, archive }, path };
}

/** Saves what was mended to where the pack lies: all of it, or nothing. Rejects with a sentence. */
export async function savePackTo(path: string): Promise<void> {
  const changes = await openPack.ask('changes', {});
  await call(
    endpoints.savePack,
    {},
    {
      body: {
        path,
        changes: changes.map(({ file, before, after }) => ({
          file,
          before: before && digestOf(before),
          after: after && inBase64(after),
        })),
      },
    },
  );
}

/** Bytes in base64, a piece at a time: an argument list has its limits. */
function inBase64(bytes: Uint8Array): string {
  const piece = 8192;
  let text = '';
  for (let at = 0; at < bytes.length; at += piece)
    text += String.fromCharCode(...bytes.subarray(at, at + piece));
  return btoa(text);
}
