import { renameKeys, type Migration } from './step.ts';

/** Says in a word of its own that the world has a thing: "found" meant many things. */
export const natural: Migration = {
  edition: 2,
  title: 'What the world has without anybody making it is called natural, no longer found.',
  ...renameKeys([
    { kind: 'blocks', within: ['identity'], from: 'found', to: 'natural' },
    { kind: 'items', within: [], from: 'found', to: 'natural' },
  ]),
};
