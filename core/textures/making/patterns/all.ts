import type { patternNames } from '../../../mod/entries.schema.ts';
import type { Pattern } from '../pattern.ts';
import { brick } from './brick.ts';
import { cloth } from './cloth.ts';
import { leaves } from './leaves.ts';
import { liquid } from './liquid.ts';
import { pane } from './pane.ts';
import { planks } from './planks.ts';
import { specks } from './specks.ts';
import { stone } from './stone.ts';
import { stream } from './stream.ts';
import { thatch } from './thatch.ts';

/** Every pattern by its name, a line each. */
export const patterns: Readonly<Record<(typeof patternNames)[number], Pattern>> = {
  stone,
  planks,
  brick,
  cloth,
  thatch,
  pane,
  specks,
  leaves,
  liquid,
  stream,
};
