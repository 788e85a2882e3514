import path from 'node:path';
import { addressOf, endpoints, ProblemAnswer } from '../../core/api/index.ts';
import { DiskProblem } from '../../disk/index.ts';
import { openDatabase } from '../../server/store/database.ts';
import { backupTo, restoreFrom } from '../../server/store/backup.ts';
import { runningAt } from '../../server/store/running.ts';
import { dataFolder, holdsDatabase } from './data-folder.ts';

export interface BackupOptions {
  out: string;
  data?: string;
  overwrite?: boolean;
}

/** Copies all mods into one file: through the server where it runs, and without one otherwise. */
export async function backup({ out, data: given, overwrite }: BackupOptions): Promise<number> {
  const data = dataFolder(given);
  const file = path.resolve(out);
  if (!holdsDatabase(data)) throw new DiskProblem(`${data} holds no mods. Say --data.`);
  if (!(await askServer(data, file, overwrite))) {
    const source = await openDatabase(data);
    await backupTo(source, file, { overwrite }).finally(() => source.destroy());
  }
  console.log(`All mods of ${data} are in ${file}.`);
  return 0;
}

/** Has the server of a data folder make the copy. False when none answers. */
async function askServer(data: string, file: string, overwrite = false): Promise<boolean> {
  const address = runningAt(data);
  if (address === undefined) return false;
  const answer = await fetch(address + addressOf(endpoints.backup, {}), {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ file, overwrite }),
  }).catch(() => undefined);
  if (!answer) return false;
  if (answer.ok) return true;
  const { detail } = ProblemAnswer.partial().safeParse(await answer.json()).data ?? {};
  throw new DiskProblem(detail ?? `The server answered ${answer.status}.`);
}

export interface RestoreOptions {
  data?: string;
}

/** Puts a backup in the place of what a data folder holds, which is kept beside it. */
export async function restore(file: string, { data: given }: RestoreOptions): Promise<number> {
  const data = dataFolder(given);
  const aside = await restoreFrom(path.resolve(file), data, new Date());
  console.log(
    `${data} holds the mods of ${file} again.` +
      (aside === undefined ? '' : `\nWhat was there before is kept as ${aside}.`),
  );
  return 0;
}
