/**
 * An answer that is an error, as RFC 9457 has it: what happened, in words, and machine-readable
 * details beside.
 */
export class Problem extends Error {
  override name = 'Problem';

  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly more: Record<string, unknown> = {},
  ) {
    super(detail);
  }
}
