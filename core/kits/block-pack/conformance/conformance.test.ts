import { expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** Sections that say how a pack is written, not what comes of it: the reader and the checker. */
const notOfAWorld = new Set([
  'Ground rules',
  'Files',
  'Mistakes and choices',
  'Recipes',
  'Numbers',
  'Digests',
]);

/** Sentences of which nothing comes in the Yard, each with why. */
const elsewhere: Readonly<Record<string, string>> = {
  '`byCode` says that': "a mod's own code does not run here",
  'A code that stood for a state once': 'a promise of whoever writes: the ledger holds it',
  'Entries stand in the order': 'a promise of whoever writes: the ledger holds it',
  'The numbers of all four kinds': 'a promise of whoever writes: the ledger holds it',
  'Numbers never move': 'a promise of whoever writes: the ledger holds it',
  '`properties` and `placement` say the states': 'for a checker that has not the other mod',
  'Of two packs with a new look': 'one pack is loaded here',
  'All colours are': 'the schema holds it',
  'Of `pools` the world has one': 'scenes are laid by hand: nothing is strewn over a land',
  'It is round, as many blocks wide': 'scenes are laid by hand: nothing is strewn over a land',
  'The tag of a kind holds': 'the checker compares the tags with the blocks',
};

interface Clause {
  section: string;
  text: string;
}

/** The clauses of a text: each sentence, each item of a list, each row of a table. */
function clausesOf(text: string): Clause[] {
  let section = '';
  let isCode = false;
  let isHead = true;
  return text.split('\n').flatMap((line): Clause[] => {
    if (line.startsWith('```')) isCode = !isCode;
    if (line.startsWith('#')) section = line.replace(/^#+ /, '');
    const isRule = line.startsWith('|---');
    const wasHead = line.startsWith('|') && isHead;
    isHead = !line.startsWith('|');
    if (isCode || wasHead || isRule || /^(#|```|<!--|$)/.test(line)) return [];
    if (notOfAWorld.has(section) || section === 'Block Pack, edition 1') return [];
    if (line.startsWith('|')) return [{ section, text: line.slice(2) }];
    return line
      .replace(/^(- |\d\. )/, '')
      .split(/(?<=\.) (?=[A-Z`_"])/)
      .map((one) => ({ section, text: one }));
  });
}

/** What tests say that they hold: `clause('Rows', 'The first row')`. */
function named(): Clause[] {
  const folder = 'core/kits/block-pack/conformance';
  const calls = readdirSync(folder)
    .filter((file) => file.endsWith('.test.ts') && file !== 'conformance.test.ts')
    .flatMap((file) => [
      ...readFileSync(path.join(folder, file), 'utf8').matchAll(/\bclause\(((?:[^()'"]|'[^']*'|"[^"]*")*)\)/g), // prettier-ignore
    ]);
  return calls.flatMap(([, args = '']) => {
    const [section = '', ...begins] = [...args.matchAll(/'([^']*)'|"([^"]*)"/g)].map(
      ([, single, double]) => single ?? double ?? '',
    );
    return begins.map((text) => ({ section, text }));
  });
}

const clauses = clausesOf(readFileSync('docs/block-pack.md', 'utf8'));
/** A row of a table is begun as it reads. */
const begins = (clause: Clause, text: string): boolean => clause.text.startsWith(text);

test('every clause of the format has a test in the Yard, or a reason why not', () => {
  const held = named();
  const open = clauses.filter(
    (clause) =>
      !held.some(({ section, text }) => section === clause.section && begins(clause, text)) &&
      !Object.keys(elsewhere).some((text) => begins(clause, text)),
  );
  expect(open.map(({ section, text }) => `${section}: ${text.slice(0, 80)}`)).toEqual([]);
});

test('every test is of a clause that is there, and every reason too', () => {
  const isThere = (section: string | undefined, text: string) =>
    clauses.some(
      (clause) => (section === undefined || clause.section === section) && begins(clause, text),
    );
  expect(named().filter(({ section, text }) => !isThere(section, text))).toEqual([]);
  expect(Object.keys(elsewhere).filter((text) => !isThere(undefined, text))).toEqual([]);
  expect(clauses.length).toBeGreaterThan(150);
});
