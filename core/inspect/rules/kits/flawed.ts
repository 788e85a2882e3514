import { ownKitsOf, type KitProblem, type WrittenKit } from '../../../kits/index.ts';
import { kitFile } from '../../../mod/index.ts';
import { pointerSteps } from '../../../json/index.ts';
import { modRule } from '../../rule.ts';

const example = (template: string) => ({
  '/kits/tidal': {
    model: 1,
    title: 'Tidal',
    files: [{ for: 'block', path: '{{ block.name }}.txt', template: 'block.liquid' }],
  },
  '/kitFiles/tidal~1block.liquid': { text: template },
});

/** Where in the mod a problem of a kit lies. */
export function placeOfProblem(
  kit: Pick<WrittenKit, 'name'>,
  { file, pointer = '' }: KitProblem,
): (string | number)[] {
  if (file !== kitFile) return ['kitFiles', `${kit.name}/${file}`];
  return ['kits', kit.name, ...pointerSteps(pointer)];
}

/** What a problem of a kit says, with its line. */
export const problemInWords = ({ place, message }: KitProblem): string =>
  place ? `line ${place.line}, column ${place.column}: ${message}` : message;

export const kitFlawed = modRule({
  id: 'kits/flawed',
  severity: 'error',
  title: 'Kit that cannot write',
  why:
    'A template that cannot be read writes nothing, and a build for the kit stops at it. The ' +
    'workshop shows the line.',
  messages: { flawed: 'The kit {kit} cannot write with {file}: {problem}' },
  fails: example('{{ block.name | jsn }}\n'),
  passes: example('{{ block.name | json }}\n'),
  check: (mod) =>
    ownKitsOf(mod).flatMap((kit) =>
      kit.writer.problems().map((problem) => ({
        at: placeOfProblem(kit, problem),
        says: 'flawed',
        parts: { kit: kit.title, file: problem.file, problem: problemInWords(problem) },
      })),
    ),
});
