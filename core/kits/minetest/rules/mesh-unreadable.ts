import { engineRule } from './engine-rule.ts';

/** What is wrong with the text of a mesh; undefined for one that is whole. */
function flawOf(text: string): { says: string; parts?: Record<string, string> } | undefined {
  let points = 0;
  let places = 0;
  let faces = 0;
  for (const line of text.split('\n')) {
    const [word, ...rest] = line.trim().split(/\s+/);
    if (word === 'v' || word === 'vt' || word === 'vn') {
      if (!rest.length || rest.some((one) => !Number.isFinite(Number(one))))
        return { says: 'number', parts: { line } };
      if (word === 'v') points += 1;
      if (word === 'vt') places += 1;
    }
    if (word !== 'f') continue;
    faces += 1;
    for (const corner of rest) {
      const [point = 0, place = 0] = corner.split('/').map(Number);
      if (!(point > 0 && point <= points && place > 0 && place <= places))
        return { says: 'corner', parts: { corner } };
    }
    if (rest.length < 3) return { says: 'corner', parts: { corner: line } };
  }
  return faces ? undefined : { says: 'empty' };
}

export const meshUnreadable = engineRule({
  id: 'engine/mesh-unreadable',
  severity: 'error',
  title: 'Mesh that is not whole',
  why: 'A mesh that was cut short or edited badly is not drawn, or drawn with holes.',
  messages: {
    number: 'This line is no row of numbers: {line}',
    corner: 'A face asks for a corner that the file does not hold: {corner}',
    empty: 'The file holds no face.',
  },
  fails: { 'models/saltmarsh_lamp.obj': 'o lamp\n' },
  passes: {},
  check: (files) =>
    [...files].flatMap(([file, bytes]) => {
      if (!file.startsWith('models/') || !file.endsWith('.obj')) return [];
      const flaw = flawOf(new TextDecoder().decode(bytes));
      return flaw ? [{ file, ...flaw }] : [];
    }),
});
