import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { drawnModels } from '../draw/index.ts';
import { inspect } from '../inspect/index.ts';
import { sampleMod, withExample } from '../inspect/sample.ts';
import { resolvedModelOf, templateNamed } from '../models/index.ts';
import {
  applyChanges,
  emptyMod,
  invertChanges,
  ModSchema,
  nextNumber,
  removeBlock,
  resolveBlock,
  stocks,
  type Mod,
  type Picture,
} from '../mod/index.ts';
import { TraitsSchema } from '../mod/traits.ts';
import { placedState, usualSituation } from '../placing/index.ts';
import { encodePicture, pictureFacts } from '../textures/index.ts';
import {
  changeForm,
  formOf,
  forms,
  formNamed,
  keptPictures,
  lostByForm,
  missingRoles,
  isFoundAtFirst,
  newBlock,
  pictureRoles,
  rolePicture,
  rolesOf,
  type Form,
} from './index.ts';

/** The pictures of a form in a material, with facts as the server tells them. */
function picturesOf(form: Form, colour: string, texels = 16) {
  const pictures = rolesOf(form).map((role, i): [string, Picture] => {
    const pixels = rolePicture(role, colour, texels, 7 + i);
    const bytes = encodePicture(pixels).length;
    return [role, { sha256: String(i).repeat(64), bytes, ...pictureFacts(pixels) }];
  });
  return Object.fromEntries(pictures);
}

function declared(mod: Mod, form: Form, stock = 'timber'): Mod {
  const { traits } = stocks.find(({ name }) => name === stock)!;
  const pictures = picturesOf(form, traits.mapColour, mod.header.texels);
  return applyChanges(mod, newBlock(mod, 'groyne', 'Groyne', { form, stock, pictures }));
}

const groyne = (form: string) => {
  const mod = declared(emptyMod('saltmarsh', 'Saltmarsh'), formNamed(form)!);
  return { mod, block: resolveBlock(mod, 'groyne', mod.blocks['groyne']!) };
};

describe('every form', () => {
  test.each(stocks.map(({ name }) => name))(
    'of %s is a block without any finding, with a number of its own',
    (stock) => {
      expect(TraitsSchema.safeParse(stocks.find(({ name }) => name === stock)!.traits).error).toBe(
        undefined,
      );
      for (const form of forms) {
        const made = declared(emptyMod('saltmarsh', 'Saltmarsh'), form, stock);
        // What gives a signal is alone here: that nobody hears it is told, and rightly.
        const found = inspect(made).filter(({ rule }) => rule !== 'reactions/unheard-signal');
        expect([form.name, found]).toEqual([form.name, []]);
        expect(made.ledger.entries.at(-1)).toEqual({ number: 1, kind: 'block', name: 'groyne' });
      }
    },
  );

  test.each(forms.map((form) => [form.name, form] as const))(
    '%s fits the schema, fills every slot, and shows a model in every state',
    (_, form) => {
      for (const texels of [16, 32]) {
        const empty = emptyMod('saltmarsh', 'Saltmarsh');
        const mod = declared({ ...empty, header: { ...empty.header, texels } }, form);
        expect(ModSchema.safeParse(mod).error).toBeUndefined();
        for (const model of Object.keys(mod.models)) {
          const { slots, missing, unusedSlots } = resolvedModelOf(mod, `saltmarsh:${model}`)!;
          expect({ missing, unusedSlots }).toEqual({ missing: undefined, unusedSlots: [] });
          expect([...slots.values()]).not.toContain(undefined);
        }
        const block = resolveBlock(mod, 'groyne', mod.blocks['groyne']!);
        for (let state = 0; state < block.space.size; state += 1)
          expect(drawnModels(mod, block, state).length).toBeGreaterThan(0);
      }
    },
  );

  test('names templates that there are, with just their slots', () => {
    for (const { models } of forms)
      for (const { template, slots } of Object.values(models))
        expect(Object.keys(slots).sort()).toEqual([...templateNamed(template)!.slots].sort());
  });

  test('takes names that nobody has, and is gone with one undo', () =>
    fc.assert(
      fc.property(fc.constantFrom(...forms), fc.boolean(), (form, isTaken) => {
        const sample = sampleMod();
        const before = isTaken
          ? {
              ...sample,
              models: { ...sample.models, groyne: sample.models['bank']! },
              textures: { ...sample.textures, groyne: sample.textures['bank']! },
            }
          : sample;
        const pictures = picturesOf(form, '#8a7055');
        const start = { form, stock: 'chalk', pictures };
        const changes = newBlock(before, 'groyne', 'Groyne', start);
        const after = applyChanges(before, changes);
        for (const [name, model] of Object.entries(before.models))
          expect(after.models[name]).toBe(model);
        for (const [name, texture] of Object.entries(before.textures))
          expect(after.textures[name]).toBe(texture);
        expect(applyChanges(after, invertChanges(changes))).toEqual(before);
      }),
    ));
});

