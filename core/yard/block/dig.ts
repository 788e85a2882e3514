import type { PackWorld, YardBlock } from '../pack-world.ts';

/** What somebody digs with: a kind and a grade, counted from 0; bare hands where there is none. */
export interface Tool {
  kind: string;
  grade: number;
}

/** How long digging takes, in whole ticks and so many seconds, and whether what is dug yields its drop. */
export interface Dug {
  seconds: number;
  ticks: number;
  yields: boolean;
}

/** How many times longer a gated block takes that is not dug with the right tool. */
const wrongTool = 3;
/** What the sum of some binary fractions may be off; no tick is begun for it. */
const tiny = 1e-9;

/** Whether a tool is of the kind that a block names, and of at least its grade. */
export const isRightTool = ({ tool }: Pick<YardBlock, 'tool'>, hand: Tool | undefined): boolean =>
  tool !== undefined && hand?.kind === tool.kind && hand.grade >= tool.leastGrade;

/**
 * How long a block is dug, by the section Reference physics of the format. Undefined for what
 * nothing digs.
 *
 * @example dug(lantern, { kind: 'pick', grade: 1 }, world)?.ticks // 19
 */
export function dug(
  { hardness, tool, gated }: YardBlock,
  hand: Tool | undefined,
  { tools, tickRate }: Pick<PackWorld, 'tools' | 'tickRate'>,
): Dug | undefined {
  if (hardness === 'unbreakable') return undefined;
  const isRight = isRightTool({ tool }, hand);
  const pace = isRight && hand ? (tools.grades[hand.grade]?.pace ?? 1) : 1;
  const isGated = gated && !isRight;
  const exact = isGated ? hardness * wrongTool : hardness / pace;
  const ticks = Math.ceil(exact * tickRate - tiny);
  return { seconds: ticks / tickRate, ticks, yields: !isGated };
}

/** Bare hands, then every kind of tool in every grade. */
export const handsOf = ({ kinds, grades }: PackWorld['tools']): (Tool | undefined)[] => [
  undefined,
  ...kinds.flatMap((kind) => grades.map((_, grade) => ({ kind, grade }))),
];
