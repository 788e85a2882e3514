import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { chosenCandidates, drawnModels } from '../draw/index.ts';
import { heldUnder } from '../lists/index.ts';
import { applyChanges, emptyMod, resolveBlock, type Mod } from '../mod/index.ts';
import { templateNamed } from '../models/index.ts';
import {
  cornerOf,
  placedState,
  turningFlaw,
  turningOf,
  usualSituation,
  type Situation,
} from '../placing/index.ts';
import {
  compose,
  directions,
  facing,
  headings,
  opposite,
  orientBox,
  type Direction,
  type Heading,
} from '../space/index.ts';
import { StateSpace } from '../states/index.ts';
import { formNamed, forms, newBlock, rolesOf, type Form } from './index.ts';

/** A mod with one block of a form, all its pictures the same. */
function blockOf(form: Form) {
  const mod: Mod = emptyMod('saltmarsh', 'Saltmarsh');
  const pictures = Object.fromEntries(rolesOf(form).map((role) => [role, 'saltmarsh:salt']));
  const made = applyChanges(mod, newBlock(mod, 'it', 'It', { form, stock: 'timber', pictures }));
  return { mod: made, block: resolveBlock(made, 'it', heldUnder(made.blocks, 'it')) };
}

const named = (name: string): Form => {
  const form = formNamed(name);
  if (!form) throw new RangeError(`There is no form ${name}.`);
  return form;
};

/** The state in which a form is placed, as its values in order: `floor south false`. */
function placed(form: Form, situation: Partial<Situation>): string {
  const space = new StateSpace(form.properties);
  const state = placedState(form.placing, space, { ...usualSituation, ...situation });
  return Object.values(space.decode(state)).join(' ');
}

/** What is placed on each of six sides, by a player who looks north, east, south and west. */
const tables: Record<string, Record<Direction, string[]>> = {
  stair: {
    up: [
      'south lower straight',
      'west lower straight',
      'north lower straight',
      'east lower straight',
    ],
    down: [
      'south upper straight',
      'west upper straight',
      'north upper straight',
      'east upper straight',
    ],
    north: [
      'south lower straight',
      'west lower straight',
      'north lower straight',
      'east lower straight',
    ],
    east: [
      'south lower straight',
      'west lower straight',
      'north lower straight',
      'east lower straight',
    ],
    south: [
      'south lower straight',
      'west lower straight',
      'north lower straight',
      'east lower straight',
    ],
    west: [
      'south lower straight',
      'west lower straight',
      'north lower straight',
      'east lower straight',
    ],
  },
  slab: {
    up: ['lower', 'lower', 'lower', 'lower'],
    down: ['upper', 'upper', 'upper', 'upper'],
    north: ['lower', 'lower', 'lower', 'lower'],
    east: ['lower', 'lower', 'lower', 'lower'],
    south: ['lower', 'lower', 'lower', 'lower'],
    west: ['lower', 'lower', 'lower', 'lower'],
  },
  button: {
    up: ['floor south false', 'floor west false', 'floor north false', 'floor east false'],
    down: [
      'ceiling south false',
      'ceiling west false',
      'ceiling north false',
      'ceiling east false',
    ],
    north: ['wall north false', 'wall north false', 'wall north false', 'wall north false'],
    east: ['wall east false', 'wall east false', 'wall east false', 'wall east false'],
    south: ['wall south false', 'wall south false', 'wall south false', 'wall south false'],
    west: ['wall west false', 'wall west false', 'wall west false', 'wall west false'],
  },
  column: {
    up: ['y', 'y', 'y', 'y'],
    down: ['y', 'y', 'y', 'y'],
    north: ['z', 'z', 'z', 'z'],
    east: ['x', 'x', 'x', 'x'],
    south: ['z', 'z', 'z', 'z'],
    west: ['x', 'x', 'x', 'x'],
  },
  hatch: {
    up: ['south lower false', 'west lower false', 'north lower false', 'east lower false'],
    down: ['south upper false', 'west upper false', 'north upper false', 'east upper false'],
    north: ['south lower false', 'west lower false', 'north lower false', 'east lower false'],
    east: ['south lower false', 'west lower false', 'north lower false', 'east lower false'],
    south: ['south lower false', 'west lower false', 'north lower false', 'east lower false'],
    west: ['south lower false', 'west lower false', 'north lower false', 'east lower false'],
  },
};

test.each(Object.entries(tables))(
  'a %s is placed on six sides from four headings as worked out by hand',
  (name, table) => {
    for (const clicked of directions)
      expect([
        clicked,
        (['north', 'east', 'south', 'west'] as const).map((looks) =>
          placed(named(name), { clicked, looks }),
        ),
      ]).toEqual([clicked, table[clicked]]);
  },
);

