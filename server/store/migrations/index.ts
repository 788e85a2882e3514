import { FirstLayout1700000000000 } from './1700000000000-first-layout.ts';
import { Editions1770000000000 } from './1770000000000-editions.ts';
import { History1781000000000 } from './1781000000000-history.ts';
import { LinkedFolders1780000000000 } from './1780000000000-linked-folders.ts';
import { Yards1782000000000 } from './1782000000000-yards.ts';

/**
 * The steps to the newest layout of the database, oldest first, one file each. A step that was
 * released is never changed; a database with a step that is not listed here is a newer program's.
 */
export const migrations = [
  FirstLayout1700000000000,
  Editions1770000000000,
  LinkedFolders1780000000000,
  History1781000000000,
  Yards1782000000000,
] as const;
