import { heldUnder, itemAt } from '../../../lists/index.ts';
import { pointer } from '../../../json/index.ts';
import { ownName } from '../../../mod/index.ts';
import { tagCircles } from '../../../tags/index.ts';
import { modRule } from '../../rule.ts';

export const tagCircle = modRule({
  id: 'tags/circle',
  severity: 'error',
  guesses: true,
  title: 'Tags in a circle',
  why:
    'A tag that contains itself, directly or through others, cannot be worked out. Strict ' +
    'engines refuse all tags of the circle.',
  messages: {
    circle: 'Tags in a circle: {way}.',
  },
  fails: {
    '/blockTags/shore/members': ['#saltmarsh:spade_dug'],
    '/blockTags/spade_dug/members': ['#saltmarsh:shore'],
  },
  passes: { '/blockTags/shore/members': ['#saltmarsh:spade_dug'] },
  check: (mod) =>
    (['blockTags', 'itemTags'] as const).flatMap((kind) =>
      tagCircles(mod, kind).map((circle) => {
        const last = ownName(mod.header.namespace, circle.at(-1)!)!;
        const { members = [] } = heldUnder(mod[kind], last);
        const after = members.filter((member) => member !== `#${itemAt(circle, 0)}`);
        return {
          at: [kind, last, 'members'],
          says: 'circle',
          parts: { way: [...circle, itemAt(circle, 0)].join(' names ') },
          fix: {
            title: `Take ${itemAt(circle, 0)} out of ${circle.at(-1)!}`,
            changes: [{ path: pointer([kind, last, 'members']), before: members, after }],
          },
        };
      }),
    ),
});
