/** One line of a curve; `low` and `high` are the bounds of an estimate, drawn as a band. */
export interface Line {
  name: string;
  values: readonly number[];
  low?: readonly number[];
  high?: readonly number[];
  dash?: readonly number[];
}

export interface CurveProps {
  label: string;
  x: { label: string; values: readonly (number | string)[] };
  y: string;
  lines: readonly Line[];
  /** How a value is said. */
  say: (value: number) => string;
  most?: number;
  /**
   * Values that have nothing between them: the first as bars, others as points with their bounds.
   */
  bars?: boolean;
}

/** The colours of the lines, in their order. */
export const hues = ['--brass-deep', '--tide', '--brick', '--moss'] as const;
