/** Makes core/kits/examples.json from demo/kits, before anything is made that rests on it. */
import { writeFileSync } from 'node:fs';
import { exampleKits, examplesFile } from './example-kits.ts';

writeFileSync(examplesFile, exampleKits());
