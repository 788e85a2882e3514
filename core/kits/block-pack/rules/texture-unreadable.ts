import { readerRule } from './pack-rule.ts';

export const textureUnreadable = readerRule({
  id: 'textures/unreadable',
  severity: 'error',
  title: 'Not a whole PNG',
  why: 'A picture in another format, or cut short while copying, cannot be drawn.',
  fails: { 'view/textures/bank.png': 'GIF89a' },
  passes: {},
});
