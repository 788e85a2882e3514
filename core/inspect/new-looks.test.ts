import { describe, expect, test } from '@jest/globals';
import { applyChanges, type Mod } from '../mod/index.ts';
import { kitNamed } from '../kits/index.ts';
import { takeOver } from '../take-over/index.ts';
import { inspect, inspectBeside, inspectBuilt } from './index.ts';
import { sampleMod, sampleNeighbour, withExample } from './sample.ts';
import { greyPicture } from './testing/any-mod.ts';

/** The sample, which gives another mod's block a new look. */
const over = (look: unknown, name = 'driftwood/lamp'): Mod =>
  withExample(sampleMod(), {
    '/header/needs': [{ namespace: 'driftwood' }],
    [`/newLooks/${name.replace('/', '~1')}`]: look,
  });
const rows = (...when: (object | undefined)[]) => ({
  mode: 'one-of',
  rows: when.map((one) => ({ ...(one && { when: one }), use: [{ model: 'saltmarsh:bank' }] })),
});
const lit = {
  properties: [{ name: 'lit', kind: 'toggle', default: false, byCode: true }],
};
const told = (findings: { severity: string; rule: string; message: string }[]) =>
  findings.map(({ severity, rule, message }) => `${severity} ${rule} ${message}`);

describe('a new look whose states are said is checked like the look of a block', () => {
  test('a state without a row, and a row that never matches', () => {
    expect(told(inspect(over({ states: lit, looks: rows({ lit: true }) })))).toEqual([
      'error looks/state-without-row driftwood:lamp: the state lit = false has no look.',
    ]);
    expect(told(inspect(over({ states: lit, looks: rows(undefined, { lit: true }) })))).toEqual([
      'warning looks/dead-row driftwood:lamp: row 2 of the look can never match: row 1 above ' +
        'it already covers its states.',
    ]);
  });

  test('its fixes go to the new look, and mend it', () => {
    const mod = over({ states: lit, looks: rows({ lti: true }, undefined) });
    const [finding] = inspect(mod);
    expect([finding!.block, finding!.at]).toEqual([
      'driftwood/lamp',
      '/newLooks/driftwood~1lamp/looks/rows/0/when/lti',
    ]);
    expect(inspect(applyChanges(mod, finding!.fix!.changes))).toEqual([]);
  });

  test('of an edited one the findings are those of one that is read whole', () => {
    const mod = over({ states: lit, looks: rows(undefined) });
    expect(inspect(mod)).toEqual([]);
    const path = '/newLooks/driftwood~1lamp/looks/rows/0/use/0/model';
    const before = 'saltmarsh:bank';
    const broken = applyChanges(mod, [{ path, before, after: 'saltmarsh:bnak' }]);
    expect(inspect(broken)).toEqual(inspect(structuredClone(broken)));
    expect(inspect(broken)).toHaveLength(1);
    const mended = applyChanges(broken, [{ path, before: 'saltmarsh:bnak', after: before }]);
    expect(inspect(mended)).toEqual([]);
    const name = '/newLooks/driftwood~1lamp';
    expect(
      inspect(applyChanges(broken, [{ path: name, before: broken.newLooks['driftwood/lamp'] }])),
    ).toEqual([]);
  });

  test('a stock material has one state, which every row but the first is too many for', () =>
    expect(told(inspect(over({ looks: rows(undefined, undefined) }, 'obrank/thatch')))).toEqual([
      'warning looks/dead-row obrank:thatch: row 2 of the look can never match: row 1 above ' +
        'it already covers its states.',
    ]));

  test('what code changes comes about from every state that placing gives', () => {
    const states = {
      properties: [...lit.properties, { name: 'heading', kind: 'heading', default: 'south' }],
      placing: [{ set: 'heading', to: 'toward the player' }],
    };
    const looks = rows({ lit: true, heading: 'east' }, undefined);
    expect(inspect(over({ states, looks }))).toEqual([]);
    const unset = { properties: states.properties };
    expect(told(inspect(over({ states: unset, looks })))).toEqual([
      'hint looks/out-of-reach driftwood:lamp: row 1 is never seen: nothing brings the block to ' +
        'lit = true, heading = east.',
    ]);
  });
});

