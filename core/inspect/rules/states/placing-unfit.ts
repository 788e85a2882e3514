import { valuesOf } from '../../../states/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

const fitting = { 'toward the player': ['heading', 'direction'], 'away from the player': ['heading', 'direction'], 'clicked side': ['direction', 'heading'], 'along the clicked side': ['axis'], fixed: undefined } as const;

export const placingUnfit = blockRule({
  id: 'states/placing-unfit', severity: 'error', title: 'Placing gives a value that the property does not have',
  why: 'A placing rule sets a property when the block is placed. If the property does not exist, or cannot hold what the rule gives, the block is placed in a wrong state.',
  fails: { '/blocks/lamp/states/placing/0': { set: 'heading', to: 'along the clicked side' } },
  passes: { '/blocks/lamp/states/placing/0': { set: 'heading', to: 'away from the player' } },
  check({ name, space, declared }) {
    return (declared.states.placing ?? []).flatMap((placing, i) => {
      const property = space.properties.find((one) => one.name === placing.set);
      const at = ['states', 'placing', i];
      if (!property) return [{ at: [...at, 'set'], message: `${name}: placing sets ${placing.set}, which is no property of the block.${didYouMean(closest(placing.set, space.properties.map((one) => one.name)))}` }];
      const kinds: readonly string[] | undefined = fitting[placing.to];
      if (kinds && !kinds.includes(property.kind)) return [{ at: [...at, 'to'], message: `${name}: placing sets ${placing.set} ${placing.to}, but ${placing.set} is a ${property.kind}.` }];
      if (!kinds && (placing.value === undefined || !valuesOf(property).includes(placing.value))) return [{ at: [...at, 'value'], message: `${name}: placing sets ${placing.set} to ${String(placing.value)}, which is not one of its values.` }];
      return [];
    });
  },
});
