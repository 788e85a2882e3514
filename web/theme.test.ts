import { describe, expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { theme, variables } from './theme.ts';

/** Relative luminance and contrast as WCAG 2.2 defines them (1.4.3). */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((at) => Number.parseInt(hex.slice(at, at + 2), 16) / 255)
    .map((value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
const contrast = (a: string, b: string): number => {
  const [dark, light] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (light! + 0.05) / (dark! + 0.05);
};

const { light, dark } = variables({} as never) as unknown as {
  light: Record<string, string>;
  dark: Record<string, string>;
};
/** Each pair of ink and ground that stands together somewhere in the interface. */
const texts = [
  ['--ink', '--paper'],
  ['--ink', '--panel'],
  ['--ink', '--paper-deep'],
  ['--ink', '--brass-soft'],
  ['--ink', '--moss-soft'],
  ['--ink', '--brick-soft'],
  ['--soft', '--paper'],
  ['--soft', '--panel'],
  ['--soft', '--paper-deep'],
  ['--tide', '--paper'],
  ['--tide', '--panel'],
  ['--on-tide', '--tide'],
  ['--tide', '--tide-soft'],
  ['--brick', '--brick-soft'],
  ['--brick', '--panel'],
  ['--brick', '--paper'],
  ['--brass-deep', '--brass-soft'],
  ['--brass-deep', '--panel'],
  ['--brass-deep', '--paper-deep'],
  ['--moss', '--moss-soft'],
  ['--bar-ink', '--bar'],
  ['--bar-soft', '--bar'],
] as const;

test("WCAG's own examples", () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5);
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
});

describe.each([
  ['day', light],
  ['night', dark],
] as const)('by %s', (_, colours) => {
  test.each(texts)('%s on %s can be read (AA, 4.5 : 1)', (ink, ground) => {
    expect(contrast(colours[ink]!, colours[ground]!)).toBeGreaterThanOrEqual(4.5);
  });

  test('marks that carry a meaning stand out from their ground (3 : 1)', () => {
    for (const mark of ['--tide', '--brick', '--brass-deep'])
      expect(contrast(colours[mark]!, colours['--panel']!)).toBeGreaterThanOrEqual(3);
  });
});

test('the main action is dark ink on brass, by day and by night', () =>
  expect(contrast('#1c2a30', light['--brass']!)).toBeGreaterThanOrEqual(4.5));

test('buttons: white on tide by day, dark on tide by night', () => {
  const tide = theme.colors!['tide']!;
  const { light: day, dark: night } = theme.primaryShade as { light: number; dark: number };
  expect(contrast('#ffffff', tide[day]!)).toBeGreaterThanOrEqual(4.5);
  expect(contrast('#000000', tide[night]!)).toBeGreaterThanOrEqual(4.5);
});

test('no text of ours is smaller than 11 px, and every variable that a style names exists', () => {
  const styles = readdirSync('web', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.css'))
    .map((file) => readFileSync(`web/${file}`, 'utf8'))
    .join('\n');
  for (const [, size] of styles.matchAll(/(?:font-size:|font:[^;]*?)\s*([\d.]+)px/g))
    expect(Number(size)).toBeGreaterThanOrEqual(10.99);
  for (const [, name] of styles.matchAll(/var\((--[a-z-]+)\)/g))
    expect(Object.keys(light)).toContain(name);
  expect(Object.keys(dark)).toEqual(Object.keys(light));
});
