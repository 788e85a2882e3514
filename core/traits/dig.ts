import type { ResolvedBlock } from '../mod/resolve.ts';
import type { Header } from '../mod/entries.schema.ts';
import type { ToolKind } from '../mod/traits.ts';

/** What one digs with: bare hands, or a kind of tool of a grade of the ladder. */
export type Tool = 'bare hands' | { kind: ToolKind; grade: number };

export interface DigTime {
  /** Seconds, rounded up to whole ticks; undefined when it cannot be dug. */
  seconds: number | undefined;
  ticks: number | undefined;
  /** False when the block is gated and the tool is not the right one. */
  yields: boolean;
}

/** What digging asks of a block. */
export type Diggable = Pick<
  ResolvedBlock['traits'],
  'hardness' | 'toolKind' | 'leastGrade' | 'gated'
>;

/** True when the tool is of the block's kind and of enough grade. */
export const isRightTool = (block: Diggable, tool: Tool): boolean =>
  tool !== 'bare hands' && tool.kind === block.toolKind && tool.grade >= block.leastGrade;

/**
 * Whether some tool of the ladder makes a block yield. Where none does, all that follows from it is
 * no mistake of its own.
 */
export function isYielding(block: Diggable, { tools }: Pick<Header, 'tools'>): boolean {
  if (!block.gated) return true;
  const { toolKind, leastGrade } = block;
  return toolKind !== 'none' && Boolean(tools.kinds[toolKind]) && leastGrade < tools.grades.length;
}

/**
 * What an engine does otherwise than the reference physics: its ticks a second, and how many times
 * longer the wrong tool takes on a gated block.
 */
export interface DigPhysics {
  tickRate: number;
  wrongTool: number;
}

/** How many times longer the wrong tool takes on a gated block in the reference physics. */
export const wrongToolTakes = 3;

/**
 * How long digging takes in the reference physics of the Block Pack: hardness in seconds with bare
 * hands; the right tool divides by its grade's pace; a gated block without the right tool takes
 * three times as long and yields nothing. Up to whole ticks. A kit's own physics may be given
 * instead.
 *
 * @example digTime(tideLantern, { kind: 'pick', grade: 1 }, header)
 * // hardness 3.2, pace 3.4: 0.941 s, so 19 ticks, 0.95 s
 */
export function digTime(
  block: Diggable,
  tool: Tool,
  header: Pick<Header, 'tickRate' | 'tools'>,
  { tickRate, wrongTool }: DigPhysics = { tickRate: header.tickRate, wrongTool: wrongToolTakes },
): DigTime {
  const right = isRightTool(block, tool);
  const yields = right || !block.gated;
  if (block.hardness === 'unbreakable')
    return { seconds: undefined, ticks: undefined, yields: false };
  const pace = right && tool !== 'bare hands' ? (header.tools.grades[tool.grade]?.pace ?? 1) : 1;
  const seconds = (block.hardness / pace) * (block.gated && !right ? wrongTool : 1);
  // A billionth is taken off first, so that 0.95 s at 20 ticks a second is 19 ticks and not, by
  // rounding noise, 20.
  const ticks = Math.max(0, Math.ceil(seconds * tickRate - 1e-9));
  return { seconds: ticks / tickRate, ticks, yields };
}

/** Everything one may dig with: bare hands, then the given kind at every grade. */
export const toolsOf = (header: Pick<Header, 'tools'>, kind: ToolKind | 'none'): Tool[] => [
  'bare hands',
  ...(kind === 'none' ? [] : header.tools.grades.map((_, grade) => ({ kind, grade }))),
];

/** A tool in words: `bronze pick`. */
export const toolName = (tool: Tool, header: Pick<Header, 'tools'>): string =>
  tool === 'bare hands'
    ? tool
    : `${header.tools.grades[tool.grade]?.name ?? `grade ${tool.grade}`} ${tool.kind}`;

/** Digging that takes less than this many seconds is not felt as waiting. */
export const bearableSeconds = 1;

/**
 * The humblest tool with which digging is bearable and yields a drop: bare hands before the lowest
 * grade before the next. Undefined when there is none.
 *
 * @example firstBearable(tideLantern, header) // { kind: 'pick', grade: 1 }: 0.95 s
 */
export const firstBearable = (
  block: Diggable,
  header: Pick<Header, 'tickRate' | 'tools'>,
): Tool | undefined =>
  toolsOf(header, block.toolKind).find((tool) => {
    const { seconds, yields } = digTime(block, tool, header);
    return yields && seconds !== undefined && seconds < bearableSeconds;
  });
