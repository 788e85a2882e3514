import { applyChanges, idOf, ownName, referencesIn, type Change, type Mod } from '../mod/index.ts';
import { TakeOverProblem } from './problem.ts';

/**
 * The mod under another namespace: every id of its own follows, wherever it is named. Saved worlds
 * know its blocks under the old one. Throws a {@link TakeOverProblem} for the stock's namespace.
 *
 * @example moveToNamespace(mod, 'brinework').header.namespace // 'brinework'
 */
export function moveToNamespace(mod: Mod, namespace: string): Mod {
  const before = mod.header.namespace;
  if (namespace === before) return mod;
  if (namespace === 'obrank')
    throw new TakeOverProblem('obrank is the namespace of the stock. Choose another one.');
  const changes = referencesIn(mod).flatMap(({ path, text }): Change[] => {
    const after = inNamespace(text, before, namespace);
    return after === text ? [] : [{ path, before: text, after }];
  });
  const moved = applyChanges(mod, changes);
  return { ...moved, header: { ...moved.header, namespace } };
}

/** An id, or one after a `#`, that is the old namespace's, in the new one; any other as it is. */
function inNamespace(text: string, before: string, namespace: string): string {
  const hash = text.startsWith('#') ? '#' : '';
  const own = text.includes(':') ? ownName(before, text.slice(hash.length)) : undefined;
  return own === undefined ? text : hash + idOf(namespace, own);
}
