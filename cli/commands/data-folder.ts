import { existsSync } from 'node:fs';
import path from 'node:path';
import { databaseFile } from '../../server/store/database.ts';

/** The folder of the database: as it was said, or from the environment. */
export const dataFolder = (given: string | undefined): string =>
  path.resolve(
    given ??
      process.env['OBRANK_DATA'] ??
      path.join(process.env['OBRANK_ROOT'] ?? process.cwd(), 'data'),
  );

/** Whether there is a database in a folder. */
export const holdsDatabase = (folder: string): boolean =>
  existsSync(path.join(folder, databaseFile));
