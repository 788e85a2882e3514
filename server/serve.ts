import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { destination, pino, type Logger } from 'pino';
import { readModFolder } from '../core/folder/index.ts';
import { DiskProblem, readFolder } from '../disk/index.ts';
import { makeApp } from './app.ts';
import { builderProgram, Builders } from './builds/index.ts';
import { maxConnections } from './limits.ts';
import { Links } from './linked/links.ts';
import { Problem } from './problem.ts';
import { collectBlobs } from './store/blobs.ts';
import { NamedPrograms } from './programs.ts';
import { openDatabase } from './store/database.ts';
import { History } from './store/history.ts';
import { noteRunning } from './store/running.ts';
import { Store } from './store/store.ts';
import { storageProblem } from './store/transaction.ts';

export interface ServerOptions {
  port: number;
  /** The folder of the database. */
  data: string;
  /** The folder of the built page. */
  pages?: string;
  /**
   * The folder of Obrank itself, in which its built programs lie; the working folder when left out.
   */
  root?: string;
  /** The folder of the mod that a new database begins with. */
  demo?: string;
  /** The folder of a mod to open, linked. */
  folder?: string;
}

/**
 * The database, with the demo in it when it is new. Throws a {@link DiskProblem} with one sentence.
 */
async function openStore(data: string, demo: string | undefined): Promise<Store> {
  const store = new Store(await openDatabase(data));
  try {
    if (demo && (await store.names()).length === 0) {
      const { mod, blobs } = readModFolder(await readFolder(demo));
      await store.addMod(mod, blobs);
    }
    return store;
  } catch (error) {
    await store.close();
    const storage = storageProblem(error);
    throw storage
      ? new DiskProblem(`The data folder ${data} cannot be used. ${storage.message}`)
      : error;
  }
}

/** So long after it began, and so often, the server looks for what nobody needs any more. */
const firstLookMs = 60_000;
const lookMs = 6 * 60 * 60 * 1000;

/** Empties the bin and takes pictures away that nothing can reach. Gives how to stop. */
function keepHouse(store: Store, log: Logger): () => void {
  const look = () =>
    void store
      .emptyBin()
      .then(() => store.transact((manager) => collectBlobs(manager, new Date())))
      .catch((error: unknown) => log.warn({ err: error }, 'house not kept'));
  const first = setTimeout(look, firstLookMs);
  const often = setInterval(look, lookMs);
  first.unref();
  often.unref();
  return () => {
    clearTimeout(first);
    clearInterval(often);
  };
}

/** A server that runs, and the mod whose folder it was asked to open. */
export interface RunningServer {
  address: string;
  mod?: string;
  close: () => Promise<void>;
}

/** Long enough for the largest body that is taken, even from a slow disk. */
const bodyPatienceMs = 60_000;

/**
 * Starts the server on this machine alone. Throws a {@link DiskProblem} with one sentence when the
 * port is taken or the data cannot be opened.
 */
export async function startServer({
  port,
  data,
  pages,
  demo,
  folder,
  root = process.cwd(),
}: ServerOptions): Promise<RunningServer> {
  const log = pino(
    { name: 'obrank', level: process.env['OBRANK_LOG'] ?? 'warn' },
    destination({ fd: 2, sync: true }),
  );
  // Who opens a folder of their own does not ask for the demo.
  const store = await openStore(data, folder === undefined ? demo : undefined);
  const links = new Links(store, log);
  const history = new History(store);
  history.follow(log);
  const stopKeeping = keepHouse(store, log);
  const programs = new NamedPrograms(data);
  const builders = new Builders(store, builderProgram(root));
  const server = createServer(
    { requestTimeout: bodyPatienceMs, headersTimeout: 10_000, connectionsCheckingInterval: 5_000 },
    makeApp({ store, links, history, demo, builders, programs, log }, pages),
  );
  server.maxConnections = maxConnections;
  let mod: string | undefined;
  try {
    await links.start();
    if (folder !== undefined) mod = await links.open(folder);
  } catch (error) {
    await links.end();
    await store.close();
    throw error instanceof Problem ? new DiskProblem(error.message) : error;
  }
  try {
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.listen(port, '127.0.0.1', resolve);
    });
  } catch (error) {
    await links.end();
    await store.close();
    const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
    throw new DiskProblem(
      taken
        ? `Port ${port} is taken by another program. Choose another with --port, or stop that ` +
            'program.'
        : `The server could not start on port ${port}: ${(error as Error).message}`,
    );
  }
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const takeBack = noteRunning(data, address);
  return {
    ...(mod === undefined ? {} : { mod }),
    address,
    close: async () => {
      takeBack();
      stopKeeping();
      builders.end();
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await links.end();
      await store.close();
    },
  };
}
