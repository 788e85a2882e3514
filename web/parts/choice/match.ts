/** Something that can be chosen: what stands for it, and what people read. */
export interface Option {
  value: string;
  label: string;
}

/** A choice as it may be written: a value that is its own label, or both. */
export type OptionLike = string | Option;

export const asOption = (given: OptionLike): Option =>
  typeof given === 'string' ? { value: given, label: given } : given;

/**
 * What a typed text means: the option that is called so, else the first one that is shown for it,
 * which is the first whose label holds it. Undefined when none does.
 *
 * @example firstMatch('bri', [{ value: 'glass', label: 'Glass' }, { value: 'brick', label: 'Brick' }])?.value
 * // 'brick'
 */
export function firstMatch(typed: string, options: readonly OptionLike[]): Option | undefined {
  const wanted = typed.trim().toLowerCase();
  const all = options.map(asOption);
  return (
    all.find(({ label }) => label.toLowerCase() === wanted) ??
    all.find(({ label }) => label.toLowerCase().includes(wanted))
  );
}
