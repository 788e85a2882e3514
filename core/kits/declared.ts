import type { Place } from '../json/index.ts';
import type { Mod } from '../mod/index.ts';

/**
 * What files of a target declare, in the form in which a mod is declared, so that every rule over a
 * declaration can be asked of it.
 */
export interface Declared {
  mod: Mod;
  /**
   * JSON Pointers of the parts that are there but could not be read: something stands in for them,
   * and nothing may be concluded from it.
   */
  unread: ReadonlySet<string>;
  /** The files, there or missing, of which nothing is known; what they say is not in the mod. */
  unreadFiles: readonly string[];
  /** The file of a part of the mod, and where in it that stands. */
  placeOf: (at: string) => { file: string; place: Place } | undefined;
}
