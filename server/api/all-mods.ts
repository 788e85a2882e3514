import { Router } from 'express';
import { addressOf, endpoints } from '../../core/api/index.ts';
import { readZip, ZipProblem } from '../../core/bytes/index.ts';
import { readModFolder, type ModFolder } from '../../core/folder/index.ts';
import { blobsNamedIn, emptyMod } from '../../core/mod/index.ts';
import { moveToNamespace, TakeOverProblem } from '../../core/take-over/index.ts';
import { placeAt, readFolder } from '../../disk/index.ts';
import type { Links } from '../linked/links.ts';
import { Problem } from '../problem.ts';
import type { Store } from '../store/store.ts';
import { serveJson } from './serve-endpoint.ts';

/** What is needed to begin mods and to take them away. */
interface Parts {
  store: Store;
  links: Links;
  /** The folder of the demo mod. */
  demo: string | undefined;
}

const begun = (name: string) => ({
  body: { name },
  location: addressOf(endpoints.getMod, { mod: name }),
});

/** All mods: beginning them, and the bin. */
export function allModsRoutes({ store, links, demo }: Parts): Router {
  const routes = Router();

  serveJson(routes, endpoints.listMods, async () => ({ body: await store.names() }));

  serveJson(routes, endpoints.beginMod, async ({ body: { namespace, title } }) => {
    await store.addMod(emptyMod(namespace, title), new Map());
    return begun(namespace);
  });

  serveJson(routes, endpoints.bringMod, async ({ bytes }) => {
    const { mod, blobs } = modInZip(bytes);
    await store.addMod(mod, blobs);
    return begun(mod.header.namespace);
  });

  serveJson(routes, endpoints.beginDemo, async () => {
    if (demo === undefined)
      throw new Problem(409, 'No demo', 'This server was started without it.');
    const { mod, blobs } = readModFolder(await readFolder(demo));
    await store.addMod(mod, blobs);
    return begun(mod.header.namespace);
  });

  serveJson(routes, endpoints.duplicateMod, async ({ params, body: { namespace, title } }) => {
    const { mod } = await store.mod(params.mod);
    const digests = [...new Set(blobsNamedIn(mod).map(({ sha256 }) => sha256))];
    const moved = inNamespace(mod, namespace);
    await store.addMod(
      { ...moved, header: { ...moved.header, title } },
      await store.blobsOf(digests),
    );
    return begun(namespace);
  });

  serveJson(routes, endpoints.removeMod, async ({ params }) => {
    const isHere = (await store.names()).some(
      ({ name, removed }) => name === params.mod && removed === undefined,
    );
    // Both sides of a link stay whole; what is in the bin is nobody's folder.
    if (isHere) await links.unlink(params.mod);
    await store.remove(params.mod);
    return { body: { name: params.mod } };
  });

  serveJson(routes, endpoints.backup, async ({ body: { file, overwrite } }) => {
    const place = await placeAt(file);
    await store.backup(place, overwrite);
    return { body: { file: place } };
  });

  serveJson(routes, endpoints.restoreMod, async ({ params }) => {
    await store.restore(params.mod);
    return { body: { name: params.mod } };
  });
  return routes;
}

type Moved = ReturnType<typeof moveToNamespace>;

/** The mod under another namespace. Throws a 422 {@link Problem} for one that cannot be. */
function inNamespace(mod: Moved, namespace: string): Moved {
  try {
    return moveToNamespace(mod, namespace);
  } catch (error) {
    if (error instanceof TakeOverProblem) throw new Problem(422, 'Name refused', error.message);
    throw error;
  }
}

/** The mod in a packed mod folder. Throws a 422 {@link Problem} that names the first mistake. */
function modInZip(bytes: Uint8Array): Pick<ModFolder, 'mod' | 'blobs'> {
  try {
    const folder = readModFolder(readZip(bytes));
    const [first] = folder.problems;
    if (!first) return folder;
    throw new Problem(422, 'No mod', `${first.file}: ${first.message}`);
  } catch (error) {
    if (error instanceof ZipProblem) throw new Problem(422, 'No mod', error.message);
    throw error;
  }
}
