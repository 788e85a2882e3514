import { expect, test } from '@jest/globals';
import { engineKit, kitNamed, kits } from '../kits/index.ts';
import { inspect, inspectBeside, inspectBuilt, rules } from './index.ts';
import type { ModExample } from './rule.ts';
import { sampleBuilt, sampleMod, sampleNeighbour, withExample } from './sample.ts';
import { applyChanges } from '../mod/index.ts';
import { expandRows, StateSpace } from '../states/index.ts';
import { withFluid } from './rules/fluids/example.ts';

const of = (example: ModExample, rule: string) =>
  inspect(withExample(sampleMod(), example)).filter((finding) => finding.rule === rule);

/** A new look of which one row is for states that never come about. */
const wetPlank = {
  states: {
    properties: [
      { name: 'wet', kind: 'toggle', default: false },
      { name: 'deep', kind: 'toggle', default: false, byCode: true },
    ],
  },
  looks: {
    mode: 'one-of',
    rows: [
      { when: { wet: true }, use: [{ model: 'saltmarsh:bank' }] },
      { use: [{ model: 'saltmarsh:bank' }] },
    ],
  },
};

/** The words of findings, as people read them: the user's own names, what is wrong, and the fix. */
const dropsLamp = { do: 'drop', item: 'saltmarsh:lamp' };
/** A block of the sample that reacts, as the changes of an example. */
/** Stirs its neighbours when the lamp beside it is lit, or when it is not. */
const stirredBy = (block: string, lit: boolean) => [
  {
    when: 'neighbour changes',
    if: { neighbour: { is: 'saltmarsh:lamp', state: { lit } } },
    then: [{ do: 'become', block: `saltmarsh:${block}` }],
  },
];
const reacting = (block: string, reactions: object[], more: ModExample = {}): ModExample => ({
  [`/blocks/${block}/reactions`]: reactions,
  ...more,
});

