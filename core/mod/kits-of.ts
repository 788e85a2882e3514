import type { Header } from './entries.schema.ts';

/**
 * The kits that a mod is built for, each once: the one that is asked first, and the others.
 *
 * @example kitsOf({ ...header, kit: 'block-pack', alsoFor: ['notes'] }) // ['block-pack', 'notes']
 */
export const kitsOf = ({ kit, alsoFor = [] }: Pick<Header, 'kit' | 'alsoFor'>): string[] => [
  ...new Set([kit, ...alsoFor]),
];
