import { idOf, lookUp, ownName, type Mod } from '../mod/index.ts';
import { closest } from '../words/index.ts';

/**
 * The tags that kinds of tools dig although the mod has no such tag, with the one that was meant.
 * A kind of tool that digs nothing yet has no tag either; only a near miss says that one was meant.
 */
export function misspeltToolTags({
  header: { namespace, tools },
  blockTags,
}: Pick<Mod, 'header' | 'blockTags'>): Map<string, string> {
  const tags = Object.values(tools.kinds).map(({ tag }) => tag);
  const dug = new Set(tags);
  const free = () => Object.keys(blockTags).filter((name) => !dug.has(idOf(namespace, name)));
  return new Map(
    tags.flatMap((tag): [string, string][] => {
      const own = ownName(namespace, tag);
      const near = own === undefined || lookUp(blockTags, own) ? undefined : closest(own, free());
      // Of two that are near, the nearer one was meant.
      const isMeant = near !== undefined && closest(idOf(namespace, near), tags) === tag;
      return isMeant ? [[tag, idOf(namespace, near)]] : [];
    }),
  );
}
