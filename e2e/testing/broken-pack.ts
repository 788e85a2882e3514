import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { kitNamed } from '../../core/kits/index.ts';
import { flattened } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { readFolder } from '../../disk/index.ts';

/** The demo as a pack in which the lantern is thinner. */
export async function changedPack(): Promise<Map<string, Uint8Array>> {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const mod = flattened(declared);
  const body = mod.models['lantern/body']!;
  const boxes = body.boxes!.map((box, i) =>
    i ? box : { ...box, size: [6, 9, 6] as typeof box.size },
  );
  const models = { ...mod.models, 'lantern/body': { ...body, boxes } };
  return kitNamed('block-pack').write({ ...mod, models }, (sha256) => blobs.get(sha256)!);
}

/** The demo as a pack on which a tired author worked, and whose digests nobody keeps. */
export async function brokenPack(): Promise<Map<string, Uint8Array>> {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const mod = flattened(declared);
  const files = kitNamed('block-pack').write(mod, (sha256) => blobs.get(sha256)!);
  const edit = (file: string, from: RegExp, to: string) => {
    const text = new TextDecoder().decode(files.get(file));
    if (!from.test(text)) throw new Error(`${file} has nothing like ${from}.`);
    files.set(file, new TextEncoder().encode(text.replace(from, to)));
  };
  edit('pack.json', /,\s*"files": \{[^]*\}\s*\}\s*\}/, '\n}');
  edit('rules/loot/salt_crust.json', /\}\s*$/, ',}\n');
  edit('rules/blocks/oyster_brick.json', /"hardness"/, '"hardnes"');
  edit('view/looks/tide_lantern.json', /saltmarsh:lantern\/dark/, 'saltmarsh:lantern/drak');
  return files;
}

/** The demo's pack as that of another mod, under a namespace of its own. */
export async function mirePack(): Promise<Map<string, Uint8Array>> {
  const pack = new Map(
    [...(await changedPack())].map(([file, bytes]) => [
      file,
      file.endsWith('.json') && file !== 'pack.json'
        ? new TextEncoder().encode(new TextDecoder().decode(bytes).replaceAll('saltmarsh', 'mire'))
        : bytes,
    ]),
  );
  const head = new TextDecoder().decode(pack.get('pack.json'));
  const { files: _, ...rest } = JSON.parse(head) as Record<string, unknown>;
  const named = JSON.stringify({ ...rest, namespace: 'mire', title: 'Mire' });
  return pack.set('pack.json', new TextEncoder().encode(named));
}

/** The files of a pack in a new folder below another. */
export function onDisk(folder: string, files: Map<string, Uint8Array>): string {
  const at = path.join(mkdtempSync(path.join(folder, 'pack')), 'saltmarsh-old');
  for (const [file, bytes] of files) {
    mkdirSync(path.dirname(path.join(at, file)), { recursive: true });
    writeFileSync(path.join(at, file), bytes);
  }
  return at;
}