test('where nobody has said the states nothing is concluded from them', () => {
  expect(inspect(over({ looks: rows({ lti: true }, { lit: true }) }))).toEqual([]);
  expect(
    told(
      inspect(over({ looks: { mode: 'one-of', rows: [{ use: [{ model: 'saltmarsh:bnak' }] }] } })),
    ),
  ).toEqual([
    'error looks/model-missing driftwood:lamp: row 1 of the look uses the model saltmarsh:bnak, ' +
      'which does not exist. Did you mean saltmarsh:bank?',
  ]);
});

describe('beside the mod whose block it is', () => {
  const neighbour = sampleNeighbour({});
  const beside = (mod: Mod) => inspectBeside(mod, [neighbour]);

  test('its states are those of the block there, and one press takes them', () => {
    const mod = over({ looks: rows({ lit: true }, { lti: false }) });
    const findings = beside(mod);
    expect(told(findings)).toEqual([
      'error looks/state-without-row driftwood:lamp: 4 states have no look; the first is ' +
        'heading = north, lit = false.',
      'error looks/unknown-condition driftwood:lamp: row 2 of the look asks for lti, which is no ' +
        'property of the block. Did you mean lit?',
      'warning neighbours/states-differ The states of driftwood:lamp are not said with its new ' +
        'look: Driftwood gives it heading, lit.',
    ]);
    const taken = applyChanges(mod, findings[2]!.fix!.changes);
    expect(beside(taken)).toEqual([]);
    expect(told(inspect(taken))).toEqual(told(findings).slice(0, 2));
  });

  test('what does not rest on states is told without it, and not again', () => {
    const use = [{ model: 'saltmarsh:bnak' }];
    const mod = over({ looks: { mode: 'one-of', rows: [{ use }] } });
    const rulesOf = (findings: { rule: string }[]) => findings.map(({ rule }) => rule);
    expect(rulesOf(inspect(mod))).toEqual(['looks/model-missing']);
    expect(rulesOf(beside(mod))).toEqual(['neighbours/states-differ']);
  });

  test('a block that is not there is told once, with the nearest; the look goes over to it', () => {
    const mod = over({ looks: rows(undefined) }, 'driftwood/bnak');
    const [finding, ...others] = beside(mod);
    expect(others).toEqual([]);
    expect(finding!.message).toBe(
      'driftwood:bnak is named here, but Driftwood has no block of that name. ' +
        'Did you mean driftwood:bank?',
    );
    const mended = applyChanges(mod, finding!.fix!.changes);
    expect(Object.keys(mended.newLooks)).toEqual(['driftwood/bank']);
  });
});

test('a look over a block of its own is told once in a pack, by the rule that says why', () => {
  const kit = kitNamed('block-pack');
  const files = kit.write(over({ looks: rows(undefined) }, 'saltmarsh/bank'), greyPicture);
  expect(inspectBuilt(kit, files).map(({ rule }) => rule)).toEqual(['looks/not-anothers']);
});

test('a pack carries it, tells its place, and is taken over with the same meaning', () => {
  const kit = kitNamed('block-pack');
  const good = over({ states: lit, tint: 'leaf', looks: rows({ lit: true }, undefined) });
  const files = kit.write(good, greyPicture);
  expect(inspectBuilt(kit, files)).toEqual([]);
  expect(takeOver(kit, files).mod.newLooks).toEqual({
    'driftwood/lamp': {
      ...good.newLooks['driftwood/lamp'],
      looks: {
        mode: 'one-of',
        rows: [{ when: { lit: true }, use: [outright] }, { use: [outright] }],
      },
    },
  });
  const bad = kit.write(over({ states: lit, looks: rows({ lit: true }) }), greyPicture);
  const [finding] = inspectBuilt(kit, bad);
  expect([finding!.rule, finding!.file, finding!.place!.line]).toEqual([
    'looks/state-without-row',
    'view/looks/driftwood/lamp.json',
    5,
  ]);
  const mended = kit.mend!(bad, finding!.fix!.changes)!;
  expect([...mended.keys()]).toEqual(['view/looks/driftwood/lamp.json']);
});
const outright = { model: 'saltmarsh:bank', front: 'south', top: 'up' };
