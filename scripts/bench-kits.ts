import { exampleKits, kitFrom, kitNamed, previewOf } from '../core/kits/index.ts';
import { heldUnder } from '../core/lists/index.ts';
import { mergeTexts } from '../core/merge/index.ts';
import type { Mod } from '../core/mod/index.ts';
import { bigMod } from './big-mod.ts';
import { medians, type Line, type Median } from './figures.ts';

const runs = 5;
const name = 'block-pack-small';

/**
 * A kit that is written as people write theirs, beside the writer in code of the same files; what a
 * key in a template takes until one sees what it writes; and a merge.
 */
export async function benchKits(median: Median, line: Line): Promise<void> {
  const { mod, blobs } = bigMod(2000);
  const blobOf = (sha256: string) => blobs.get(sha256)!;
  const { own, texts } = heldUnder(exampleKits, name);
  const written = kitFrom(name, own, texts);
  const inCode = kitNamed('block-pack');
  // Of a mod that was written before much is known already.
  const fresh = Array.from({ length: 2 * runs }, () => structuredClone(mod));
  const [byTemplates, byCode] = await medians(
    runs,
    (run) => written.write(fresh[run]!, blobOf),
    (run) => inCode.write(fresh[runs + run]!, blobOf),
  );
  const templates = new Set(own.files.flatMap(({ template }) => template ?? [])).size;
  line(
    'kits.write-ratio',
    `2,000 blocks by ${templates} templates ÷ by code`,
    (byTemplates / byCode).toFixed(2),
    `${byTemplates.toFixed(0)} ms ÷ ${byCode.toFixed(0)} ms`,
  );
  benchKey(median, line, mod);
  const lines = Array.from({ length: 2000 }, (_, i) => `line ${i}`);
  const base = lines.join('\n');
  const mine = lines.with(700, 'by hand').join('\n');
  const built = lines.with(1400, 'by the mod').join('\n');
  const merged = median(15, () => void mergeTexts({ base, mine, built }, {}, 'lines'));
  line('kits.merge', 'merge a text of 2,000 lines', `${merged.toFixed(1)} ms`);
}

/** A key in the template of the most, and what it writes for one block, among 2,000. */
function benchKey(median: Median, line: Line, mod: Mod): void {
  const { own, texts } = heldUnder(exampleKits, name);
  const rule = own.files.findIndex(({ template }) => template === 'rules/block.json.liquid');
  const shown = median(31, (run) => {
    const text = `${texts.get('rules/block.json.liquid')}${' '.repeat(run)}`;
    const draft = {
      name,
      own,
      texts: { ...Object.fromEntries(texts), 'rules/block.json.liquid': text },
    };
    previewOf(draft, rule, '', mod);
  });
  line(
    'kits.key',
    'a key in a template to what it writes',
    `${shown.toFixed(1)} ms`,
    '2,000 blocks',
  );
}
