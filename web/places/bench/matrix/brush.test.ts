import { expect, test } from '@jest/globals';
import { repainted } from './brush.ts';

const shut = { model: 'a:shut', front: 'east' as const, share: 2 };
const open = { model: 'a:open', front: 'west' as const, top: 'down' as const, upright: true };

test(
  'another model keeps how each state is turned, another turning keeps each model and ' + 'share',
  () => {
    expect(repainted([shut], [open], 'model')).toEqual([
      { model: 'a:open', front: 'east', share: 2 },
    ]);
    expect(repainted([shut], [open], 'turned')).toEqual([
      { model: 'a:shut', share: 2, front: 'west', top: 'down', upright: true },
    ]);
    expect(repainted([open], [{ model: 'a:shut' }], 'turned')).toEqual([{ model: 'a:open' }]);
  },
);

test(
  'what showed nothing, or another number of candidates, or is painted whole, gets the ' +
    'whole stroke',
  () => {
    expect(repainted(undefined, [open], 'model')).toEqual([open]);
    expect(repainted([shut, shut], [open], 'turned')).toEqual([open]);
    expect(repainted([shut], [open])).toEqual([open]);
  },
);