test('on an upright side the upper half hangs what has halves', () => {
  for (const name of ['stair', 'slab', 'hatch'])
    expect(placed(named(name), { clicked: 'east', half: 'upper' })).toContain('upper');
});

test('a ladder leans on what is solid behind it, and faces away from that', () => {
  const around = (solid: Heading): Situation['neighbours'] => ({
    ...usualSituation.neighbours,
    down: 'open',
    [solid]: 'solid',
  });
  for (const solid of headings)
    expect(placed(named('ladder'), { neighbours: around(solid), looks: 'east' })).toBe(
      opposite(solid),
    );
});

describe('a stair that goes round corners', () => {
  const { mod, block } = blockOf(named('stair'));
  const left: Record<Heading, Heading> = {
    south: 'east',
    east: 'north',
    north: 'west',
    west: 'south',
  };
  type Corner = { heading: Heading; half: string; corner: string };

  /** The quarters of a stair that are high, by what its corner means: `back left` and so on. */
  const meant: Record<string, string[]> = {
    straight: ['back left', 'back right'],
    outer_left: ['back left'],
    outer_right: ['back right'],
    inner_left: ['back left', 'back right', 'front left'],
    inner_right: ['back left', 'back right', 'front right'],
  };
  const quartersMeant = ({ heading, corner }: Corner): Set<string> =>
    new Set(
      heldUnder(meant, corner).map((words) => {
        const along = words.startsWith('back') ? opposite(heading) : heading;
        const across = words.endsWith('left') ? left[heading] : opposite(left[heading]);
        return [along, across].sort().join(' ');
      }),
    );

  /** The quarters that are high in what is drawn: where a ray from above, or below, meets it first. */
  function quartersDrawn(state: number): Set<string> {
    const { half } = block.space.decode(state) as unknown as Corner;
    const boxes = boxesOf(state);
    const isIn = (x: number, y: number, z: number) =>
      boxes.some(({ at, size }) =>
        [x, y, z].every((part, axis) => {
          const low = at[axis]!;
          return part > low && part < low + size[axis]!;
        }),
      );
    const found = new Set<string>();
    for (const [x, eastOrWest] of [
      [4, 'west'],
      [12, 'east'],
    ] as const)
      for (const [z, northOrSouth] of [
        [4, 'north'],
        [12, 'south'],
      ] as const)
        if (isIn(x, half === 'upper' ? 4 : 12, z))
          found.add([eastOrWest, northOrSouth].sort().join(' '));
    return found;
  }
  const boxesOf = (state: number) =>
    chosenCandidates(block, state, 0).flatMap(({ model, front = 'south', top = 'up' }) => {
      const { template = '' } = heldUnder(mod.models, model.slice(model.indexOf(':') + 1));
      const { boxes = [] } = templateNamed(template)!.model;
      return boxes.map((box) => orientBox(box, { front, top }, 16));
    });

  test('is drawn as each of its 40 states means', () => {
    expect(block.space.size).toBe(40);
    for (let state = 0; state < block.space.size; state += 1) {
      const values = block.space.decode(state) as unknown as Corner;
      expect([values, quartersDrawn(state)]).toEqual([values, quartersMeant(values)]);
    }
  });

  test('over all neighbourhoods, a corner meets the one that it turns to, and no row is cut', () => {
    const kinds: (Heading | undefined)[] = [undefined, ...headings];
    const straight = (heading: Heading) =>
      quartersMeant({ heading, half: 'lower', corner: 'straight' });
    /** What of a cell is high along the side that it shows to one. */
    const along = (quarters: ReadonlySet<string>, side: Heading) =>
      [...quarters].filter((quarter) => quarter.includes(side));
    const rule = { alike: ['half'] };
    for (const own of headings)
      for (const north of kinds)
        for (const east of kinds)
          for (const south of kinds)
            for (const west of kinds) {
              const faced = { north, east, south, west };
              const beside = Object.fromEntries(
                headings.flatMap((side) =>
                  faced[side] ? [[side, { heading: faced[side], half: 'lower' }]] : [],
                ),
              );
              const shape = cornerOf(rule, { heading: own, half: 'lower' }, { beside })!;
              const quarters = quartersMeant({ heading: own, half: 'lower', corner: shape });
              if (shape === 'straight') continue;
              // The high part goes on in the one behind an outer corner, or before an inner one.
              const side = shape.startsWith('outer') ? opposite(own) : own;
              const other = faced[side as Heading]!;
              expect([own, opposite(own)]).not.toContain(other);
              const mine = along(quarters, side as Heading).map((q) => q.replace(side, '').trim());
              const theirs = along(straight(other), opposite(side) as Heading).map((q) =>
                q.replace(opposite(side), '').trim(),
              );
              expect(mine).toEqual(theirs);
              // Where the row went on, it goes on.
              for (const beyond of [left[own], opposite(left[own]) as Heading])
                if (faced[beyond] === own)
                  expect(along(quarters, beyond).map((q) => q.replace(beyond, '').trim())).toEqual(
                    along(straight(own), beyond).map((q) => q.replace(beyond, '').trim()),
                  );
            }
  });

  test('what hangs does not turn to what stands', () => {
    const beside = { north: { heading: 'west', half: 'upper' } };
    const rule = { alike: ['half'] };
    const shape = (half: string) => cornerOf(rule, { heading: 'south', half }, { beside });
    expect([shape('lower'), shape('upper')]).toEqual(['straight', 'outer_left']);
    expect(cornerOf(rule, {}, { beside })).toBeUndefined();
  });
});

