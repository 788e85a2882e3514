import { expect, test } from '@jest/globals';
import { placeIn } from './address.ts';

test.each([
  ['/m/saltmarsh/blocks/brine/looks', '?state=3', { block: 'brine', facet: 'Looks', state: 3 }],
  ['/m/saltmarsh/blocks/brine', '', { block: 'brine', facet: undefined, state: undefined }],
  [
    '/m/saltmarsh/blocks/brine/nowhere',
    '?state=x',
    { block: 'brine', facet: undefined, state: undefined },
  ],
  ['/m/saltmarsh/blocks', '', {}],
  ['/m/saltmarsh/build', '?state=3', {}],
])('%s%s', (pathname, search, place) => expect(placeIn(pathname, search)).toEqual(place));
