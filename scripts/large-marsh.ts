import { writeZip } from '../core/bytes/index.ts';
import { writeModFolder } from '../core/folder/index.ts';
import { moveToNamespace } from '../core/take-over/index.ts';
import { bigMod } from './big-mod.ts';

/** Brings a mod of 2,000 blocks into a server, and gives its name there. */
export async function bringLargeMarsh(address: string): Promise<string> {
  const namespace = 'largemarsh';
  const { mod, blobs } = bigMod(2000);
  const moved = moveToNamespace(mod, namespace);
  const zip = writeZip(writeModFolder(moved, (sha256) => blobs.get(sha256)!));
  const answer = await fetch(`${address}/api/mods/folder`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/zip' },
    body: new Uint8Array(zip),
  });
  if (!answer.ok) throw new Error(`the mod was refused: ${await answer.text()}`);
  return namespace;
}
