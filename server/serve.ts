import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { destination, pino } from 'pino';
import { readModFolder } from '../core/folder/index.ts';
import { DiskProblem, readFolder } from '../disk/index.ts';
import { makeApp } from './app.ts';
import { openDatabase } from './store/database.ts';
import { Store } from './store/store.ts';

export interface ServerOptions {
  port: number;
  /** The folder of the database. */
  data: string;
  /** The folder of the built page. */
  pages?: string;
  /** The folder of the mod that a new database begins with. */
  demo?: string;
}

/** Starts the server on this machine alone. Throws a {@link DiskProblem} with one sentence when the port is taken or the data cannot be opened. */
export async function startServer({ port, data, pages, demo }: ServerOptions): Promise<{ address: string; close: () => Promise<void> }> {
  const log = pino({ name: 'obrank', level: process.env['OBRANK_LOG'] ?? 'warn' }, destination({ fd: 2, sync: true }));
  let store: Store;
  try {
    store = new Store(await openDatabase(data));
  } catch (error) {
    if (/locked|busy/i.test((error as Error).message)) throw new DiskProblem(`The data folder ${data} is in use by another Obrank. Stop that one, or choose another folder with --data.`);
    throw new DiskProblem(`The data folder ${data} cannot be opened: ${(error as Error).message}. Choose another with --data.`);
  }
  if (demo && (await store.names()).length === 0) {
    const { mod, blobs } = readModFolder(await readFolder(demo));
    await store.addMod(mod, blobs);
  }
  let server: Server;
  try {
    server = await new Promise<Server>((resolve, reject) => {
      const listening = makeApp(store, log, pages).listen(port, '127.0.0.1', (error?: Error) => (error ? reject(error) : resolve(listening)));
    });
  } catch (error) {
    await store.close();
    const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
    throw new DiskProblem(taken ? `Port ${port} is taken by another program. Choose another with --port, or stop that program.` : `The server could not start on port ${port}: ${(error as Error).message}`);
  }
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await store.close();
    },
  };
}
