import { expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** What is no control by itself: the frame of the page, dialogs, and what needs a place of its own. */
const withoutSample = [
  'ask-first.tsx',
  'conflict.tsx',
  'desk-head.tsx',
  'findings-line.tsx',
  'findings-tag.tsx',
  'first-steps/first-steps.tsx',
  'folder-mark.tsx',
  'form-choice.tsx',
  'frame.tsx',
  'from-family.tsx',
  'gone.tsx',
  'group-field.tsx',
  'how-had.tsx',
  'keys/keys-sheet.tsx',
  'later.tsx',
  'loot/condition-editor.tsx',
  'loot/draws-editor.tsx',
  'loot/lot-card.tsx',
  'make-it-depend.tsx',
  'mends.tsx',
  'name-field.tsx',
  'open-in.tsx',
  'palette.tsx',
  'past-band.tsx',
  'rename-field.tsx',
  'sound-facts.tsx',
  'waiting.tsx',
];

test('every shared control has a sample on the page of parts, or is named as one without', () => {
  const samples = readFileSync('web/places/parts/samples.tsx', 'utf8');
  const parts = readdirSync('web/parts', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.tsx'))
    .map((file) => file.split(path.sep).join('/'));
  const shown = parts.filter((file) => samples.includes(`'../../parts/${file}'`));
  expect(parts.filter((file) => !shown.includes(file)).sort()).toEqual(withoutSample);
});
