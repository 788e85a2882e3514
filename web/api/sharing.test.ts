import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { sharing } from './sharing.ts';

describe('sharing what is as it was', () => {
  it('keeps the objects of parts that are the same, and takes those that are not', () => {
    const before = { here: { place: [1, 2, 3] }, dug: 0.5, told: ['a'] };
    const now = sharing(before, { here: { place: [1, 2, 3] }, dug: 0.5, told: ['b'] });
    expect(now.here).toBe(before.here);
    expect(now.told).not.toBe(before.told);
    expect(now.told).toEqual(['b']);
  });

  it('has nothing to share at first', () => {
    const now = { here: {} };
    expect(sharing(undefined, now)).toBe(now);
  });

  it('is always what is now, whatever was before', () => {
    const part = fc.option(fc.jsonValue({ maxDepth: 2 }), { nil: undefined });
    const record = fc.record({ here: part, told: part, dug: part });
    fc.assert(
      fc.property(record, record, (before, now) => {
        expect(JSON.stringify(sharing(before, now))).toBe(JSON.stringify(now));
        expect(sharing(now, structuredClone(now))).toEqual(now);
        for (const name of ['here', 'told', 'dug'] as const)
          expect(sharing(now, structuredClone(now))[name]).toBe(now[name]);
      }),
    );
  });
});
