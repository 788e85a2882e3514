import { digestOf } from '../core/bytes/index.ts';
import { emptyMod, type Block, type Mod } from '../core/mod/index.ts';
import { basePicture, encodePicture, pictureFacts } from '../core/textures/index.ts';

/**
 * A made-up mod of many blocks, each with a model and a texture of its own: plain, pillars and
 * lamps in turn.
 */
export function bigMod(many: number): { mod: Mod; blobs: Map<string, Uint8Array> } {
  const mod = emptyMod('saltmarsh', 'Saltmarsh');
  const blobs = new Map<string, Uint8Array>();
  for (const tag of ['pick_dug', 'spade_dug', 'axe_dug']) mod.blockTags[tag] = {};
  for (let i = 0; i < many; i += 1) {
    const name = `bank_${String(i).padStart(4, '0')}`;
    const pixels = basePicture(
      `#${(0x404040 + ((i * 7919) % 0x7f7f7f)).toString(16).padStart(6, '0')}`,
      16,
      i,
    );
    const png = encodePicture(pixels);
    const sha256 = digestOf(png);
    blobs.set(sha256, png);
    mod.textures[name] = { picture: { sha256, bytes: png.length, ...pictureFacts(pixels) } };
    mod.models[name] = { template: 'obrank:cube', slots: { face: `saltmarsh:${name}` } };
    mod.blocks[name] = [plain, pillar, lamp][i % 3]!(name, i);
    mod.ledger.entries.push({ number: i + 1, kind: 'block', name });
  }
  return { mod, blobs };
}

const base = (name: string, i: number, stock: string, tool: string): Block => ({
  identity: { group: 'general', stock, item: 'block', natural: true },
  traits: { hardness: 1 + (i % 40) / 10 },
  states: { properties: [] },
  looks: { mode: 'one-of', rows: [{ use: [{ model: `saltmarsh:${name}` }] }] },
  loot: 'itself',
  tags: [`saltmarsh:${tool}_dug`],
  names: { en: `Bank ${i}` },
});
const plain = (name: string, i: number): Block => base(name, i, 'sand', 'spade');
const pillar = (name: string, i: number): Block => ({
  ...base(name, i, 'timber', 'axe'),
  states: {
    properties: [{ name: 'axis', kind: 'axis', default: 'y' }],
    placing: [{ set: 'axis', to: 'along the clicked side' }],
  },
  looks: {
    mode: 'one-of',
    rows: [
      { when: { axis: 'x' }, use: [{ model: `saltmarsh:${name}`, top: 'east' }] },
      { when: { axis: 'y' }, use: [{ model: `saltmarsh:${name}` }] },
      { use: [{ model: `saltmarsh:${name}`, front: 'down', top: 'south' }] },
    ],
  },
});
const lamp = (name: string, i: number): Block => ({
  ...base(name, i, 'brick', 'pick'),
  traits: { lightEmitted: [{ when: { lit: true }, value: 4 + (i % 12) }, { value: 0 }] },
  states: {
    properties: [
      { name: 'heading', kind: 'heading', default: 'south' },
      { name: 'lit', kind: 'toggle', default: false, byCode: true },
    ],
    placing: [{ set: 'heading', to: 'toward the player' }],
  },
  looks: {
    mode: 'one-of',
    rows: (['north', 'east', 'south', 'west'] as const).map((front) => ({
      when: { heading: front },
      use: [{ model: `saltmarsh:${name}`, front }],
    })),
  },
});
