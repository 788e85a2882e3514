/** Inspects, draws and checks packs beside the page, on a copy of the mod that follows every edit. */
import { readZip } from '../../core/bytes/index.ts';
import { drawIsometric, drawnModels, neededTextures, texturePixels } from '../../core/draw/index.ts';
import { fixAll, inspect, inspectPack } from '../../core/inspect/index.ts';
import { readPack } from '../../core/kits/block-pack/read/index.ts';
import { textureOf } from '../../core/models/index.ts';
import { applyChanges, resolveBlock, type Mod } from '../../core/mod/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import type { FromWorker, ToWorker } from './protocol.ts';

let mod: Mod | undefined;
const bytes = new Map<string, Promise<Uint8Array | undefined>>();
const loaded = new Map<string, Uint8Array>();
const decoded = new Map<string, Pixels>();

const answer = (message: FromWorker) => (self as unknown as Worker).postMessage(message);

function bytesOf(sha256: string): Promise<Uint8Array | undefined> {
  const known = bytes.get(sha256) ?? fetch(`/api/blobs/${sha256}`).then(async (response) => {
    if (!response.ok) return undefined;
    const found = new Uint8Array(await response.arrayBuffer());
    loaded.set(sha256, found);
    return found;
  }).catch(() => {
    bytes.delete(sha256);
    return undefined;
  });
  bytes.set(sha256, known);
  return known;
}

self.onmessage = async ({ data: message }: MessageEvent<ToWorker>) => {
  if (message.kind === 'mod' || message.kind === 'changes') {
    mod = message.kind === 'mod' ? message.mod : applyChanges(mod!, message.changes);
    answer({ kind: 'findings', findings: inspect(mod) });
  } else if (message.kind === 'draw') {
    const at = mod;
    const block = at?.blocks[message.block];
    if (!at || !block) return answer({ kind: 'drawn', id: message.id, size: message.size, data: undefined });
    const models = drawnModels(at, resolveBlock(at, message.block, block), message.state, message.pick);
    await Promise.all(neededTextures(models).map((id) => textureOf(at, id)?.picture.sha256).filter((sha) => sha !== undefined).map(bytesOf));
    answer({ kind: 'drawn', id: message.id, size: message.size, data: drawIsometric(models, at.header.texels, message.size, texturePixels(at, (sha256) => loaded.get(sha256), decoded)).data });
  } else if (message.kind === 'fix all') {
    answer({ kind: 'all fixed', id: message.id, ...(mod ? fixAll(mod, message.rule) : { changes: [], mended: 0 }) });
  } else if (message.kind === 'check pack') {
    try {
      const files = readZip(message.bytes);
      answer({ kind: 'pack checked', id: message.id, findings: inspectPack(readPack(files)), files: files.size });
    } catch (error) {
      answer({ kind: 'pack checked', id: message.id, findings: [], files: 0, problem: (error as Error).message });
    }
  }
};