describe('what joins', () => {
  const kinds = ['open', 'solid', 'own kind'] as const;

  test.each(['post_and_arms', 'wall', 'pane'])(
    'a %s has an arm just where something stands, over all 81 neighbourhoods',
    (name) => {
      const { mod, block } = blockOf(named(name));
      for (const north of kinds)
        for (const east of kinds)
          for (const south of kinds)
            for (const west of kinds) {
              const beside = { north, east, south, west };
              const neighbours = { ...usualSituation.neighbours, ...beside };
              const state = placedState(block.declared.states.placing ?? [], block.space, {
                ...usualSituation,
                neighbours,
              });
              const [, ...arms] = drawnModels(mod, block, state);
              const shown = arms.map(({ orientation }) => facing(orientation, 'front')).sort();
              const wanted = headings.filter((side) => beside[side] !== 'open').sort();
              expect([beside, shown]).toEqual([beside, wanted]);
            }
    },
  );
});

test.each(forms.map(({ name }) => name))(
  'turned four times, or mirrored twice, every state of a %s is what it was',
  (name) => {
    const form = named(name);
    const turning = turningOf(new StateSpace(form.properties), form.placing);
    expect(turningFlaw(turning)).toBeUndefined();
  },
);

test('a button sits on what was clicked, in each of its 24 states, and its knob looks away from that', () => {
  const { mod, block } = blockOf(named('button'));
  const seen = new Set<string>();
  for (let state = 0; state < block.space.size; state += 1) {
    const { mount, heading, pressed } = block.space.decode(state);
    const [model] = drawnModels(mod, block, state);
    const away = facing(model!.orientation, 'front');
    expect([state, away]).toEqual([
      state,
      mount === 'floor' ? 'up' : mount === 'ceiling' ? 'down' : heading,
    ]);
    seen.add(`${away} ${facing(model!.orientation, 'top')} ${String(pressed)}`);
  }
  expect(block.space.size).toBe(24);
  expect(seen.size).toBe(24);
});

test('a door of two halves opens to the side of its hinge, both halves as one, and drops one', () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...headings),
      fc.constantFrom('left', 'right'),
      (heading, hinge) => {
        const { mod, block } = blockOf(named('door'));
        const shown = (half: string, open: boolean) =>
          drawnModels(mod, block, block.space.encode({ heading, half, hinge, open }))[0]!;
        const [shut, open] = [shown('lower', false), shown('lower', true)];
        const quarter = { front: hinge === 'left' ? 'west' : 'east', top: 'up' } as const;
        expect(open.orientation).toEqual(compose(quarter, shut.orientation));
        expect(shown('upper', true).orientation).toEqual(open.orientation);
        // Only the lower half drops the door.
        const { draws } = block;
        const { lots } = draws[0]!;
        expect(lots.map(({ give, when }) => [give !== undefined, when?.state])).toEqual([
          [false, { half: 'upper' }],
          [true, undefined],
        ]);
      },
    ),
  ));

test('an open leaf, hatch or gate is the shut one turned about the edge that it hangs by', () =>
  fc.assert(
    fc.property(fc.constantFrom(...headings), (heading) => {
      const shownAt = (name: string, values: Record<string, string | boolean>) => {
        const { mod, block } = blockOf(named(name));
        return drawnModels(mod, block, block.space.encode(values))[0]!.orientation;
      };
      const shut = shownAt('door_leaf', { heading, open: false });
      const open = shownAt('door_leaf', { heading, open: true });
      const quarter = { front: 'west', top: 'up' } as const;
      expect(open).toEqual(compose(quarter, shut));
      const lid = shownAt('hatch', { heading, open: true });
      expect(facing(lid, 'top')).toBe(heading);
    }),
  ));
