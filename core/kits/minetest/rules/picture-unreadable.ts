import { decodePicture, PictureProblem } from '../../../textures/index.ts';
import { engineRule } from './engine-rule.ts';

export const pictureUnreadable = engineRule({
  id: 'engine/picture-unreadable',
  severity: 'error',
  title: 'Not a whole PNG',
  why: 'A picture in another format, or cut short while copying, cannot be drawn.',
  messages: { unreadable: '{problem}' },
  fails: { 'textures/saltmarsh_bank.png': 'GIF89a' },
  passes: {},
  check: (files) =>
    [...files].flatMap(([file, bytes]) => {
      if (!file.startsWith('textures/') || !file.endsWith('.png')) return [];
      try {
        decodePicture(bytes);
        return [];
      } catch (error) {
        if (!(error instanceof PictureProblem)) throw error;
        return [{ file, says: 'unreadable', parts: { problem: error.message } }];
      }
    }),
});