describe('what is placed', () => {
  const placed = (form: string, situation: Partial<typeof usualSituation>) => {
    const { block } = groyne(form);
    const { placing = [] } = block.declared.states;
    const state = placedState(placing, block.space, { ...usualSituation, ...situation });
    return block.space.describe(state);
  };

  test('a front faces the player, a stair rises away, a trunk lies along what was clicked', () => {
    expect(placed('six_sides', { looks: 'north' })).toBe('heading = south');
    expect(placed('stair', { looks: 'east' })).toBe(
      'heading = west, half = lower, corner = straight',
    );
    expect(placed('column', { clicked: 'west' })).toBe('axis = x');
    expect(placed('button', { clicked: 'up' })).toBe(
      'mount = floor, heading = south, pressed = false',
    );
    expect(placed('button', { clicked: 'east' })).toBe(
      'mount = wall, heading = east, pressed = false',
    );
  });

  test('an open leaf stands a quarter turn further than a shut one', () => {
    const { mod, block } = groyne('door_leaf');
    const front = (words: string) => {
      const state = Array.from({ length: block.space.size }, (_, i) => i).find(
        (one) => block.space.describe(one) === words,
      )!;
      return drawnModels(mod, block, state)[0]!.orientation.front;
    };
    expect(front('heading = south, open = false')).toBe('south');
    expect(front('heading = south, open = true')).toBe('west');
    expect(front('heading = north, open = true')).toBe('east');
  });
});

test.each([
  [{ form: 'cube', stock: 'granite' }, true],
  [{ form: 'cube', stock: 'brick' }, false],
  [{ form: 'stair', stock: 'granite' }, false],
  [{ form: 'cross', stock: 'soil' }, true],
  [{ copyOf: 'bank' }, true],
])('what starts as %j is found in the world: %s', (start, isFound) =>
  expect(isFoundAtFirst(sampleMod(), start)).toBe(isFound),
);

test('a copy that is made is not one that the world has', () => {
  const mod = sampleMod();
  const made = newBlock(mod, 'bricks', 'Bricks', { copyOf: 'bank' }, false);
  expect(applyChanges(mod, made).blocks['bricks']!.identity).toEqual({
    group: 'shore',
    stock: 'clay',
    item: 'block',
  });
});

test('pictures of a role are the same for the same seed, and only plants, pads and ladders have holes', () => {
  for (const role of pictureRoles)
    for (const texels of [8, 16, 32]) {
      const picture = rolePicture(role, '#a9743c', texels, 3);
      expect(picture).toEqual(rolePicture(role, '#a9743c', texels, 3));
      expect(pictureFacts(picture).alpha).toBe(
        ['plant', 'pad', 'rungs'].includes(role) ? 'holes' : 'none',
      );
    }
});

test(
  'a block copied from another one differs in name and number alone; removing it ' +
    'retires the number for good',
  () => {
    const mod = sampleMod();
    const copied = applyChanges(mod, newBlock(mod, 'quay_lamp', 'Quay lamp', { copyOf: 'lamp' }));
    expect(copied.blocks['quay_lamp']).toEqual({
      ...mod.blocks['lamp'],
      names: { en: 'Quay lamp' },
    });
    const changes = removeBlock(copied, 'quay_lamp');
    const removed = applyChanges(copied, changes);
    expect(removed.ledger.retired).toEqual([{ number: 3, kind: 'block', name: 'quay_lamp' }]);
    expect(nextNumber(removed.ledger)).toBe(4);
    expect(applyChanges(removed, invertChanges(changes))).toEqual(copied);
    expect(() => newBlock(mod, 'lamp', 'Lamp', { copyOf: 'lamp' })).toThrow(/already/);
  },
);

