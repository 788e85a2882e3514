import { readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import type { Files } from '../../core/bytes/index.ts';

/** Every file of a folder of our own, by its path in it with slashes. */
export const readFiles = (folder: string): Files =>
  new Map(
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((file) => statSync(path.join(folder, file)).isFile())
      .map((file) => [
        file.split(path.sep).join('/'),
        new Uint8Array(readFileSync(path.join(folder, file))),
      ]),
  );
