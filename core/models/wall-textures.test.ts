import { expect, test } from '@jest/globals';
import { sampleMod, withExample } from '../inspect/sample.ts';
import { wallTextures } from './index.ts';

test('walls are made of what lies whole on the sides of full cells', () => {
  expect(wallTextures(sampleMod())).toEqual(['bank']);
  const gone = withExample(sampleMod(), { '/models/bank/slots/face': 'saltmarsh:nowhere' });
  expect(wallTextures(gone)).toEqual([]);
  const others = withExample(sampleMod(), { '/models/bank/slots/face': 'driftwood:plank' });
  expect(wallTextures(others)).toEqual([]);
});
