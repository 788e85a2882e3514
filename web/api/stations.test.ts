import { expect, test } from '@jest/globals';
import { facets, type Finding, type Severity } from '../../core/inspect/index.ts';
import { sampleMod } from '../../core/inspect/sample.ts';
import { stationsOf } from './stations.ts';

const lamp = sampleMod().blocks['lamp']!;
const finding = (facet: Finding['facet'], severity: Severity): Finding => ({
  rule: 'x/y',
  severity,
  message: 'It is so.',
  facet,
});
const stateOf = (block: typeof lamp, findings: Finding[], facet: Finding['facet']) =>
  stationsOf(sampleMod(), 'lamp', block, findings).find((station) => station.facet === facet);

test('a block without findings is done at all ten stations, in the order of the job', () => {
  expect(stationsOf(sampleMod(), 'lamp', lamp, []).map((station) => station.facet)).toEqual([
    ...facets,
  ]);
  expect(
    new Set(stationsOf(sampleMod(), 'lamp', lamp, []).map((station) => station.state)),
  ).toEqual(new Set(['done']));
});

test(
  'an error outweighs warnings, warnings outweigh hints, and the number is that of the ' +
    'gravest',
  () => {
    const findings = [
      finding('Looks', 'error'),
      finding('Looks', 'error'),
      finding('Looks', 'warning'),
      finding('Loot', 'warning'),
      finding('Tags', 'hint'),
    ];
    expect(stateOf(lamp, findings, 'Looks')).toEqual({ facet: 'Looks', state: 'error', count: 2 });
    expect(stateOf(lamp, findings, 'Loot')).toEqual({ facet: 'Loot', state: 'warning', count: 1 });
    expect(stateOf(lamp, findings, 'Tags')).toEqual({ facet: 'Tags', state: 'done', count: 0 });
  },
);

test('a facet without any content is open', () => {
  const bare = {
    ...lamp,
    looks: { mode: 'one-of' as const, rows: [] },
    names: {},
    tags: [],
    loot: undefined,
  };
  expect(
    stationsOf(sampleMod(), 'lamp', bare, [])
      .filter((station) => station.state === 'open')
      .map((station) => station.facet),
  ).toEqual(['Looks', 'Loot', 'Tags', 'Names']);
});
