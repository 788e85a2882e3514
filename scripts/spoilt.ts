/**
 * Spoils every file of the demo's pack in every way, and loads, stands in and draws each in the
 * Yard: none may stop it, and what is amiss must be told.
 */
import {
  isSpoilt,
  mustBeTold,
  spoilings,
  spoilt,
  stoodIn,
} from '../core/kits/block-pack/load/testing/spoilt-packs.ts';
import { demoWorld } from '../demo/art/demo-world.ts';

const { files } = demoWorld();
const wrong: string[] = [];
let many = 0;
for (const path of [...files.keys()].sort())
  for (const how of spoilings) {
    if (!isSpoilt(path, how)) continue;
    many += 1;
    try {
      const lines = stoodIn(spoilt(files, path, how));
      if (lines.length === 0 && mustBeTold(path, how))
        wrong.push(`${path}, ${how}: nothing is told`);
    } catch (error) {
      wrong.push(`${path}, ${how}: ${error instanceof Error ? error.message : String(error)}`);
    }
  }
for (const line of wrong) console.log(line);
console.log(`${many} packs with one file spoilt, ${wrong.length} amiss`);
process.exitCode = wrong.length ? 1 : 0;
