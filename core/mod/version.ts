import validRange from 'semver/ranges/valid.js';

/**
 * Whether a text is a range of versions, as `^1.2.0` or `>=1.2.0 <2.0.0`.
 *
 * @example isVersionRange('1.x') // true
 */
export const isVersionRange = (text: string): boolean =>
  text.trim() !== '' && validRange(text) !== null;

/** The parts of a version that a release can raise, from the smallest change to the largest. */
export const versionParts = ['patch', 'minor', 'major'] as const;
export type VersionPart = (typeof versionParts)[number];

/**
 * The version that follows when a part of it is raised (Semantic Versioning 2.0.0, 9 and 11): what
 * is smaller begins at 0, and a pre-release of just that version becomes it.
 *
 * @example nextVersion('0.3.0', 'minor') // '0.4.0'
 */
export function nextVersion(version: string, part: VersionPart): string {
  const [, core = '', before] = /^([\d.]+)(-[^+]*)?/.exec(version) ?? [];
  const [major = 0, minor = 0, patch = 0] = core.split('.').map(Number);
  const isBefore = before !== undefined;
  const isDue = {
    patch: isBefore,
    minor: isBefore && patch === 0,
    major: isBefore && patch === 0 && minor === 0,
  }[part];
  if (isDue) return core;
  return {
    patch: `${major}.${minor}.${patch + 1}`,
    minor: `${major}.${minor + 1}.0`,
    major: `${major + 1}.0.0`,
  }[part];
}
