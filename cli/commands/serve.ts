import path from 'node:path';
import { DiskProblem } from '../../disk/index.ts';
import { dataFolder } from './data-folder.ts';
import { startServer } from '../../server/serve.ts';

export interface ServeOptions {
  port?: string;
  data?: string;
}

/**
 * Starts the application, with the mod of a folder where one is named, and runs until it is
 * stopped. Flags win over the environment.
 */
export async function serve(folder: string | undefined, options: ServeOptions): Promise<number> {
  const root = process.env['OBRANK_ROOT'] ?? process.cwd();
  const given = options.port ?? process.env['OBRANK_PORT'] ?? '4180';
  const port = Number(given);
  if (!/^\d+$/.test(given) || port > 65_535)
    throw new DiskProblem(`"${given}" is no port: use a number from 0 to 65535.`);
  const data = dataFolder(options.data);
  const server = await startServer({
    port,
    data,
    root,
    pages: path.join(root, 'dist/web'),
    demo: path.join(root, 'demo/saltmarsh'),
    ...(folder === undefined ? {} : { folder: path.resolve(folder) }),
  });
  const opened = server.mod === undefined ? '' : `/m/${server.mod}`;
  console.log(
    `Obrank is at ${server.address}${opened}\nYour mods are kept in ${data}\nStop it with Ctrl C.`,
  );
  await new Promise<void>((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => resolve());
  });
  await server.close();
  return 0;
}
