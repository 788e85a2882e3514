import { addressOf, endpoints } from '../../core/api/index.ts';
import { facets, type Facet } from '../../core/inspect/index.ts';

/** Where the bytes of a picture or sound are, by their digest. */
export const blobAddress = (sha256: string): string => addressOf(endpoints.getBlob, { sha256 });

/** Where one is, from an address: the block, the facet and the state that it names. */
export interface Place {
  block?: string;
  facet?: Facet;
  state?: number;
}

/**
 * What an address of the bench names. `placeIn('/m/saltmarsh/blocks/brine/looks', '?state=3')` is
 * brine, Looks, 3.
 */
export function placeIn(pathname: string, search: string): Place {
  const [, , , kind, block, facet] = pathname.split('/');
  if (kind !== 'blocks' || !block) return {};
  const state = new URLSearchParams(search).get('state');
  return {
    block: decodeURIComponent(block),
    facet: facets.find((one) => one.toLowerCase() === facet),
    state: state !== null && /^\d{1,9}$/.test(state) ? Number(state) : undefined,
  };
}

/**
 * Where one is at this moment. Keys may come faster than pages are drawn, so they go by this and
 * not by what is drawn.
 */
export const placeNow = (): Place => placeIn(window.location.pathname, window.location.search);

/**
 * The address of a block on the bench, or of a new look, below that of the mod: names of new looks
 * hold a slash.
 */
export const benchPath = (block: string, facet?: string): string =>
  `blocks/${encodeURIComponent(block)}${facet === undefined ? '' : `/${facet.toLowerCase()}`}`;

/** The address of a model on the desk, below that of the mod: names of models may hold slashes. */
export const deskPath = (model: string, station?: string): string =>
  `models/${encodeURIComponent(model)}${station === undefined ? '' : `/${station}`}`;

/** The address of a texture on its desk, below that of the mod: names of textures may hold slashes. */
export const texturePath = (texture: string, station?: string): string =>
  `textures/${encodeURIComponent(texture)}${station === undefined ? '' : `/${station}`}`;

/** The address of a kit of the mod's own, below that of the mod. */
export const kitPath = (name: string, station?: string): string =>
  `kits/${name}${station ? `?station=${station.toLowerCase()}` : ''}`;

/** The address of a fluid below that of the mod. */
export const fluidPath = (name: string, station?: string): string =>
  `fluids/${name}${station ? `?station=${station.toLowerCase()}` : ''}`;
