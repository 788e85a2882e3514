import { readerRule } from './pack-rule.ts';

export const packSoundUnreadable = readerRule({
  id: 'pack/sound-unreadable',
  severity: 'error',
  title: 'Not the sound that its name says',
  why: 'A sound in another format than its ending says stays silent.',
  fails: { 'view/sounds/drip.wav': 'MP3' },
  passes: {},
});
