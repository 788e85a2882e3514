import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isOrientation, orientations, usualTop } from '../space/index.ts';
import { coverage, expandRows, StateSpace, type Property } from '../states/index.ts';
import { spreadRows, turnedCandidate, withOrientation, type Candidate } from './index.ts';

const heading: Property = { name: 'heading', kind: 'heading', default: 'south' };
const side: Property = { name: 'side', kind: 'direction', default: 'up' };
const axis: Property = { name: 'axis', kind: 'axis', default: 'y' };
const lit: Property = { name: 'lit', kind: 'toggle', default: false };
const asRows = (rows: NonNullable<ReturnType<typeof spreadRows>>) =>
  rows.map(({ when, use }) => ({ when, value: use }));

test(
  'an orientation is written only as far as it is not the usual one, and is read back ' +
    'as it was',
  () =>
    fc.assert(
      fc.property(fc.constantFrom(...orientations), (orientation) => {
        const candidate: Candidate = withOrientation(
          { model: 'a:b', front: 'up', top: 'west', share: 2 },
          orientation,
        );
        const { front = 'south', top = usualTop(front) } = candidate;
        expect({ front, top }).toEqual(orientation);
        expect(candidate.share).toBe(2);
        expect('top' in candidate).toBe(orientation.top !== usualTop(orientation.front));
        expect(withOrientation(candidate, { front: 'south', top: 'up' })).toEqual({
          model: 'a:b',
          share: 2,
        });
      }),
    ),
);

test(
  'spread along a heading each state faces its own, whatever else the state is, and ' +
    'what it shows stays',
  () => {
    const space = new StateSpace([lit, heading]);
    const rows = spreadRows(
      [
        {
          when: { lit: true },
          value: [
            { model: 'a:lit', share: 3 },
            { model: 'a:bright', top: 'down' as const },
          ],
        },
        { value: [{ model: 'a:dark' }] },
      ],
      space,
      1,
    )!;
    const shown = expandRows(asRows(rows), space);
    shown.forEach((use, state) => {
      const { lit: on, heading: to } = space.decode(state);
      expect(use!.map(({ model }) => model)).toEqual(on ? ['a:lit', 'a:bright'] : ['a:dark']);
      expect(use!.map(({ front = 'south' }) => front)).toEqual(use!.map(() => to));
      if (on) expect([use![0]!.share, use![1]!.top]).toEqual([3, 'down']);
    });
    expect(coverage(asRows(rows), space).dead).toEqual([]);
  },
);

test(
  'spread along a direction or an axis every orientation is one of the 24, and no two ' +
    'states look alike',
  () => {
    for (const property of [side, axis]) {
      const space = new StateSpace([property]);
      const shown = expandRows(
        asRows(spreadRows([{ value: [{ model: 'a:b' }] }], space, 0)!),
        space,
      );
      const turned = shown.map(([use]: Candidate[] = []) => ({
        front: use!.front ?? 'south',
        top: use!.top ?? usualTop(use!.front ?? 'south'),
      }));
      expect(turned.every(isOrientation)).toBe(true);
      expect(new Set(turned.map((one) => JSON.stringify(one))).size).toBe(space.size);
    }
    expect(turnedCandidate({ model: 'a:b', upright: true }, 'x')).toEqual({
      model: 'a:b',
      top: 'east',
      upright: true,
    });
  },
);

test('where a state shows nothing there is nothing to spread', () => {
  expect(
    spreadRows(
      [{ when: { lit: true }, value: [{ model: 'a:b' }] }],
      new StateSpace([lit, heading]),
      1,
    ),
  ).toBeUndefined();
});