const declarations: [string, ModExample, string, string | undefined][] = [
  [
    'identity/no-group',
    { '/blocks/lamp/identity/group': null },
    'lamp is in no catalogue group, so players cannot find it.',
    'Put it into shore',
  ],
  [
    'identity/no-group',
    { '/blocks/lamp/identity/group': 'deep' },
    'lamp is in the catalogue group deep, which the mod does not have.',
    'Put it into shore',
  ],
  [
    'identity/no-item-form',
    { '/blocks/lamp/identity/item': null },
    'lamp has no item form, so nobody can hold it.',
    'Hold it as the block',
  ],
  [
    'identity/unknown-stock',
    { '/blocks/lamp/identity/stock': 'bronse' },
    'lamp starts from bronse, which is no stock material. Did you mean bronze?',
    'Start from bronze',
  ],
  [
    'looks/not-anothers',
    { '/newLooks/saltmarsh~1bank': { looks: { mode: 'one-of', rows: [] } } },
    'saltmarsh:bank is a block of this mod: its look belongs with the block, not over it.',
    undefined,
  ],
  [
    'looks/out-of-reach',
    { '/newLooks/driftwood~1plank': wetPlank },
    'driftwood:plank: row 1 is never seen: nothing brings the block to any of its 2 states, ' +
      'wet = true, deep = false first.',
    undefined,
  ],
  [
    'registry/silenced-for-nothing',
    {
      '/header/inspection': {
        silenced: [{ rule: 'tags/empty', message: 'Nothing is in it.', why: 'Soon.' }],
      },
    },
    'The mod is silent about a finding that is not there any more: Nothing is in it.',
    'Tell it again',
  ],
  [
    'registry/silenced-for-nothing',
    { '/header/inspection': { rules: { 'tags/empty': { gravity: 'off', why: 'Soon.' } } } },
    'The mod leaves out tags/empty, which finds nothing.',
    'Let it count again',
  ],
  [
    'registry/silenced-for-nothing',
    { '/header/inspection': { rules: { 'tags/emtpy': { gravity: 'hint', why: 'Soon.' } } } },
    'The mod lets tags/emtpy count otherwise, but there is no such rule.',
    'Let it count again',
  ],
  [
    'traits/drag-but-solid',
    { '/blocks/bank/traits/dragInside': 0.4 },
    'bank drags whoever is inside, but its collision shape fills the cell in every state: ' +
      'nobody gets inside.',
    'Let people in: no collision',
  ],
  [
    'traits/gated-without-tool',
    { '/blocks/lamp/traits/toolKind': 'none' },
    'lamp is gated but has no tool kind, so no tool ever yields a drop.',
    'Do not gate it',
  ],
  [
    'traits/grade-out-of-reach',
    { '/blocks/lamp/traits/leastGrade': 7 },
    'lamp asks for grade 7, but the tool ladder has 3 grades (0 to 2).',
    'Ask for steel',
  ],
  [
    'traits/grade-out-of-reach',
    { '/blocks/lamp/traits/leastGrade': -1 },
    'lamp asks for grade -1, but the tool ladder has 3 grades (0 to 2).',
    'Ask for flint',
  ],
  [
    'traits/missing-in-tool-tag',
    { '/blocks/lamp/tags': [] },
    'lamp is dug with a pick but is not in the tag saltmarsh:pick_dug.',
    'Add it to saltmarsh:pick_dug',
  ],
  [
    'traits/missing-in-tool-tag',
    { '/header/tools/kinds/pick': null },
    "lamp is dug with a pick, but the mod's tools have no pick.",
    undefined,
  ],
  [
    'traits/light-out-of-range',
    { '/blocks/lamp/traits/lightEmitted': 0.8 },
    'lamp has light emitted 0.8; levels are whole numbers from 0 to 15.',
    'Make it 12',
  ],
  [
    'traits/light-out-of-range',
    { '/blocks/lamp/traits/lightAbsorbed': 99 },
    'lamp has light absorbed 99; levels are whole numbers from 0 to 15.',
    'Make it 15',
  ],
  [
    'traits/keeps-light-but-see-through',
    { '/blocks/lamp/traits/alphaMode': 'blend', '/blocks/lamp/traits/lightAbsorbed': 15 },
    'lamp absorbs 15 of light, but its alpha mode is blend: the room behind it would be dark.',
    'Let light through',
  ],
  [
    'traits/lets-light-but-hides',
    { '/blocks/bank/traits/lightAbsorbed': 0 },
    'bank is opaque and hides its neighbours whole, but absorbs 0 of light: a lamp behind it ' +
      'would light the room before it.',
    'Absorb all of it',
  ],
  [
    'traits/number-out-of-range',
    { '/blocks/lamp/traits/catchesFire': 30 },
    'lamp has catchesFire 30; it goes from 0 to 1.',
    'Make it 1',
  ],
  [
    'traits/number-out-of-range',
    { '/blocks/lamp/traits/hardness': -2 },
    'lamp has hardness -2; it goes from 0 to 1,000,000.',
    'Make it 0',
  ],
  [
    'traits/lit-but-same-light',
    { '/blocks/lamp/traits/lightEmitted': 9 },
    'lamp has a property lit, but gives the same light whether it is true or false.',
    'Give 9 only while lit = true',
  ],
  [
    'traits/hides-but-see-through',
    { '/blocks/lamp/traits/hidesNeighbours': 'whole' },
    'lamp hides its neighbours, but its model saltmarsh:lamp leaves part of the cell ' +
      'open: one would see through the world.',
    'Never hide neighbours',
  ],
  [
    'traits/hides-but-see-through',
    { '/blocks/bank/traits/alphaMode': 'blend' },
    'bank hides its neighbours, but its alpha mode is blend: one would see through the world.',
    'Never hide neighbours',
  ],
  [
    'traits/fills-but-does-not-hide',
    { '/blocks/bank/traits/hidesNeighbours': 'never' },
    'bank fills its cell and is opaque, yet does not hide its neighbours: their hidden ' +
      'faces are drawn for nothing.',
    'Hide neighbours',
  ],
  [
    'traits/sound-set-missing',
    { '/blocks/lamp/traits/soundSet': 'saltmarsh:clink' },
    'lamp uses the sound set saltmarsh:clink, which does not exist.',
    'Use obrank:metal',
  ],
  [
    'traits/blast-and-digging-disagree',
    { '/blocks/bank/traits/hardness': 'unbreakable' },
    'bank is unbreakable, yet a small charge breaks it: its blast rating is 1.6.',
    'Let it withstand every charge: 30',
  ],
  [
    'traits/blast-and-digging-disagree',
    { '/blocks/lamp/traits/blastRating': 30 },
    'lamp withstands every charge with its blast rating of 30, yet bare hands dig it in 11 s.',
    'Make it unbreakable',
  ],
  [
    'traits/hardness-far-from-stock',
    { '/blocks/lamp/traits/hardness': 250 },
    'lamp has hardness 250, 23 times as hard as bronze with 11.',
    'Put it back to 11',
  ],
  [
    'traits/hardness-far-from-stock',
    { '/blocks/bank/traits/hardness': 0.1 },
    'bank has hardness 0.1, 15 times softer than clay with 1.5.',
    'Put it back to 1.5',
  ],
  [
    'traits/sound-missing',
    { '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch' }] } },
    'The sound set mud plays saltmarsh:squelch for step, which the mod does not have.',
    'Take it out of the set',
  ],
  [
    'traits/sound-missing',
    {
      '/soundSets/mud': {
        step: [{ sound: 'saltmarsh:squelhc' }],
        dig: [{ sound: 'saltmarsh:squelhc' }, { sound: 'saltmarsh:squelch' }],
      },
      '/sounds/squelch': { sha256: '0'.repeat(63) + '7', bytes: 90, format: 'wav' },
    },
    'The sound set mud plays saltmarsh:squelhc for step and dig, which the mod does not have. Did ' +
      'you mean saltmarsh:squelch?',
    'Play saltmarsh:squelch',
  ],
  [
    'traits/hides-but-see-through',
    { '/blocks/lamp/traits': { hidesNeighbours: 'by side', alphaMode: 'blend' } },
    'lamp hides its neighbours, but its alpha mode is blend: one would see through the world.',
    'Never hide neighbours',
  ],
  [
    'states/default-outside',
    { '/blocks/lamp/states/properties/0/default': 'up' },
    'lamp: the default of heading is up, which is not one of its values.',
    'Make it north',
  ],
  [
    'states/too-few-values',
    {
      '/blocks/lamp/states/properties/2': {
        name: 'fill',
        kind: 'number',
        min: 3,
        max: 1,
        default: 1,
      },
    },
    'lamp: the property fill has no value.',
    'Remove fill',
  ],
  [
    'states/value-twice',
    { '/blocks/lamp/states/properties/2': { name: 'lit', kind: 'toggle', default: true } },
    'lamp has two properties called lit.',
    'Call the second lit_2',
  ],
  [
    'states/too-many-states',
    {
      '/blocks/lamp/states/properties/2': {
        name: 'level',
        kind: 'number',
        min: 0,
        max: 99_999,
        default: 0,
      },
    },
    'lamp has 800,000 states; Block Pack, edition 1 holds at most 65,536. Without level ' +
      'there would be 8.',
    undefined,
  ],
  [
    'states/placing-unfit',
    { '/blocks/lamp/states/placing/0/set': 'headin' },
    'lamp: placing sets headin, which is no property of the block. Did you mean heading?',
    'Set heading',
  ],
  [
    'states/placing-unfit',
    { '/blocks/lamp/states/placing/0': { set: 'lit', to: 'fixed', value: 'yes' } },
    'lamp: placing sets lit to yes, which is not one of its values.',
    'Make it false',
  ],
  [
    'states/placing-unfit',
    { '/blocks/lamp/states/placing/0': { set: 'lit', to: 'clicked side' } },
    'lamp: placing sets lit clicked side, but lit is a toggle.',
    'Remove the rule',
  ],
  [
    'states/placing-unfit',
    { '/blocks/lamp/states/placing/1': { set: 'lit', to: 'joined' } },
    'lamp: placing sets lit when a side is joined, but does not say which side.',
    'Remove the rule',
  ],
  [
    'states/placing-unfit',
    { '/blocks/lamp/states/placing/1': { set: 'heading', to: 'fixed' } },
    'lamp: placing sets heading and does not say to what.',
    'Make it south',
  ],
  [
    'states/never-set',
    { '/blocks/lamp/states/placing': null },
    'lamp: nothing sets heading, so it is always south.',
    'Set it toward the player when placed',
  ],
  [
    'states/never-set',
    { '/blocks/lamp/states/properties/1/byCode': null },
    'lamp: nothing sets lit, so it is always false.',
    "The mod's code changes it",
  ],
  [
    'states/codes-collide',
    {
      '/ledger/entries/2/codes': {
        kind: 'mixed-radix',
        bits: 2,
        digits: [{ property: 'heading', values: ['north', 'east', 'south', 'west'] }],
      },
    },
    'lamp: the states heading = north, lit = false and heading = north, lit = true share ' +
      'the code 0.',
    'Lay the codes out afresh',
  ],
  [
    'states/codes-collide',
    {
      '/ledger/entries/2/codes': {
        kind: 'mixed-radix',
        bits: 3,
        digits: [
          { property: 'heading', values: ['north', 'east', 'south'] },
          { property: 'lit', values: [false, true] },
        ],
      },
    },
    'lamp: the state heading = west, lit = false has no code.',
    'Lay the codes out afresh',
  ],
  [
    'states/turning-flaw',
    {
      '/blocks/lamp/states/properties/2': {
        name: 'end',
        kind: 'choice',
        values: ['left', 'right'],
        default: 'left',
        mirrored: { left: 'right' },
        byCode: true,
      },
    },
    'lamp: after two mirrors the state heading = north, lit = false, end = left comes ' +
      'back as heading = north, lit = false, end = right.',
    'Let the choices stay as they are',
  ],
  [
    'states/property-without-effect',
    { '/blocks/lamp/states/properties/2': { name: 'wet', kind: 'toggle', default: false } },
    'lamp: nothing depends on the property wet.',
    'Remove wet',
  ],
  [
    'states/too-many-states',
    {
      '/header/kit': 'block-pack-small',
      '/blocks/lamp/states/properties/2': {
        name: 'hung',
        kind: 'choice',
        values: ['floor', 'wall', 'ceiling'],
        default: 'floor',
      },
    },
    'lamp has 24 states; Block Pack, edition 1, for four-bit states holds at most 16. ' +
      'Without lit there would be 12.',
    undefined,
  ],
  [
    'looks/bad-shares',
    { '/header/kit': 'block-pack-small', '/blocks/bank/looks/rows/0/use/0/share': 0.5 },
    'bank: candidate 1 of row 1 has the share 0.5; Block Pack, edition 1, for four-bit ' +
      'states takes whole shares only.',
    'Make the shares whole',
  ],
  [
    'looks/headings-alike',
    { '/blocks/lamp/looks/rows/2/use/0/front': 'east' },
    'lamp looks the same with heading = east and heading = west.',
    'Spread the look along heading',
  ],
  [
    'looks/nothing-drawn',
    {
      '/blocks/lamp/looks': {
        mode: 'layered',
        rows: [
          { when: { lit: true }, use: [{ model: 'saltmarsh:lamp' }] },
          { when: { heading: ['north', 'east', 'south'] }, use: [{ model: 'saltmarsh:lamp' }] },
        ],
      },
    },
    'lamp: the state heading = west, lit = false draws nothing.',
    'Draw the first layer in every state',
  ],
  [
    'looks/dead-row',
    { '/blocks/lamp/looks/rows/0/when': { heading: [] } },
    'lamp: row 1 of the look can never match: it allows no value of heading.',
    'Remove row 1',
  ],
  [
    'looks/state-without-row',
    { '/blocks/lamp/looks/rows/3/when': { lit: true, heading: 'south' } },
    'lamp: the state heading = south, lit = false has no look.',
    'Copy the look of heading = north, lit = false and turn it',
  ],
  [
    'looks/state-without-row',
    { '/blocks/lamp/looks/rows': [] },
    'lamp: 8 states have no look; the first is heading = north, lit = false.',
    undefined,
  ],
  [
    'looks/unknown-condition',
    { '/blocks/lamp/looks/rows/0/when': { haeding: 'north' } },
    'lamp: row 1 of the look asks for haeding, which is no property of the block. Did you ' +
      'mean heading?',
    'Ask for heading',
  ],
  [
    'looks/unknown-condition',
    { '/blocks/lamp/looks/rows/0/when': { heading: 'up' } },
    'lamp: row 1 of the look asks for heading = up, but heading has no such value.',
    undefined,
  ],
  [
    'looks/unknown-condition',
    { '/blocks/lamp/traits/lightEmitted': [{ when: { lit: 'true' }, value: 3 }, { value: 0 }] },
    'lamp: row 1 of its light emitted asks for lit = "true" in quotes; the value is true without ' +
      'them.',
    'Ask for lit = true',
  ],
  [
    'looks/no-orientation',
    { '/blocks/lamp/looks/rows/0/use/0/top': 'south' },
    'lamp: row 1 turns the front north and the top south, which lie on one line.',
    'Point the top up',
  ],
  [
    'looks/bad-shares',
    { '/blocks/bank/looks/rows/0/use/0/share': -1 },
    'bank: candidate 1 of row 1 has the share -1, so it is never chosen.',
    'Give it the share 1',
  ],
  [
    'looks/model-missing',
    { '/blocks/bank/looks/rows/0/use/0/model': 'saltmarsh:bnak' },
    'bank: row 1 of the look uses the model saltmarsh:bnak, which does not exist. Did you ' +
      'mean saltmarsh:bank?',
    'Use saltmarsh:bank',
  ],
  [
    'looks/model-missing',
    {
      '/blocks/lamp/looks/rows/0/use/0/model': 'saltmarsh:lmap',
      '/blocks/lamp/looks/rows/2/use/0/model': 'saltmarsh:lmap',
    },
    'lamp: 2 rows of the look, row 1 first, use the model saltmarsh:lmap, which does not exist. ' +
      'Did you mean saltmarsh:lamp?',
    'Use saltmarsh:lamp',
  ],
  [
    // What was taken out of the mod is not misspelt, however near the name of another is.
    'loot/gives-unknown',
    {
      '/ledger/retired': [{ number: 7, kind: 'item', name: 'lmap' }],
      '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lmap' }] }] },
    },
    'lamp gives saltmarsh:lmap, which is no item of the mod. It was taken out of the mod.',
    undefined,
  ],
  [
    'loot/gives-unknown',
    {
      '/ledger/retired': [
        { number: 7, kind: 'item', name: 'old_salt', successor: 'saltmarsh:bank' },
      ],
      '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:old_salt' }] }] },
    },
    'lamp gives saltmarsh:old_salt, which is no item of the mod. It was taken out of the mod.',
    'Give saltmarsh:bank',
  ],
  [
    'loot/gives-unknown',
    {
      '/blocks/bank/identity/item': 'none',
      '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank' }] }] },
    },
    'lamp gives saltmarsh:bank, which cannot be held.',
    undefined,
  ],
  [
    'loot/table-flawed',
    {
      '/blocks/bank/identity/item': 'none',
      '/lootTables/finds': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank' }] }] },
    },
    'The loot table finds gives saltmarsh:bank, which cannot be held.',
    undefined,
  ],
  [
    'states/value-uncovered',
    {
      '/blocks/lamp/shapes': {
        collision: [{ when: { lit: true, heading: 'north' }, value: 'whole' }],
      },
    },
    'lamp: the rows of its collision shape say nothing for 7 states; the first is heading = ' +
      'north, lit = false.',
    'Say the last value for all of them',
  ],
  [
    'states/value-uncovered',
    {
      '/blocks/lamp/traits/friction': [
        { when: { lit: true }, value: 0.5 },
        { when: { heading: ['north', 'east', 'south'] }, value: 0.4 },
      ],
    },
    'lamp: the rows of its friction say nothing for the state heading = west, lit = false.',
    'Say 0.6 for all of them',
  ],
  [
    'states/value-row-dead',
    {
      '/blocks/lamp/shapes': {
        outline: [{ value: 'whole' }, { when: { lit: true }, value: 'none' }],
      },
    },
    'lamp: row 2 of its outline shape can never match: row 1 above it already takes its states.',
    'Remove row 2',
  ],
  [
    'looks/unknown-condition',
    {
      '/blocks/lamp/shapes': {
        outline: [{ when: { lti: true }, value: 'none' }, { value: 'whole' }],
      },
    },
    'lamp: row 1 of its outline shape asks for lti, which is no property of the block. Did you ' +
      'mean lit?',
    'Ask for lit',
  ],
  [
    'models/shape-flawed',
    { '/blocks/lamp/shapes': { outline: [{ value: [{ at: [0, 0, 40], size: [16, 4, 16] }] }] } },
    'lamp: a box of its outline leaves the space from -16 to 32 texels that Block Pack, edition 1 ' +
      'allows.',
    undefined,
  ],
  [
    'models/shape-flawed',
    { '/blocks/lamp/shapes': { collision: [{ at: [0, 0, 0], size: [16, 0, 16] }] } },
    'lamp: a box of its collision has a length that is not above zero: 16 × 0 × 16 texels.',
    undefined,
  ],
  [
    'models/crop-outside',
    {
      '/models/lamp/boxes/0/sides/front/crop': [8, 0, 12, 8],
      '/models/lamp/slots': {},
      '/models/lit': { template: 'saltmarsh:lamp', slots: { metal: 'saltmarsh:lamp' } },
    },
    'The front of the box 1 of the model saltmarsh:lamp shows a part that leaves its texture of ' +
      '16 × 16 texels.',
    undefined,
  ],
  [
    'loot/number-outside',
    {
      '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', share: -1 }] }] },
    },
    'lamp: lot 1 has the share -1; a share is 0 or more.',
    undefined,
  ],
  [
    'loot/number-outside',
    {
      '/blocks/lamp/loot': {
        draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { grade: -1 } }] }],
      },
    },
    'lamp: lot 1 asks for grade -1; grades count from 0.',
    undefined,
  ],
  [
    'loot/number-outside',
    { '/lootTables/finds': { draws: [{ times: [1, 20000], lots: [] }] } },
    'The loot table finds: draw 1 is made up to 20,000; more than 1,000 is hardly meant.',
    undefined,
  ],
  [
    'traits/sound-range',
    { '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch', pitch: [1, 12] }] } },
    'The sound set mud plays saltmarsh:squelch for step with a pitch of 1 to 12; it goes from 0.1 ' +
      'to 8.',
    undefined,
  ],
  [
    'traits/sound-range',
    { '/soundSets/mud': { step: [{ sound: 'saltmarsh:squelch', volume: [1, 0.5] }] } },
    'The sound set mud plays saltmarsh:squelch for step with a volume of 1 to 0.5: the ends have ' +
      'changed places.',
    undefined,
  ],
  [
    'recipes/number-outside',
    {
      '/recipes/bank': {
        kind: 'cut',
        takes: 'obrank:clay',
        choices: [{ gives: 'saltmarsh:bank', count: 500 }],
      },
    },
    'The recipe bank gives 500 of saltmarsh:bank; a stack of it holds 50.',
    undefined,
  ],
  [
    'recipes/number-outside',
    {
      '/recipes/bank': { kind: 'fire', takes: 'obrank:clay', gives: 'saltmarsh:bank', seconds: 0 },
    },
    'The recipe bank takes 0 seconds; it goes from above 0 to 3600.',
    undefined,
  ],
  [
    'recipes/number-outside',
    {
      '/recipes/bank': {
        kind: 'fire',
        takes: 'obrank:clay',
        gives: 'saltmarsh:bank',
        seconds: 4,
        reward: -1,
      },
    },
    'The recipe bank has the reward -1; it goes from 0 to 1000.',
    undefined,
  ],
  [
    'tags/tool-tag-unknown',
    { '/header/tools/kinds/pick/tag': 'saltmarsh:pick_dgu' },
    'The tool kind pick digs the tag saltmarsh:pick_dgu, which nothing is in. Did you mean ' +
      'saltmarsh:pick_dug?',
    'Dig saltmarsh:pick_dug',
  ],
  [
    'identity/grade-flawed',
    { '/header/tools/grades/1/pace': 1000 },
    'The grade bronze has the pace 1000; a pace goes from above 0 to 100.',
    undefined,
  ],
  [
    'models/box-outside',
    { '/models/lamp/boxes/0/spin': { about: 'y', by: 45, pivot: [8, 8, 90] } },
    'The box 1 of the model saltmarsh:lamp is spun about a point outside of the space from -16 to ' +
      '32 texels.',
    undefined,
  ],
  [
    'models/slot-misspelt',
    { '/models/lamp/boxes/0/sides/front/slot': 'metla' },
    'The front of the box 1 of the model saltmarsh:lamp shows the slot metla, which nothing fills. ' +
      'Did you mean metal?',
    'Show the slot metal',
  ],
  [
    'looks/heading-without-effect',
    { '/blocks/lamp/looks/rows': [{ use: [{ model: 'saltmarsh:lamp' }] }] },
    'lamp looks the same whatever its heading: it always points the same way.',
    'Spread the look along heading',
  ],
  [
    'models/slot-open',
    { '/models/bank/slots': null },
    'The model saltmarsh:bank leaves the slot face without a texture.',
    undefined,
  ],
  [
    'models/slot-unused',
    { '/models/bank/slots/fase': 'saltmarsh:bank', '/models/bank/slots/face': null },
    'The model saltmarsh:bank gives a texture to the slot fase, which no box uses. Did ' +
      'you mean face?',
    'Remove the slot fase',
  ],
  [
    'models/template-circle',
    { '/models/lamp': { template: 'saltmarsh:bank' }, '/models/bank/template': 'saltmarsh:lamp' },
    'The model saltmarsh:bank starts from templates that go in a circle: saltmarsh:lamp, ' +
      'saltmarsh:bank then saltmarsh:lamp.',
    undefined,
  ],
  [
    'models/box-without-size',
    { '/models/lamp/boxes/0/size': [8, -2, 8] },
    'The box 1 of the model saltmarsh:lamp has a negative length: 8 × -2 × 8 texels.',
    undefined,
  ],
  [
    'models/faces-fight',
    {
      '/models/lamp/slots/glass': 'saltmarsh:bank',
      '/models/lamp/boxes/0/name': 'body',
      '/models/lamp/boxes/1': {
        name: 'pane',
        at: [6, 4, 8],
        size: [4, 4, 8],
        sides: { front: { slot: 'glass' } },
      },
    },
    'The front of body and of pane in the model saltmarsh:lamp lie in one plane and show ' +
      'different pictures there.',
    'Draw out the front by half a texel',
  ],
  [
    'models/face-never-seen',
    {
      '/models/lamp/boxes/1': {
        at: [6, 4, 10],
        size: [2, 2, 2],
        sides: {
          front: { slot: 'metal' },
          back: { slot: 'metal' },
          left: { slot: 'metal' },
          right: { slot: 'metal' },
        },
      },
    },
    'In the model saltmarsh:lamp 4 sides are never seen: the front of 2, the back of 2, the ' +
      'left of 2 and 1 more.',
    'Leave out these 4 sides',
  ],
  [
    'models/side-without-area',
    {
      '/models/lamp/boxes/0': {
        name: 'sail',
        at: [0, 0, 8],
        size: [16, 16, 0],
        sides: { front: { slot: 'metal' }, top: { slot: 'metal' } },
      },
    },
    'In the model saltmarsh:lamp 1 side has no area: the top of sail.',
    'Leave out this side',
  ],
  [
    'models/slit',
    {
      '/models/lamp/boxes/1': {
        name: 'lid',
        at: [4, 12.125, 8],
        size: [8, 1, 8],
        sides: { top: { slot: 'metal' } },
      },
    },
    'In the model saltmarsh:lamp 1 and lid lie 0.125 texels apart.',
    'Close it',
  ],
  [
    'models/spin-off-step',
    {
      '/header/kit': 'block-pack-small',
      '/models/lamp/boxes/0/spin': { about: 'y', by: 40, pivot: [8, 8, 8] },
    },
    'The box 1 of the model saltmarsh:lamp is spun by 40°; Block Pack, edition 1, for four-bit ' +
      'states shows steps of 15°.',
    'Spin it by 45°',
  ],
  [
    'models/box-outside',
    { '/models/lamp/boxes/0/at': [40, 0, 8] },
    'The box 1 of the model saltmarsh:lamp leaves the space from -16 to 32 texels that Block ' +
      'Pack, edition 1 allows.',
    'Move it inside',
  ],
  [
    'models/crop-outside',
    { '/models/lamp/boxes/0/sides/top/crop': [0, 0, 17, 4] },
    'The top of the box 1 of the model saltmarsh:lamp shows a part that leaves its ' +
      'texture of 16 × 16 texels.',
    undefined,
  ],
  [
    'textures/slot-open',
    { '/blocks/bank/looks/rows/0/use/0/model': 'obrank:column' },
    'bank shows the template obrank:column, whose slots side and end have no texture.',
    'Show saltmarsh:bank there',
  ],
  [
    'textures/slot-open',
    { '/blocks/lamp/looks/rows/1/use/0/model': 'obrank:cube' },
    'lamp shows the template obrank:cube, whose slot face has no texture.',
    'Show saltmarsh:lamp there',
  ],
  [
    'textures/slot-open',
    {
      '/models/bank': { template: 'obrank:cube' },
      '/models/silt': { template: 'saltmarsh:bank', slots: { face: 'saltmarsh:bank' } },
    },
    'bank shows the template saltmarsh:bank, whose slot face has no texture.',
    undefined,
  ],
  [
    'textures/missing',
    { '/models/bank/slots/face': 'saltmarsh:bnak' },
    'The slot face of the model saltmarsh:bank uses the texture saltmarsh:bnak, which ' +
      'does not exist. Did you mean saltmarsh:bank?',
    'Use saltmarsh:bank',
  ],
  [
    'textures/missing',
    {
      '/models/bank/slots/face': 'saltmarsh:bnak',
      '/models/lamp/slots/metal': 'saltmarsh:bnak',
      '/items/oil': { names: { en: 'Oil' }, texture: 'saltmarsh:bnak', group: 'shore' },
    },
    '2 slots and 1 item use the texture saltmarsh:bnak, which does not exist; the first is the slot ' +
      'face of the model saltmarsh:bank. Did you mean saltmarsh:bank?',
    'Use saltmarsh:bank',
  ],
  [
    'textures/not-square',
    { '/textures/bank/picture/height': 48 },
    'The texture saltmarsh:bank is 16 × 48 texels: neither square nor a strip.',
    'Make it a strip of 3 frames',
  ],
  [
    'textures/strip-uneven',
    { '/textures/bank/picture/height': 48, '/textures/bank/strip': { ticks: 1, order: [0, 3] } },
    'The strip saltmarsh:bank asks for frame 3, but has only the frames 0 to 2.',
    undefined,
  ],
  [
    'textures/alpha-under-mode',
    { '/textures/bank/picture/alpha': 'partial' },
    'bank shows the texture saltmarsh:bank, which has partial alpha, under alpha mode opaque.',
    'Use alpha mode blend',
  ],
  [
    'loot/drops-nothing-unsaid',
    { '/blocks/lamp/loot': null },
    'lamp drops nothing when it is broken, and does not say that this is meant.',
    'Drop itself',
  ],
  [
    'loot/gives-unknown',
    { '/blocks/lamp/identity/item': 'none' },
    'lamp drops itself, but has no item form that could be dropped.',
    'Hold it as the block',
  ],
  [
    'loot/condition-never-holds',
    {
      '/blocks/lamp/loot': {
        draws: [
          {
            times: 1,
            lots: [{ give: 'saltmarsh:bank', share: 1, when: { tool: 'pick', grade: 8 } }],
          },
        ],
      },
    },
    'lamp: lot 1 asks for something that no way of breaking it fulfils (with a grade 8 pick).',
    'Remove lot 1',
  ],
  [
    'loot/condition-never-holds',
    {
      '/blocks/lamp/loot': {
        draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank', when: { tool: 'axe' } }] }],
      },
    },
    'lamp: lot 1 asks for something that no way of breaking it fulfils (with an axe; the ' +
      'block yields to a pick alone).',
    'Remove lot 1',
  ],
  [
    'loot/condition-never-holds',
    {
      '/blocks/lamp/loot': {
        draws: [
          { times: 1, lots: [{ give: 'saltmarsh:bank', when: { careful: true, blast: true } }] },
        ],
      },
    },
    'lamp: lot 1 asks for something that no way of breaking it fulfils (careful, by a blast).',
    'Remove lot 1',
  ],
  [
    'loot/lot-never-drawn',
    {
      '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank', share: 0 }] }] },
    },
    'lamp: lot 1 (saltmarsh:bank) can never be drawn: its share is 0.',
    'Remove lot 1',
  ],
  [
    'loot/lot-never-drawn',
    {
      '/blocks/lamp/loot': {
        draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp' }, { give: 'saltmarsh:bank' }] }],
      },
    },
    'lamp: lot 2 (saltmarsh:bank) can never be drawn: lot 1 always takes the draw.',
    'Remove lot 2',
  ],
  [
    'loot/chance-outside',
    {
      '/blocks/lamp/loot': {
        draws: [{ times: { tries: 2, chance: 30 }, lots: [{ give: 'saltmarsh:lamp' }] }],
      },
    },
    'lamp: the chance 30 in its loot is outside 0 to 1.',
    'Make it 0.3',
  ],
  [
    'loot/gives-unknown',
    {
      '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:fnids' }] }] },
      '/lootTables/finds': { draws: [] },
    },
    'lamp gives saltmarsh:fnids, which is no loot table of the mod. Did you mean saltmarsh:finds?',
    'Give saltmarsh:finds',
  ],
  [
    'loot/gives-another',
    { '/blocks/lamp/loot': { draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank' }] }] } },
    'lamp drops exactly what saltmarsh:bank drops, and never itself.',
    'Give saltmarsh:lamp instead',
  ],
  [
    'loot/state-lost',
    {
      '/blocks/lamp/loot': {
        draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', keeps: ['glow'] }] }],
      },
    },
    'lamp: lot 1 carries glow, which the block does not have.',
    'Carry only what there is',
  ],
  [
    'loot/table-circle',
    {
      '/lootTables/a': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:c' }] }] },
      '/lootTables/b': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:a' }] }] },
      '/lootTables/c': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:b' }] }] },
    },
    'Loot tables in a circle: saltmarsh:a draws from saltmarsh:c draws from saltmarsh:b ' +
      'draws from saltmarsh:a.',
    undefined,
  ],
  [
    'loot/table-flawed',
    { '/lootTables/finds': { draws: [{ times: 1.5, lots: [] }] } },
    'The loot table finds: the count of 1.5 is upside down, below zero or not whole.',
    'Make it 1 to 2',
  ],
  [
    'loot/table-flawed',
    {
      '/lootTables/finds': {
        draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { not: { chance: 7 } } }] }],
      },
    },
    'The loot table finds: the chance 7 in its loot is outside 0 to 1.',
    'Make it 0.07',
  ],
  [
    'loot/table-flawed',
    { '/lootTables/finds': { draws: [{ times: 1, lots: [{ table: 'saltmarsh:fnids' }] }] } },
    'The loot table finds gives saltmarsh:fnids, which is no loot table of the mod. Did ' +
      'you mean saltmarsh:finds?',
    'Give saltmarsh:finds',
  ],
  [
    'tags/circle',
    {
      '/blockTags/a': { members: ['#saltmarsh:b'] },
      '/blockTags/b': { members: ['#saltmarsh:c'] },
      '/blockTags/c': { members: ['#saltmarsh:a'] },
    },
    'Tags in a circle: saltmarsh:a names saltmarsh:b names saltmarsh:c names saltmarsh:a.',
    'Take saltmarsh:a out of saltmarsh:c',
  ],
  [
    'tags/needed-empty',
    {
      '/recipes/a': { kind: 'fire', takes: '#saltmarsh:wet', gives: 'saltmarsh:bank', seconds: 3 },
    },
    'Nothing is in the item tag saltmarsh:wet, which the recipe a takes.',
    undefined,
  ],
  [
    'tags/other-mod-undeclared',
    {
      '/recipes/a': {
        kind: 'mix',
        takes: ['#driftwood:planks', 'obrank:timber'],
        gives: 'saltmarsh:bank',
      },
    },
    'The recipe a names #driftwood:planks, but the mod does not say that it needs driftwood.',
    'Say that it needs driftwood',
  ],
  [
    'recipes/clash',
    {
      '/recipes/a': {
        kind: 'pattern',
        pattern: ['ab'],
        keys: { a: 'saltmarsh:lamp', b: 'saltmarsh:bank' },
        gives: 'saltmarsh:bank',
      },
      '/recipes/b': {
        kind: 'pattern',
        pattern: ['   ', ' ab'],
        keys: { a: 'saltmarsh:bank', b: '#saltmarsh:lights' },
        gives: 'saltmarsh:lamp',
      },
      '/itemTags/lights': {},
      '/blocks/lamp/itemTags': ['saltmarsh:lights'],
    },
    'The recipes a and b both take saltmarsh:bank and saltmarsh:lamp, but one gives 1 ' +
      'saltmarsh:bank and the other 1 saltmarsh:lamp.',
    undefined,
  ],
  [
    'recipes/gain-circle',
    {
      '/recipes/a': { kind: 'mix', takes: ['saltmarsh:lamp'], gives: 'saltmarsh:bank', count: 3 },
      '/recipes/b': {
        kind: 'mix',
        takes: ['saltmarsh:bank', 'saltmarsh:bank'],
        gives: 'saltmarsh:lamp',
      },
    },
    'From nothing comes more saltmarsh:bank: the recipe a then the recipe b.',
    undefined,
  ],
  [
    'recipes/gain-circle',
    {
      '/blocks/lamp/loot': {
        draws: [
          { times: 1, lots: [{ give: 'saltmarsh:lamp' }] },
          { times: 1, lots: [{ give: 'saltmarsh:bank' }] },
        ],
      },
    },
    'From nothing comes more saltmarsh:bank: placing and digging lamp.',
    undefined,
  ],
  [
    'recipes/unobtainable',
    { '/blocks/lamp/loot': 'nothing' },
    'Nobody can come to have saltmarsh:lamp: the world has it, but it never drops itself, ' +
      'and no recipe gives it.',
    undefined,
  ],
  [
    'recipes/unobtainable',
    {
      '/blocks/lamp/identity/natural': null,
      '/blocks/bank/identity/natural': null,
      '/recipes/a': { kind: 'mix', takes: ['saltmarsh:bank'], gives: 'saltmarsh:lamp' },
    },
    'Nobody can come to have saltmarsh:bank: the world does not give it, and no recipe does.',
    'The world gives it',
  ],
  [
    'recipes/too-large',
    {
      '/header/kit': 'block-pack-small',
      '/recipes/a': {
        kind: 'pattern',
        pattern: ['abab', 'b', 'a', 'b', 'a'],
        keys: { a: 'saltmarsh:lamp', b: 'saltmarsh:bank' },
        gives: 'saltmarsh:bank',
      },
    },
    'The recipe a is 4 by 5; Block Pack, edition 1, for four-bit states has 4 by 4 places.',
    undefined,
  ],
  [
    'recipes/too-large',
    {
      '/recipes/a': {
        kind: 'mix',
        takes: Array.from({ length: 40 }, () => 'saltmarsh:lamp'),
        gives: 'saltmarsh:bank',
      },
    },
    'The recipe a mixes 40 things; Block Pack, edition 1 has 36 places.',
    undefined,
  ],
  [
    'recipes/empty',
    { '/recipes/a': { kind: 'cut', takes: 'saltmarsh:lamp', choices: [] } },
    'The recipe a gives nothing to choose from.',
    undefined,
  ],
  [
    'recipes/empty',
    {
      '/recipes/a': {
        kind: 'fire',
        takes: 'saltmarsh:lamp',
        gives: 'saltmarsh:bank',
        seconds: 4,
        reward: -2,
      },
    },
    'The recipe a has a reward below zero.',
    'Give none',
  ],
  [
    'recipes/unknown-thing',
    {
      '/recipes/a': {
        kind: 'cut',
        takes: 'saltmarsh:lamp',
        choices: [{ gives: 'saltmarsh:bnak' }],
      },
    },
    'The recipe a gives saltmarsh:bnak, which does not exist. Did you mean saltmarsh:bank?',
    'Give saltmarsh:bank',
  ],
  [
    'tags/wrong-kind',
    { '/items/salt': { names: { en: 'Salt' } }, '/blockTags/shore/members': ['saltmarsh:salt'] },
    'The tag saltmarsh:shore names saltmarsh:salt, which is an item, and this is a tag of blocks.',
    'Take salt out of it',
  ],
  [
    'identity/item-off-ladder',
    {
      '/items/hook': { names: {}, tool: { kind: 'hammer', grade: 0 } },
      '/header/tools/kinds/hammer': null,
    },
    "The item hook is a hammer, but the mod's tools have no hammer.",
    undefined,
  ],
  [
    'identity/thing-unknown',
    { '/items/pail': { names: {}, bucket: { of: 'saltmarsh:brine', empty: 'saltmarsh:lamp' } } },
    'The bucket pail is filled with saltmarsh:brine, which does not exist.',
    undefined,
  ],
  [
    'names/missing',
    { '/items/salt': { names: {} } },
    'The item salt has no name in en.',
    'Call it "Salt" in en',
  ],
  [
    'names/missing',
    { '/header/groups/0/names': {} },
    'The group shore has no name in en.',
    'Call it "Shore" in en',
  ],
  [
    'names/placeholders-differ',
    {
      '/header/languages': ['en', 'de'],
      '/blocks/lamp/names': { en: 'Lamp {level}', de: 'Lampe {stufe}' },
    },
    'The text block.lamp in de: {level} is missing.',
    undefined,
  ],
  [
    'names/key-unused',
    { '/words/de': { texts: {} } },
    'There are texts in de, which is no language of the mod.',
    'Add de to its languages',
  ],
  [
    'names/key-unused',
    { '/words/en': { texts: { 'block.lamp': 'Lantern' } } },
    'The text block.lamp in en stands in the way of the name that the block itself has.',
    'Remove the text',
  ],
  [
    'registry/number-changed',
    {
      '/ledger/releases': [
        {
          version: '0.1.0',
          on: '2026-03-31',
          counts: { groups: 0, blocks: 1, items: 0 },
          entries: [{ number: 7, kind: 'block', name: 'lamp' }],
        },
      ],
    },
    'The block lamp had the number 7 in 0.1.0 and has 2 now.',
    'Give it its number 7 back',
  ],
  [
    'loot/count-upside-down',
    { '/blocks/lamp/loot': { draws: [{ times: [2, -1], lots: [] }] } },
    'lamp: the count from 2 to -1 is upside down, below zero or not whole.',
    'Make it 0 to 2',
  ],
  [
    'tags/member-missing',
    { '/blockTags/shore/members': ['#saltmarsh:shoer'] },
    'The tag saltmarsh:shore names #saltmarsh:shoer, which does not exist. Did you mean ' +
      '#saltmarsh:shore?',
    'Name #saltmarsh:shore',
  ],
  [
    'tags/unknown-own-tag',
    { '/blocks/bank/tags/1': 'saltmarsh:tidal' },
    'bank is in the tag saltmarsh:tidal, which the mod does not declare.',
    'Declare saltmarsh:tidal',
  ],
  [
    'recipes/pattern-keys',
    {
      '/recipes/x': {
        kind: 'pattern',
        pattern: ['ab', 'c'],
        keys: { a: 'saltmarsh:lamp', d: 'saltmarsh:lamp' },
        gives: 'saltmarsh:bank',
      },
    },
    'The recipe x cannot be made: its rows are not equally long, b and c have no key and ' +
      'the key d is not used.',
    undefined,
  ],
  [
    'names/missing',
    { '/header/languages': ['en', 'de', 'fr'] },
    'bank has no name in de and fr.',
    undefined,
  ],
  [
    'names/same-twice',
    { '/blocks/bank/names/en': 'Lamp' },
    'lamp and bank are both called "Lamp" (en).',
    undefined,
  ],
  [
    'registry/not-registered',
    {
      '/ledger/entries': [
        { number: 4, kind: 'group', name: 'shore' },
        { number: 7, kind: 'block', name: 'lamp' },
      ],
    },
    'The block bank is not in the registry.',
    'Register it as number 8',
  ],
  [
    'registry/number-twice',
    { '/ledger/entries/2/number': 1 },
    'The number 1 of lamp already belongs to bank.',
    undefined,
  ],
  [
    'registry/gone',
    { '/blocks/bank': null },
    'The registry holds the block bank, which the mod no longer has.',
    'Retire number 1',
  ],
  [
    'identity/item-no-group',
    { '/items/oil': { names: { en: 'Oil' }, texture: 'saltmarsh:lamp', natural: true } },
    'The item oil is in no catalogue group.',
    'Put it into shore',
  ],
  [
    'looks/dead-row',
    {
      '/blocks/lamp/looks/rows': [
        { use: [{ model: 'saltmarsh:lamp' }] },
        ...Array.from({ length: 14 }, () => ({
          when: { lit: true },
          use: [{ model: 'saltmarsh:lamp' }],
        })),
      ],
    },
    'lamp: 2 more rows of the look can never match either.',
    'Remove all 14 rows that never match',
  ],
  [
    'looks/unknown-condition',
    {
      '/blocks/lamp/states/properties/2': {
        name: 'level',
        kind: 'number',
        min: 0,
        max: 3,
        default: 0,
        byCode: true,
      },
      '/blocks/lamp/looks/rows/0/when': { level: 7 },
    },
    'lamp: row 1 of the look asks for level = 7, but level goes from 0 to 3.',
    undefined,
  ],
  [
    'looks/unknown-condition',
    {
      '/blocks/lamp/looks/rows': [
        ...Array.from({ length: 26 }, () => ({
          when: { glow: true },
          use: [{ model: 'saltmarsh:lamp' }],
        })),
        { use: [{ model: 'saltmarsh:lamp' }] },
      ],
    },
    'lamp: 2 more conditions ask for properties or values that the block does not have.',
    undefined,
  ],
  [
    'recipes/empty',
    { '/recipes/a': { kind: 'mix', takes: [], gives: 'saltmarsh:bank' } },
    'The recipe a takes nothing.',
    undefined,
  ],
  [
    'tags/member-twice',
    { '/blockTags/shore/members': ['driftwood:plank', 'driftwood:plank'] },
    'driftwood:plank is in the tag saltmarsh:shore twice.',
    'Name each member once',
  ],
  [
    'tags/wrong-kind',
    {
      '/blocks/bank/itemTags': ['saltmarsh:wet'],
      '/itemTags/wet': {},
      '/blocks/bank/identity/item': 'none',
    },
    'bank is in the item tag saltmarsh:wet, but it cannot be held.',
    'Take it out of item tags',
  ],
  [
    'registry/no-successor',
    {
      '/ledger/retired': [{ number: 7, kind: 'block', name: 'pier', successor: 'saltmarsh:gone' }],
    },
    'saltmarsh:gone was to stand for the block pier, but it does not exist.',
    'Name no successor',
  ],
  [
    'registry/number-changed',
    {
      '/ledger/releases': [
        {
          version: '0.0.9',
          on: '2026-01-01',
          counts: { groups: 0, blocks: 1, items: 0 },
          entries: [{ number: 1, kind: 'block', name: 'pier' }],
        },
      ],
    },
    'The number 1 was the block pier in 0.0.9 and is the block bank now.',
    undefined,
  ],
  [
    'registry/number-twice',
    { '/ledger/entries/3': { number: 9, kind: 'block', name: 'lamp' } },
    'The block lamp is registered twice.',
    undefined,
  ],
  [
    'fluids/bucket-unfilled',
    {
      ...withFluid({
        pools: [
          { in: 'saltmarsh:bank', every: 200, across: [3, 9], deep: [1, 2], between: [-4, 4] },
        ],
      }),
      '/items/brine_bucket': {
        group: 'shore',
        texture: 'saltmarsh:lamp',
        bucket: { of: 'saltmarsh:brine', empty: 'saltmarsh:bucket' },
        names: { en: 'Bucket of brine' },
      },
      '/items/bucket': { group: 'shore', texture: 'saltmarsh:lamp', names: { en: 'Bucket' } },
    },
    'Nobody can fill saltmarsh:brine_bucket: nobody can come to have saltmarsh:bucket.',
    undefined,
  ],
  [
    'fluids/eats-itself',
    withFluid({
      meets: [
        { with: 'saltmarsh:lamp', becomes: 'saltmarsh:bank' },
        { with: 'saltmarsh:bank', becomes: 'saltmarsh:lamp' },
      ],
    }),
    'saltmarsh:brine becomes saltmarsh:bank where it meets saltmarsh:lamp, and meets ' +
      'saltmarsh:bank as well: that eats it up to its source.',
    'Let it not meet saltmarsh:bank',
  ],
  [
    'fluids/eats-itself',
    withFluid({ meets: [{ with: 'saltmarsh:brine', becomes: 'saltmarsh:bank' }] }),
    'saltmarsh:brine says what becomes of it where it meets itself, and that never happens.',
    'Let it not meet saltmarsh:brine',
  ],
  [
    'fluids/no-picture',
    withFluid({ still: undefined, flowing: undefined }),
    'brine has no picture, neither still nor flowing.',
    undefined,
  ],
  [
    'fluids/span-flawed',
    withFluid({
      pools: [{ in: 'saltmarsh:bank', every: 20, across: [3, 24], deep: [1, 2], between: [-4, 4] }],
    }),
    'A pool of brine is up to 24 blocks wide, and there is one in each square of 20.',
    'One in each square of 96',
  ],
  [
    'reactions/never-answers',
    reacting('lamp', [{ when: 'used', if: { state: { lit: true } }, then: [dropsLamp] }], {
      '/blocks/lamp/states/properties/1/byCode': null,
    }),
    'lamp: reaction 1, when it is used, asks for a state that it is never in.',
    'Remove the reaction',
  ],
  [
    'reactions/never-answers',
    reacting('lamp', [{ when: 'used', if: { light: [9, 3] }, then: [dropsLamp] }]),
    'lamp: reaction 1, when it is used, asks for what can never hold.',
    'Remove the reaction',
  ],
  [
    'reactions/never-answers',
    reacting('lamp', [
      { when: 'after ticks', ticks: 9, then: [dropsLamp] },
      { when: 'after ticks', ticks: 2, then: [{ do: 'vanish' }] },
    ]),
    'lamp: before reaction 1, when 9 ticks have passed, another one is always sooner.',
    'Remove the reaction',
  ],
  [
    'reactions/never-ends',
    {
      ...reacting('lamp', [{ when: 'neighbour changes', then: [{ do: 'flip', property: 'lit' }] }]),
      '/blocks/bank/reactions': [
        {
          when: 'neighbour changes',
          if: { neighbour: { is: 'saltmarsh:lamp' } },
          then: [{ do: 'become', block: 'saltmarsh:bank' }],
        },
      ],
    },
    'saltmarsh:bank and saltmarsh:lamp side by side answer each other for ever, every 2 ticks.',
    undefined,
  ],
  [
    'reactions/never-ends',
    {
      // The lamp goes on beside the bank and out beside the groyne; each of them stirs it anew.
      ...reacting('lamp', [
        {
          when: 'neighbour changes',
          if: { state: { lit: false }, neighbour: { is: 'saltmarsh:bank' } },
          then: [{ do: 'set', property: 'lit', to: true }],
        },
        {
          when: 'neighbour changes',
          if: { state: { lit: true }, neighbour: { is: 'saltmarsh:groyne' } },
          then: [{ do: 'set', property: 'lit', to: false }],
        },
      ]),
      '/blocks/bank/reactions': stirredBy('bank', true),
      '/blocks/groyne': {
        ...sampleMod().blocks['bank'],
        names: { en: 'Groyne' },
        reactions: stirredBy('groyne', false),
      },
    },
    'Side by side saltmarsh:bank, saltmarsh:lamp and saltmarsh:groyne answer each other for ever, ' +
      'every 2 ticks.',
    undefined,
  ],
  [
    'reactions/other-state',
    reacting('bank', [
      { when: 'used', then: [{ do: 'become', block: 'saltmarsh:lamp', state: { wet: true } }] },
    ]),
    'bank: reaction 1 names wet of saltmarsh:lamp, which it does not have.',
    undefined,
  ],
  [
    'reactions/unknown-property',
    reacting('lamp', [{ when: 'used', then: [{ do: 'set', property: 'lit', to: 'dim' }] }]),
    'lamp: reaction 1 names lit = dim, which is none of its values.',
    undefined,
  ],
  [
    'reactions/unknown-property',
    reacting('lamp', [{ when: 'used', then: [{ do: 'step', property: 'lit', by: 1 }] }]),
    'lamp: reaction 1 counts lit up or down, which is no number.',
    undefined,
  ],
  [
    'fluids/thing-unknown',
    withFluid({ leaves: 'saltmarsh:brine' }),
    'brine leaves saltmarsh:brine where it dries, and that is a fluid: it must be a block.',
    undefined,
  ],
];
test.each(declarations)('%s %j', (rule, example, message, fix) => {
  const said = of(example, rule).map((one) => ({ message: one.message, fix: one.fix?.title }));
  expect(said).toContainEqual({ message, fix });
});

