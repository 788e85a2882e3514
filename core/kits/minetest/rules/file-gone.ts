import { engineRule } from './engine-rule.ts';

/** The tables that name pictures and meshes. */
const naming = ['blocks.lua', 'items.lua'];
const named = /"(\w+\.(?:png|obj))"/g;
/** A sound is named without its number and ending, beside how loud it is. */
const heard = /name = "(\w+)",\s*gain = /g;

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
      const found = [...text.matchAll(named), ...text.matchAll(heard)];
      const names = new Set(found.map(([, name = '']) => name));
      return [...names]
        .filter((name) => !there.has(name))
        .map((name) => ({ file, says: 'gone', parts: { name } }));
    });
  },
});
