/** Odds in hundredths; what is nearly sure is never said to be sure. */
export function percent(odds: number): string {
  if (odds > 0.995 && odds < 1) return '> 99%';
  if (odds < 0.005 && odds > 0) return '< 1%';
  return `${Math.round(odds * 100)}%`;
}
