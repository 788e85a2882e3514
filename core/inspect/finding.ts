import type { Place } from '../json/index.ts';
import { severities, type RuledReport, type Severity } from '../kits/index.ts';
import type { FileChange } from '../mend/index.ts';
import type { Change } from '../mod/index.ts';
import type { Mending } from '../textures/mending/index.ts';

/** A way to mend a finding, as data: the runner's callers apply it, never the rule. */
export interface Fix {
  title: string;
  /** Of the declaration. */
  changes: Change[];
  /** Of files as such, for findings over files. */
  files?: FileChange[];
}

/**
 * A way to put a picture itself right, as data: whoever has its bytes does it, since a declaration
 * holds only what is said of them.
 */
export interface PictureMend {
  title: string;
  /** The texture, by its name. */
  texture: string;
  mending: Mending;
}

/** What inspection reports. */
export interface Finding {
  rule: string;
  severity: Severity;
  /** One full sentence about the user's own names. */
  message: string;
  /**
   * What lies at the bottom of it, as a sentence: findings of one rule with the same cause are one
   * mistake at several places.
   */
  cause?: string;
  /** The block it concerns, by name, where it concerns one. */
  block?: string;
  /** The station of the spine that it belongs to. */
  facet: Facet;
  /** JSON Pointer into the mod, for findings over the declaration. */
  at?: string;
  /** File, pointer and place, for findings over files. */
  file?: string;
  place?: Place;
  /** The kits that it is found for, by name, where not for all that the mod is built for. */
  kits?: string[];
  fix?: Fix;
  /** Another way: not what is declared is changed, but the picture that it is said of. */
  mend?: PictureMend;
}

/** The ten stations of the spine, in the order of the job. */
export const facets = [
  'Identity',
  'Traits',
  'States',
  'Looks',
  'Textures',
  'Loot',
  'Reactions',
  'Tags',
  'Names',
  'Registry',
] as const;
export type Facet = (typeof facets)[number];

const rooms = new Map<string, Facet>([
  ['families', 'Identity'],
  ['fluids', 'Traits'],
  ['kits', 'Identity'],
  ['models', 'Looks'],
  ['recipes', 'Loot'],
]);

/**
 * The station at which a rule's findings show. Models belong to looks, recipes to loot; files and
 * packs are shown at the registry.
 */
export function facetOf(rule: string): Facet {
  const room = rule.slice(0, rule.indexOf('/'));
  const found = facets.find((facet) => facet.toLowerCase() === room);
  return found ?? rooms.get(room) ?? 'Registry';
}

/**
 * Most severe first, then by rule, place and words: the order in which findings are always listed.
 */
export const byWeight = (a: Finding, b: Finding): number =>
  severities.indexOf(a.severity) - severities.indexOf(b.severity) ||
  compare(a.rule, b.rule) ||
  compare(a.file ?? a.at ?? '', b.file ?? b.at ?? '') ||
  (a.place?.line ?? 0) - (b.place?.line ?? 0) ||
  compare(a.message, b.message);

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** A report over a file as a finding. */
export const fileFinding = ({
  place = { line: 1, column: 1 },
  fix,
  ...report
}: RuledReport): Finding => ({
  ...report,
  ...(fix && { fix: { ...fix, changes: [] } }),
  facet: facetOf(report.rule),
  place,
});
