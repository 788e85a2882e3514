import { watch } from 'chokidar';
import { KitError } from '../core/kits/index.ts';
import { messageOf } from '../core/words/index.ts';
import { DiskProblem } from '../disk/index.ts';

/** So long it waits for more to change before it begins, in milliseconds. */
const settling = 120;

/**
 * Runs something now, and again whenever a file below a path changes, until the program is
 * interrupted. Gives the exit code of the last run. What is foreseen to go wrong is said, and waited
 * out: a file may be half written.
 */
export async function whenever(target: string, run: () => Promise<number>): Promise<number> {
  let code = 0;
  let running = Promise.resolve();
  const runOnce = async (): Promise<void> => {
    try {
      code = await run();
    } catch (error) {
      if (!(error instanceof DiskProblem || error instanceof KitError)) throw error;
      code = 2;
      console.error(messageOf(error));
    }
  };
  // A path that is not there is wrong use, and nothing to wait for.
  code = await run();
  let timer: NodeJS.Timeout | undefined;
  const watcher = watch(target, {
    ignoreInitial: true,
    ignored: (path) => /(^|[\\/])\.[^\\/]+$/.test(path),
  });
  watcher.on('all', () => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      console.error(`\n${new Date().toLocaleTimeString('en-GB')}: something changed.`);
      running = running.then(runOnce);
    }, settling);
  });
  watcher.on('ready', () => console.error('Watching. Ctrl C ends it.'));
  await new Promise<void>((resolve) => {
    process.once('SIGINT', resolve);
    process.once('SIGTERM', resolve);
  });
  clearTimeout(timer);
  await watcher.close();
  await running;
  return code;
}
