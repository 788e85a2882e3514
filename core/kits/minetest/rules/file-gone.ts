import { engineRule } from './engine-rule.ts';

/** The tables that name pictures and meshes. */
const naming = ['blocks.lua', 'items.lua'];
const named = /"(\w+\.(?:png|obj))"/g;

export const fileGone = engineRule({
  id: 'engine/file-gone',
  severity: 'error',
  title: 'Picture or mesh that is not there',
  why: 'The engine draws what it does not find as a pattern of its own, or not at all.',
  messages: { gone: '{name} is named here, and no folder of the mod holds it.' },
  fails: { 'textures/saltmarsh_bank.png': null },
  passes: {},
  check: (files) => {
    const there = new Set([...files.keys()].map((path) => path.slice(path.lastIndexOf('/') + 1)));
    return naming.flatMap((file) => {
      const text = new TextDecoder().decode(files.get(file) ?? new Uint8Array());
      const names = new Set([...text.matchAll(named)].map(([, name = '']) => name));
      return [...names]
        .filter((name) => !there.has(name))
        .map((name) => ({ file, says: 'gone', parts: { name } }));
    });
  },
});
