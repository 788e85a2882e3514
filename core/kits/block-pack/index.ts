import type { Files } from '../../bytes/index.ts';
import { reportsOf } from '../file-rule.ts';
import type { Kit } from '../kit.ts';
import { declaredBy } from './declare/index.ts';
import { PackFile } from './format/index.ts';
import { mendPack, mendRead, settleDigests } from './mend/index.ts';
import { readPack } from './read/index.ts';
import { packRules } from './rules/index.ts';
import { writeBlockFiles, writeBlockPack } from './write/index.ts';

const marker = 'pack.json';
/**
 * The files and rooms that only a Block Pack has. One is enough: the others may be missing or
 * misnamed.
 */
const signs = /^(pack\.json|registry\.json|rules\/.*|view\/.*)$/;

/** The digests that the pack was built with; undefined when its `pack.json` does not tell. */
function recordedDigests(files: Files): ReadonlyMap<string, string> | undefined {
  const bytes = files.get(marker);
  if (!bytes) return undefined;
  try {
    const { files: listed } = PackFile.parse(JSON.parse(new TextDecoder().decode(bytes)));
    return new Map(Object.entries(listed ?? {}).map(([file, { sha256 }]) => [file, sha256]));
  } catch {
    return undefined;
  }
}

/** The kit of Obrank's own open format. */
export const blockPack: Kit = {
  name: 'block-pack',
  title: 'Block Pack, edition 1',
  limits: {
    states: 65_536,
    stateCodeBits: 16,
    wholeShares: false,
    pattern: [6, 6],
    newLooks: true,
    boxes: 256,
    reach: 16,
    spinStep: 0,
    textureSide: 1024,
  },
  ending: '.obpack',
  marker,
  write: writeBlockPack,
  writeBlock: writeBlockFiles,
  isText: (path) => /\.(json|ts)$/.test(path),
  recognises: (paths) => [...paths].some((path) => signs.test(path)),
  recordedDigests,
  check: (files, onProgress) => {
    const read = readPack(files, onProgress);
    const declared = declaredBy(read);
    return {
      reports: reportsOf(packRules, read),
      declared,
      mend: (changes) => mendRead(read, declared, changes),
    };
  },
  mend: mendPack,
  settle: settleDigests,
  rules: packRules,
};