describe('another form', () => {
  const anyForm = fc.constantFrom(...forms);
  /** The mod with the block in another form; what it has no picture for is painted. */
  const changed = (mod: Mod, form: Form) => {
    const kept = keptPictures(mod, 'groyne', form);
    const painted = picturesOf(form, '#8a7055');
    const pictures = { ...painted, ...kept };
    expect(missingRoles(form, kept).every((role) => painted[role])).toBe(true);
    return changeForm(mod, 'groyne', form, pictures);
  };

  test('whatever it was before: it is placed and shown as if declared so, and undo brings all back', () =>
    fc.assert(
      fc.property(anyForm, anyForm, (from, to) => {
        const before = declared(emptyMod('saltmarsh', 'Saltmarsh'), from);
        const changes = changed(before, to);
        const after = applyChanges(before, changes);
        const asNew = declared(emptyMod('saltmarsh', 'Saltmarsh'), to).blocks['groyne']!;
        const block = after.blocks['groyne']!;
        const named = ({ name, kind }: { name: string; kind: string }) => `${name} ${kind}`;
        expect(block.states.properties.map(named).sort()).toEqual(
          asNew.states.properties.map(named).sort(),
        );
        expect(block.states.placing).toEqual(asNew.states.placing);
        expect(block.traits).toEqual(asNew.traits);
        expect(block.shapes).toEqual(asNew.shapes);
        expect(block.identity).toEqual(asNew.identity);
        expect(block.loot).toEqual(asNew.loot);
        expect(block.reactions).toEqual(asNew.reactions);
        expect(formOf(after, block)?.name).toBe(to.name);
        const grave = inspect(after).filter(({ severity }) => severity !== 'hint');
        expect(grave).toEqual([]);
        // Nothing of the form before is left over.
        expect(Object.keys(after.models).sort()).toEqual(
          Object.keys(declared(emptyMod('saltmarsh', 'Saltmarsh'), to).models).sort(),
        );
        expect(ModSchema.safeParse(after).error).toBeUndefined();
        expect(applyChanges(after, invertChanges(changes))).toEqual(before);
      }),
    ));

  test('what no form brings stays: a property of its own, what it is made of, what it drops', () => {
    const mod = withExample(sampleMod(), { '/blocks/groyne': sampleMod().blocks['lamp'] });
    const lamp = mod.blocks['groyne']!;
    const sided = applyChanges(mod, changed(mod, formNamed('six_sides')!)).blocks['groyne']!;
    expect(sided.states.properties).toEqual(lamp.states.properties);
    expect(sided.traits.lightEmitted).toEqual(lamp.traits.lightEmitted);
    expect(sided.loot).toEqual(lamp.loot);
    const cube = applyChanges(mod, changed(mod, formNamed('cube')!)).blocks['groyne']!;
    expect(cube.states.properties.map(({ name }) => name)).toEqual(['lit']);
  });

  test('a property that is called as one of the form and means something else makes room', () => {
    for (const half of [
      { name: 'half', kind: 'toggle', default: false },
      { name: 'half', kind: 'choice', values: ['left', 'right'], default: 'left' },
    ]) {
      const mod = declared(emptyMod('saltmarsh', 'Saltmarsh'), formNamed('cube')!);
      const before = withExample(mod, { '/blocks/groyne/states/properties': [half] });
      expect(lostByForm(before.blocks['groyne']!, formNamed('slab')!)).toEqual([
        'the property half',
      ]);
      const slab = applyChanges(before, changed(before, formNamed('slab')!)).blocks['groyne']!;
      expect(slab.states.properties).toEqual(formNamed('slab')!.properties);
    }
  });

  test('what is lost is said first', () => {
    const { lamp } = sampleMod().blocks;
    expect(lostByForm(lamp!, formNamed('cube')!)).toEqual([
      '4 rows of the look',
      '1 rule of placing',
      'the property heading',
    ]);
    const plain = declared(emptyMod('saltmarsh', 'Saltmarsh'), formNamed('cube')!);
    expect(lostByForm(plain.blocks['groyne']!, formNamed('stair')!)).toEqual([]);
  });

  test('pictures follow by the names of their slots, and the first one to what shows most', () => {
    const mod = declared(emptyMod('saltmarsh', 'Saltmarsh'), formNamed('column')!);
    expect(keptPictures(mod, 'groyne', formNamed('six_sides')!)).toEqual({
      front: 'saltmarsh:groyne',
      side: 'saltmarsh:groyne',
      end: 'saltmarsh:groyne_end',
    });
    expect(keptPictures(mod, 'groyne', formNamed('pane')!)).toEqual({ face: 'saltmarsh:groyne' });
  });
});
