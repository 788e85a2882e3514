import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expectedFolder, placed, readKit } from '../core/kits/own/index.ts';
import { printJson } from '../core/json/index.ts';

/** Where the kits of {@link exampleKits} stand for whoever has no folder to read. */
export const examplesFile = 'core/kits/examples.json';

/** The kits in `demo/kits`, whole, by their names: what one's own may begin from. */
export function exampleKits(): string {
  const names = readdirSync('demo/kits', { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name);
  const made = names.sort().map((name) => {
    const folder = `demo/kits/${name}`;
    const files = new Map(
      readdirSync(folder, { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map((entry) => path.posix.relative(folder, path.posix.join(entry.parentPath, entry.name)))
        .filter((file) => !file.startsWith(expectedFolder))
        .sort()
        .map((file) => [file, readFileSync(`${folder}/${file}`)] as const),
    );
    const { own, texts, problems } = readKit(files);
    if (problems.length) throw new Error(problems.map(placed).join('\n'));
    return [name, { own, texts: Object.fromEntries(texts) }] as const;
  });
  return printJson(Object.fromEntries(made));
}
