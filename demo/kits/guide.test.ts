import { expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readFolder } from '../../disk/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { checkKit, kitFrom, placed, readKit } from '../../core/kits/index.ts';

const guide = readFileSync('docs/write-a-kit.md', 'utf8');
/** The blocks of the guide that are marked so, each by the name after the mark. */
const blocks = (mark: string) =>
  new Map(
    [
      ...guide.matchAll(
        new RegExp(`<!-- ${mark}: (.+?) -->\\n\`\`\`\\w+\\n([\\s\\S]*?)\`\`\``, 'g'),
      ),
    ].map(([, name = '', text = '']) => [name, text] as const),
  );

test('the kit of the guide writes the demo, and what the guide says it writes', async () => {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const files = blocks('file');
  const bytes = (text: string) => new TextEncoder().encode(text);
  const { own, texts, problems } = readKit(
    new Map([...files].map(([name, text]) => [name, bytes(text)])),
  );
  expect(problems).toEqual([]);
  const { writer } = kitFrom('weir', own!, texts);
  const check = checkKit(writer, texts, expandFamilies(declared), (sha256) => blobs.get(sha256)!);
  expect(check.problems.map(placed)).toEqual([]);
  const written = blocks('written');
  expect(written.size).toBeGreaterThan(0);
  for (const [path, text] of written)
    expect([path, new TextDecoder().decode(check.files.get(path))]).toEqual([path, text]);
});

test('the mistake that the guide makes on purpose is told as it says', async () => {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const texts = new Map(blocks('file'));
  const wrong = texts
    .get('block.toml.liquid')!
    .replace('{{ block.title | json }}', '{{ block.title }}');
  const bytes = new Map([...texts].map(([name, text]) => [name, new TextEncoder().encode(text)]));
  const kit = kitFrom('weir', readKit(bytes).own!, new Map(texts).set('block.toml.liquid', wrong));
  const { problems } = checkKit(kit.writer, texts, expandFamilies(declared), (sha256) =>
    blobs.get(sha256)!,
  );
  const [, said = ''] = /```\n(block\.toml\.liquid:2:9 .*?) …/.exec(guide) ?? [];
  expect(said).not.toBe('');
  expect(placed(problems[0]!)).toContain(said);
});
