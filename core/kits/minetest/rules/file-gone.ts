import type { Place } from '../../../json/index.ts';
import { engineRule } from './engine-rule.ts';

/** The tables that name pictures and meshes. */
const naming = ['blocks.lua', 'items.lua'];
const named = /"(\w+\.(?:png|obj))"/g;
/** A sound is named without its number and ending, beside how loud it is. */
const heard = /name = "(\w+)",\s*gain = /g;

/** Line and column of a place in a text, both from 1. */
function placeIn(text: string, index: number): Place {
  const before = text.slice(0, index).split('\n');
  return { line: before.length, column: (before.at(-1)?.length ?? 0) + 1 };
}

export const fileGone = engineRule({
  id: 'engine/file-gone',
  severity: 'error',
  title: 'Picture, mesh or sound that is not there',
  why: 'What the engine does not find it draws in one colour, or not at all, and it is silent.',
  messages: { gone: '{name} is named here, and no folder of the mod holds it.' },
  fails: { 'textures/saltmarsh_bank.png': null },
  passes: {},
  check: (files) => {
    const there = new Set(
      [...files.keys()].flatMap((path) => {
        const file = path.slice(path.lastIndexOf('/') + 1);
        return [file, file.replace(/(\.\d)?\.ogg$/, '')];
      }),
    );
    return naming.flatMap((file) => {
      const text = new TextDecoder().decode(files.get(file) ?? new Uint8Array());
      const first = new Map<string, number>();
      for (const { 1: name = '', index } of [...text.matchAll(named), ...text.matchAll(heard)])
        if (!there.has(name) && !first.has(name)) first.set(name, index);
      return [...first].map(([name, index]) => ({
        file,
        place: placeIn(text, index),
        says: 'gone',
        parts: { name },
      }));
    });
  },
});