test(
  'copying the nearest look gives every open state the look of the state that differs ' +
    'least from it, turned as its heading says',
  () => {
    const broken = withExample(sampleMod(), {
      '/blocks/lamp/looks/rows': [
        { when: { heading: 'west', lit: true }, use: [{ model: 'saltmarsh:lamp', front: 'west' }] },
        { when: { heading: 'east' }, use: [{ model: 'saltmarsh:lamp', front: 'east' }] },
      ],
    });
    const [finding] = inspect(broken).filter((one) => one.rule === 'looks/state-without-row');
    const rows = finding!.fix!.changes[0]!.after as { when?: object; use: { front?: string }[] }[];
    // Five states in the fewest rows, below those that were there.
    const { looks, states } = applyChanges(broken, finding!.fix!.changes).blocks['lamp']!;
    expect(looks.rows.slice(0, 2)).toEqual(broken.blocks['lamp']!.looks.rows);
    expect(rows.length).toBeLessThanOrEqual(5);
    const space = new StateSpace(states.properties);
    expect(
      expandRows(
        looks.rows.map(({ when, use }) => ({ when, value: use[0]!.front })),
        space,
      ),
    ).toEqual(['north', 'north', 'east', 'east', undefined, undefined, 'west', 'west']);
  },
);

/** What is said of the files of a pack, whoever wrote them. */
const builtFiles: [string, Record<string, unknown>, string, string][] = [
  [
    'pack/reference-missing',
    { 'rules/loot/lmap.json': '{ "block": "saltmarsh:lmap", "draws": [] }' },
    'rules/loot/lmap.json',
    'This is about the block saltmarsh:lmap, which is not in the pack. Did you mean saltmarsh:lamp?',
  ],
  [
    'pack/id-and-name-disagree',
    { 'rules/loot/bank_2.json': '{ "block": "saltmarsh:bank", "draws": [] }' },
    'rules/loot/bank_2.json',
    'The file is called bank_2, but speaks of saltmarsh:bank.',
  ],
  [
    'files/missing',
    { 'rules/blocks/bank.json': null },
    'registry.json',
    'registry.json lists the block saltmarsh:bank, but rules/blocks/bank.json is not there.',
  ],
  [
    'files/missing',
    { 'rules/tools.json': null },
    'rules/blocks/bank.json',
    'saltmarsh:bank is dug with a tool, but rules/tools.json is not there.',
  ],
  [
    'files/missing',
    { 'view/groups.json': null },
    'view/items/bank.json',
    'saltmarsh:bank is in a catalogue group, but view/groups.json is not there.',
  ],
  [
    'pack/id-and-name-disagree',
    { 'rules/loot/tables/finds.json': '{ "id": "saltmarsh:other", "draws": [] }' },
    'rules/loot/tables/finds.json',
    'The file is called finds, but speaks of saltmarsh:other.',
  ],
  [
    'pack/id-and-name-disagree',
    { 'rules/tags/blocks/driftwood/soft.json': '{ "id": "driftwood:hard", "members": [] }' },
    'rules/tags/blocks/driftwood/soft.json',
    'The file is called driftwood/soft, but speaks of driftwood:hard.',
  ],
  [
    'names/language-malformed',
    { 'view/words/de-de.json': '{ "language": "de-DE", "texts": {} }' },
    'view/words/de-de.json',
    'view/words/de-de.json is named by the language de-de; written rightly it is de-DE.',
  ],
  [
    'names/language-malformed',
    { 'view/words/fr.json': '{ "language": "de", "texts": {} }' },
    'view/words/fr.json',
    'view/words/fr.json is named by the language fr, but says that it is in de.',
  ],
  [
    'names/language-malformed',
    { 'view/words/fr.json': '{ "language": "fr", "texts": {} }' },
    'view/words/fr.json',
    'pack.json does not list the language fr, so view/words/fr.json is never read.',
  ],
  [
    'files/does-not-fit',
    {
      'rules/loot/bank.json':
        '{ "block": "saltmarsh:bank", "draws": [{ "times": 1, "lots": [{ "when": { "any": [{ ' +
        '"blsat": true }] } }] }] }',
    },
    'rules/loot/bank.json',
    '/draws/0/lots/0/when/any/0/blsat: There is no key "blsat" here. Did you mean "blast"?',
  ],
  [
    'pack/digest-differs',
    { 'rules/loot/bank.json': null, 'view/models/extra.json': '{}' },
    'pack.json',
    '2 files are not as they were when the pack was built: rules/loot/bank.json and 1 more. ' +
      'Their digests are not those in pack.json.',
  ],
  [
    'pack/reference-missing',
    {
      'rules/recipes/bank.json':
        '{ "kind": "mix", "takes": ["obrank:timbre"], "gives": "saltmarsh:bank" }',
    },
    'rules/recipes/bank.json',
    'obrank:timbre is no stock item of Obrank. Did you mean obrank:timber?',
  ],
  [
    'pack/reference-missing',
    { 'view/textures/wave.strip.json': '{ "ticks": 2 }' },
    'view/textures/wave.strip.json',
    'There is no texture wave.png beside this strip.',
  ],
  [
    'pack/registry-disagrees',
    {
      'registry.json#/entries/2/codes/digits/1/values': [true],
    },
    'registry.json',
    'registry.json: of saltmarsh:lamp the state heading = north, lit = false has no code.',
  ],
  [
    'pack/look-missing',
    { 'view/looks/lamp.json': null },
    'rules/blocks/lamp.json',
    'The block saltmarsh:lamp has no look: view/looks/lamp.json is missing.',
  ],
  [
    'pack/language-file-missing',
    { 'view/words/en.json': null },
    'pack.json',
    'The pack speaks en, but view/words/en.json is not there.',
  ],
];
test.each(builtFiles)('%s %j', (rule, files, file, message) => {
  const found = inspectBuilt(kitNamed('block-pack'), sampleBuilt(files)).filter(
    (finding) => finding.rule === rule,
  );
  expect(found.map((one) => [one.file, one.message])).toContainEqual([file, message]);
});

