import { expect, test } from '@jest/globals';
import { emptyMod, stockNamed, toolKinds } from '../mod/index.ts';
import {
  digTime,
  firstBearable,
  isRightTool,
  lightReach,
  readingLevel,
  toolName,
  toolsOf,
  type Tool,
} from './index.ts';

const { header } = emptyMod('saltmarsh', 'Saltmarsh');
const lantern = { hardness: 3.2, toolKind: 'pick' as const, leastGrade: 0, gated: true };
const pick = (grade: number): Tool => ({ kind: 'pick', grade });

test.each<[string, Parameters<typeof digTime>[0], Tool, number, number, boolean]>([
  // by hand: 3.2 × 3 = 9.6; 3.2 / 2 = 1.6; 3.2 / 3.4 = 0.9412 → 18.82 → 19 ticks; 3.2 / 5 = 0.64 →
  // 12.8 → 13 ticks
  ['a gated lantern, bare hands', lantern, 'bare hands', 192, 9.6, false],
  ['a gated lantern, flint', lantern, pick(0), 32, 1.6, true],
  ['a gated lantern, bronze', lantern, pick(1), 19, 0.95, true],
  ['a gated lantern, steel', lantern, pick(2), 13, 0.65, true],
  ['a gated lantern, the wrong tool', lantern, { kind: 'axe', grade: 2 }, 192, 9.6, false],
  ['too low a grade', { ...lantern, leastGrade: 1 }, pick(0), 192, 9.6, false],
  [
    'not gated, the wrong tool',
    { ...lantern, gated: false },
    { kind: 'axe', grade: 2 },
    64,
    3.2,
    true,
  ],
  [
    'already whole ticks: 0.95 × 20',
    { ...lantern, hardness: 0.95, gated: false },
    'bare hands',
    19,
    0.95,
    true,
  ],
  ['no time at all', { ...lantern, hardness: 0, gated: false }, 'bare hands', 0, 0, true],
])('%s', (_, block, tool, ticks, seconds, yields) => {
  expect(digTime(block, tool, header)).toEqual({ ticks, seconds, yields });
});

test('what is unbreakable is never dug', () =>
  expect(digTime({ ...lantern, hardness: 'unbreakable' }, pick(2), header)).toEqual({
    seconds: undefined,
    ticks: undefined,
    yields: false,
  }));

test('a better grade is never slower, for every stock material', () => {
  for (const kind of toolKinds) {
    const times = [0, 1, 2].map(
      (grade) => digTime(stockNamed('granite')!.traits, { kind, grade }, header).ticks!,
    );
    expect([...times].sort((a, b) => b - a)).toEqual(times);
  }
});

test('tools have names, bare hands first', () => {
  expect(toolsOf(header, 'pick').map((tool) => toolName(tool, header))).toEqual([
    'bare hands',
    'flint pick',
    'bronze pick',
    'steel pick',
  ]);
  expect(toolsOf(header, 'none')).toEqual(['bare hands']);
  expect(isRightTool(lantern, 'bare hands')).toBe(false);
});

test('light of 13 reads 6 blocks away and is gone at 13', () => {
  expect(lightReach(13, readingLevel)).toBe(6);
  expect(lightReach(13, 0)).toBe(13);
  expect(lightReach(4, readingLevel)).toBe(0);
});

test('the number of ticks follows from the tick rate, never below the time itself', () => {
  for (const tickRate of [10, 20, 60]) {
    const { ticks, seconds } = digTime(lantern, pick(1), { ...header, tickRate });
    expect(seconds).toBeGreaterThanOrEqual(3.2 / 3.4);
    expect(seconds! - 3.2 / 3.4).toBeLessThan(1 / tickRate);
    expect(ticks).toBe(Math.round(seconds! * tickRate));
  }
});

test(
  'the first tool that makes it bearable: under a second, with a drop, the humblest ' + 'first',
  () => {
    expect(firstBearable(lantern, header)).toEqual(pick(1));
    expect(firstBearable({ ...lantern, leastGrade: 2 }, header)).toEqual(pick(2));
    expect(firstBearable({ ...lantern, hardness: 0.3, gated: false }, header)).toBe('bare hands');
    // Fast enough by hand, but nothing drops.
    expect(firstBearable({ ...lantern, hardness: 0.3 }, header)).toEqual(pick(0));
    expect(firstBearable({ ...lantern, hardness: 5 }, header)).toBeUndefined();
    expect(firstBearable({ ...lantern, hardness: 'unbreakable' }, header)).toBeUndefined();
  },
);

/**
 * Worked by hand. Hardness 8 and 2.8; paces 2, 3.4 and 5; ticks of 1/20 s, or of 1/10 s where the
 * wrong tool takes four times as long.
 */
test.each<
  [
    string,
    Partial<Parameters<typeof digTime>[0]>,
    Parameters<typeof digTime>[1],
    [number, boolean],
    [number, boolean],
  ]
>([
  [
    'granite, bare hands: 8 × 3; × 4',
    { hardness: 8, toolKind: 'pick', gated: true },
    'bare hands',
    [480, false],
    [320, false],
  ],
  [
    'granite, flint pick: 8 ÷ 2',
    { hardness: 8, toolKind: 'pick', gated: true },
    { kind: 'pick', grade: 0 },
    [80, true],
    [40, true],
  ],
  [
    'granite, bronze pick: 8 ÷ 3.4 = 2.353 s',
    { hardness: 8, toolKind: 'pick', gated: true },
    { kind: 'pick', grade: 1 },
    [48, true],
    [24, true],
  ],
  [
    'granite, steel axe: the wrong kind',
    { hardness: 8, toolKind: 'pick', gated: true },
    { kind: 'axe', grade: 2 },
    [480, false],
    [320, false],
  ],
  [
    'granite that asks for bronze, flint pick: too low',
    { hardness: 8, toolKind: 'pick', gated: true, leastGrade: 1 },
    { kind: 'pick', grade: 0 },
    [480, false],
    [320, false],
  ],
  [
    'timber, bare hands: not gated',
    { hardness: 2.8, toolKind: 'axe', gated: false },
    'bare hands',
    [56, true],
    [28, true],
  ],
  [
    'timber, steel axe: 0.56 s',
    { hardness: 2.8, toolKind: 'axe', gated: false },
    { kind: 'axe', grade: 2 },
    [12, true],
    [6, true],
  ],
])('%s', (_, block, tool, [ticks, yields], [there, yieldsThere]) => {
  const whole = { hardness: 1, toolKind: 'none' as const, leastGrade: 0, gated: false, ...block };
  const { header } = emptyMod('saltmarsh', 'Saltmarsh');
  expect(digTime(whole, tool, header)).toEqual({ ticks, seconds: ticks / 20, yields });
  expect(digTime(whole, tool, header, { tickRate: 10, wrongTool: 4 })).toEqual({
    ticks: there,
    seconds: there / 10,
    yields: yieldsThere,
  });
});
