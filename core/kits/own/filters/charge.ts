/**
 * About how many values something holds, for what it costs to go through it: lists by their items,
 * a few levels deep.
 */
export function mostCharged(value: unknown, depth = 3): number {
  if (!Array.isArray(value) || depth === 0) return 1;
  return value.reduce<number>((sum, item) => sum + mostCharged(item, depth - 1), 1);
}