/** The same of a mod for the engine. */
const engineFiles: typeof builtFiles = [
  [
    'engine/changed',
    { 'textures/saltmarsh_lamp.png': null },
    'obrank.sha256',
    'obrank.sha256 lists textures/saltmarsh_lamp.png, which is not there.',
  ],
  [
    'engine/file-gone',
    { 'blocks.lua': 'return { { name = "saltmarsh_clay_step", gain = 0.5 } }' },
    'blocks.lua',
    'saltmarsh_clay_step is named here, and no folder of the mod holds it.',
  ],
  [
    'engine/mesh-unreadable',
    { 'models/saltmarsh_lamp.obj': 'v 0 one 0' },
    'models/saltmarsh_lamp.obj',
    'This line is no row of numbers: v 0 one 0',
  ],
  [
    'engine/mesh-unreadable',
    { 'models/saltmarsh_lamp.obj': 'v 0 0 0\nf 1/1/1 2/2/1 3/3/1' },
    'models/saltmarsh_lamp.obj',
    'A face asks for a corner that the file does not hold: 1/1/1',
  ],
];

/** The same of what lies beside the mod. */
const besideMods: [string, ModExample, ModExample, string][] = [
  [
    'neighbours/states-differ',
    { '/newLooks/driftwood~1bank': wetPlank },
    {},
    'The new look of driftwood:bank says other states than Driftwood, which gives it one state ' +
      'and no property.',
  ],
];

