import { blockRule, type BlockReport } from '../../rule.ts';

export const noGroup = blockRule({
  id: 'identity/no-group',
  severity: 'warning',
  guesses: true,
  title: 'No catalogue group',
  why:
    'Players find a block in the catalogue of the game. A block without a group, or in ' +
    'one that the mod does not have, is on no shelf, so nobody can find it.',
  messages: {
    inNone: '{block} is in no catalogue group, so players cannot find it.',
    groupUnknown: '{block} is in the catalogue group {group}, which the mod does not have.',
  },
  fails: { '/blocks/lamp/identity/group': null },
  passes: { '/blocks/lamp/identity/group': 'shore' },
  check({ declared, name, item }, context): BlockReport[] {
    const { group } = declared.identity;
    const groups = context.header.groups.map((one) => one.name);
    if (item === 'none') return [];
    // A mod without groups puts nothing into any.
    if (group === undefined ? !groups.length : groups.includes(group)) return [];
    const fix =
      groups[0] === undefined
        ? undefined
        : context.set(`Put it into ${groups[0]}`, ['identity', 'group'], groups[0]);
    return [
      {
        at: ['identity', 'group'],
        fix,
        ...(group === undefined
          ? { says: 'inNone', parts: { block: name } }
          : {
              says: 'groupUnknown',
              cause: `The mod has no catalogue group ${group}.`,
              parts: { block: name, group },
            }),
      },
    ];
  },
});
