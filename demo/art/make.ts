/**
 * Draws the pictures and makes the sounds of the demo mod, and the sounds of the stock sets, the
 * same bytes on every run.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { printJson } from '../../core/json/index.ts';
import { encodePicture } from '../../core/textures/index.ts';
import { madeBlocks, makeBlocks } from './blocks.ts';
import { recipes } from './made.ts';
import { readFiles } from './read-files.ts';
import { sounds, stockSounds } from './sounds.ts';
import { textures } from './textures.ts';

const mod = path.resolve('demo/saltmarsh');
const write = (file: string, bytes: Uint8Array) => {
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(file, bytes);
};
for (const [name, draw] of Object.entries(textures))
  write(path.join(mod, 'textures', `${name}.png`), encodePicture(draw()));
const writeJson = (file: string, value: unknown) =>
  write(path.join(mod, file), new TextEncoder().encode(printJson(value)));
for (const [name, { made, strip }] of Object.entries(recipes)) {
  writeJson(`textures/${name}.made.json`, made);
  if (strip) writeJson(`textures/${name}.strip.json`, strip);
}
for (const [name, make] of Object.entries(sounds))
  write(path.join(mod, 'sounds', `${name}.wav`), make());
for (const [name, make] of Object.entries(stockSounds))
  write(path.resolve('web/public/stock', `${name}.wav`), make());
const made = makeBlocks(readFiles(mod));
for (const [file, bytes] of made) write(path.join(mod, file), bytes);
console.log(
  `${Object.keys(textures).length} textures and ${Object.keys(sounds).length} sounds in demo/saltmarsh, ` +
    `${madeBlocks.length} blocks made`,
);
