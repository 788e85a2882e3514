import { reportsOf } from '../file-rule.ts';
import type { Engine, Kit } from '../kit.ts';
import { minetestGallery } from './gallery/index.ts';
import { engineRules } from './rules/index.ts';
import { kitName, marks, recordedDigests } from './format/marks.ts';
import { frozenOf, storageOf } from './states/compile.ts';
import { shortfallsOf } from './shortfalls.ts';
import { minetestServer } from './verdict/engine.ts';
import { fluidShortfalls } from './write/fluids.ts';
import { writeEngineBlock, writeEngineMod } from './write/index.ts';

/** The engine: its server, which is asked, and its gallery. */
export const minetestEngine: Engine = { ...minetestServer, gallery: minetestGallery };

/** The kit for the free voxel engine Minetest, from its Lua API reference of version 5.6. */
export const minetest: Kit = {
  name: kitName,
  title: 'Minetest 5.6 and later',
  limits: {
    states: 4096,
    stateCodeBits: 32,
    wholeShares: false,
    pattern: [3, 3],
    recipes: ['pattern', 'mix', 'fire'],
    boxes: 1024,
    // The reference asks to keep boxes within 1.45 of the middle of the cell.
    reach: 15,
    spinStep: 0,
    textureSide: 2048,
  },
  ending: '.zip',
  marker: marks,
  write: writeEngineMod,
  writeBlock: writeEngineBlock,
  isText: (path) => /\.(lua|conf|obj|tr|sha256)$/.test(path),
  recognises: (paths) => {
    const all = new Set(paths);
    return all.has(marks) || (all.has('mod.conf') && all.has('init.lua'));
  },
  recordedDigests,
  check: (files) => ({ reports: reportsOf(engineRules, files) }),
  rules: engineRules,
  storage: storageOf,
  freeze: frozenOf,
  shortfalls: shortfallsOf,
  fluidShortfalls,
  engine: minetestEngine,
};
