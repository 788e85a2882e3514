import { useNavigate } from 'react-router';
import { endpoints } from '../../core/api/index.ts';
import { call } from './client.ts';

/** A mod as it was: its name, and the revision. */
export interface Past {
  mod: string;
  revision: number;
}

/**
 * What an address calls a mod, taken apart; without a revision it is the mod as it is now.
 *
 * @example pastIn('saltmarsh@120') // { mod: 'saltmarsh', revision: 120 }
 */
export function pastIn(called: string): Past | undefined {
  const [, mod, revision] = /^(.+)@(\d{1,15})$/.exec(called) ?? [];
  return mod === undefined ? undefined : { mod, revision: Number(revision) };
}

/** What addresses call a mod as it was. */
export const calledThen = ({ mod, revision }: Past): string => `${mod}@${revision}`;

/** How a block is brought back from the past into the mod as it is now; goes there. */
export function useBringBack({ mod, revision }: Past): (block: string) => Promise<void> {
  const navigate = useNavigate();
  return async (block) => {
    const now = await call(endpoints.getMod, { mod });
    await call(
      endpoints.bringBack,
      { mod },
      { body: { block, revision }, baseRevision: now.revision },
    );
    void navigate(`/m/${mod}/blocks/${block}`);
  };
}
