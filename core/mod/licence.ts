import correct from 'spdx-correct';
import parse from 'spdx-expression-parse';

/** What a text says of a licence: what every tool knows, something near to that, or words. */
export type LicenceSaid = { kind: 'known' } | { kind: 'near'; meant: string } | { kind: 'words' };

/** Longer texts are words in any case. */
const longestId = 80;

/**
 * Whether a licence is an expression of SPDX identifiers (SPDX Specification 2.3, annex D), nearly
 * one, or the author's own words.
 *
 * @example licenceSaid('Apache 2') // { kind: 'near', meant: 'Apache-2.0' }
 */
export function licenceSaid(text: string): LicenceSaid {
  if (isExpression(text)) return { kind: 'known' };
  const meant = text.length <= longestId ? nearest(text) : null;
  return meant === null ? { kind: 'words' } : { kind: 'near', meant };
}

function isExpression(text: string): boolean {
  try {
    parse(text);
    return true;
  } catch {
    return false;
  }
}

/** What a text may have been meant to be. A text like `+` makes the library itself throw. */
function nearest(text: string): string | null {
  try {
    return text.trim() === '' ? null : correct(text);
  } catch {
    return null;
  }
}