/** A sentence as a pattern that everything that is said with it fits. */
const patternOf = (sentence: string) =>
  new RegExp(
    `^${sentence
      .split(/\{\w+\}/)
      .map((text) => text.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`))
      .join('[^]*')}$`,
  );

test('every sentence of every rule is said of some example, here or of the rule itself', () => {
  const kit = kitNamed('block-pack');
  const heard = new Map<string, string[]>();
  const hear = ({ rule, message }: { rule: string; message: string }) =>
    heard.set(rule, [...(heard.get(rule) ?? []), message]);
  for (const [rule, , message] of declarations) hear({ rule, message });
  for (const [rule, , , message] of builtFiles) hear({ rule, message });
  for (const rule of rules)
    if (rule.over === 'files') {
      const own = Object.values(kits).find((one) => one.rules.includes(rule)) ?? kit;
      inspectBuilt(own, sampleBuilt(rule.fails, own)).forEach(hear);
    } else if (rule.over === 'neighbours')
      inspectBeside(withExample(sampleMod(), rule.fails), [
        sampleNeighbour(rule.beside.fails),
      ]).forEach(hear);
    else inspect(withExample(sampleMod(), rule.fails)).forEach(hear);
  for (const [rule, files, , message] of engineFiles) {
    const found = inspectBuilt(engineKit, sampleBuilt(files, engineKit));
    expect(found.map((one) => [one.rule, one.message])).toContainEqual([rule, message]);
    hear({ rule, message });
  }
  for (const [rule, example, beside, message] of besideMods) {
    const found = inspectBeside(withExample(sampleMod(), example), [sampleNeighbour(beside)]);
    expect(found.map((one) => [one.rule, one.message])).toContainEqual([rule, message]);
    hear({ rule, message });
  }
  const unheard = rules.flatMap(({ id, messages = {} }) =>
    Object.entries(messages).flatMap(([name, sentence]) =>
      heard.get(id)?.some((message) => patternOf(sentence).test(message)) ? [] : [`${id} ${name}`],
    ),
  );
  expect(unheard).toEqual([]);
});

test.each([
  ['a grade that no tool reaches', { '/blocks/lamp/traits/leastGrade': 7 }],
  ['a kind of tool that the mod does not have', { '/blocks/lamp/traits/toolKind': 'shears' }],
])('%s is told, and not that its lots are never drawn', (_what, example) => {
  const mod = withExample(sampleMod(), {
    '/header/tools/kinds/shears': null,
    '/blocks/lamp/traits/gated': true,
    '/blocks/lamp/loot': {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank', when: { careful: true } }, {}] }],
    },
    ...example,
  });
  const told = inspect(mod).map(({ rule }) => rule);
  expect(told).not.toContain('loot/condition-never-holds');
  expect(told).not.toContain('loot/lot-never-drawn');
});
