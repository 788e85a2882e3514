import { findingsRule, type ModReport } from '../../rule.ts';
import { changeGravity, tellAgain } from '../../silence.ts';

export const silencedForNothing = findingsRule({
  id: 'registry/silenced-for-nothing',
  severity: 'hint',
  title: 'Silent about what is not there',
  why:
    'The mod keeps a reason not to be told of something, but there is nothing of the kind any ' +
    'more. When it comes back it may be for another reason, and nobody would hear of it.',
  messages: {
    finding: 'The mod is silent about a finding that is not there any more: {message}',
    rule: 'The mod leaves out {rule}, which finds nothing.',
    unknown: 'The mod lets {rule} count otherwise, but there is no such rule.',
  },
  fails: {
    '/header/inspection': {
      silenced: [
        { rule: 'loot/none-said', message: 'bank drops nothing.', why: 'Silt is worth nothing.' },
      ],
    },
  },
  passes: {
    '/blocks/lamp/identity/group': null,
    '/header/inspection': {
      rules: { 'identity/no-group': { gravity: 'off', why: 'Commands give it.' } },
    },
  },
  check(mod, findings, all) {
    const { rules = {}, silenced = [] } = mod.header.inspection ?? {};
    // What files or neighbours are asked for is not known here.
    const isAsked = (rule: string) => !['files', 'neighbours'].includes(all.get(rule) ?? '');
    const found = new Set(findings.map(({ rule, message }) => `${rule}\n${message}`));
    const telling = new Set(findings.map(({ rule }) => rule));
    const ofFindings = silenced.flatMap(({ rule, message }, i): ModReport[] =>
      found.has(`${rule}\n${message}`) || !isAsked(rule)
        ? []
        : [
            {
              at: ['header', 'inspection', 'silenced', i],
              says: 'finding',
              parts: { message },
              fix: { title: 'Tell it again', changes: tellAgain(mod, i) },
            },
          ],
    );
    const ofRules = Object.entries(rules).flatMap(([rule, { gravity }]): ModReport[] => {
      const isKnown = all.has(rule);
      if (isKnown && (gravity !== 'off' || telling.has(rule) || !isAsked(rule))) return [];
      return [
        {
          at: ['header', 'inspection', 'rules', rule],
          says: isKnown ? 'rule' : 'unknown',
          parts: { rule },
          fix: { title: 'Let it count again', changes: changeGravity(mod, rule, undefined) },
        },
      ];
    });
    return [...ofFindings, ...ofRules];
  },
});
