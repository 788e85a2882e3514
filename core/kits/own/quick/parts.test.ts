import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Liquid } from 'liquidjs';
import { Templates } from '../engine.ts';

/** The engine as it carries out templates by itself. */
const files = {
  'row.liquid': '[{{ of }}{% if last %}.{% endif %}]',
  'loop.liquid':
    '{% for x in list %}{{ forloop.index }}{% render "row.liquid", of: x, last: true %}{% endfor %}',
};
const plainly = new Liquid({
  templates: files,
  relativeReference: false,
  strictFilters: true,
  strictVariables: true,
  ownPropertyOnly: true,
});
const scope = {
  block: { name: 'gate', light: 7, hard: 0, tags: ['wet', 'wood'], note: null, isLit: true },
  list: ['a', 'b', 'c'],
  none: [],
  empty: '',
};

const names = fc.constantFrom(
  'block.name',
  'block.light',
  'block.hard',
  'block.note',
  'block.isLit',
  'block.tags.size',
  'block.tags[1]',
  'block.tags.first',
  'list.last',
  'empty',
  'gone',
  'block.gone',
);
const literals = fc.constantFrom('7', '"gate"', 'true', 'false', 'nil', 'empty', 'blank', '-1.5');
const anything = fc.oneof(names, literals);
const filters = fc.constantFrom(
  '',
  ' | upcase',
  ' | append: "x"',
  ' | append: block.name',
  ' | plus: block.light',
  ' | default: "d"',
  ' | replace: "a", "o"',
);
const operators = fc.constantFrom('==', '!=', '<', '>', '<=', '>=', 'contains');
const conditions = fc.oneof(
  names,
  fc.tuple(anything, operators, anything).map((parts) => parts.join(' ')),
  fc.tuple(names, fc.constantFrom('and', 'or'), names).map((parts) => parts.join(' ')),
);
const output = fc.tuple(anything, filters).map((parts) => `{{ ${parts.join('')} }}`);

const template = fc.letrec<{ part: string; parts: string }>((tie) => ({
  part: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom('text ', '- '),
    output,
    fc
      .tuple(conditions, tie('parts'), tie('parts'))
      .map(([test, one, other]) => `{% if ${test} %}${one}{% else %}${other}{% endif %}`),
    fc
      .tuple(conditions, tie('parts'))
      .map(([test, one]) => `{% unless ${test} %}${one}{% endunless %}`),
    fc
      .tuple(fc.constantFrom('list', 'none', 'block.tags', 'block', 'empty', 'gone'), tie('parts'))
      .map(
        ([list, one]) =>
          `{% for x in ${list} %}{{ x }}{{ forloop.index0 }}{% if forloop.last %}!{% endif %}${one}` +
          '{% else %}nobody{% endfor %}',
      ),
    fc
      .tuple(anything, filters)
      .map(([value, filter]) => `{% assign y = ${value}${filter} %}{{ y }}`),
    fc.constantFrom(
      '{% for x in list %}{% if x == "b" %}{% break %}{% endif %}{{ x }}{% endfor %}',
      '{% for x in list %}{% if x == "b" %}{% continue %}{% endif %}{{ x }}{% endfor %}',
      '{% for x in list limit: 2 reversed %}{{ x }}{% endfor %}',
      '{% for x in (1..block.light) %}{{ x }}{% endfor %}',
      '{% render "loop.liquid", list: list %}',
      '{% render "row.liquid", of: block.name, last: false %}',
      '{% render "row.liquid" for list as of, last: true %}',
      '{% for x in list %}{{ forloop.rindex }}{{ forloop.rindex0 }}{{ forloop.first }}{% endfor %}',
      '{% case block.light %}{% when 7 %}seven{% else %}other{% endcase %}',
      '{% capture z %}{{ block.name }}{% endcapture %}{{ z }}',
    ),
  ),
  parts: fc.array(tie('part'), { maxLength: 4 }).map((parts) => parts.join('')),
}));

test('whatever a template says, it writes what the engine writes, or refuses what it refuses', () =>
  fc.assert(
    fc.property(template.parts, (text) => {
      let wanted: string | undefined;
      try {
        wanted = plainly.parseAndRenderSync(text, structuredClone(scope)) as string;
      } catch {
        wanted = undefined;
      }
      const templates = new Templates(new Map(Object.entries(files)), {});
      const got = templates.renderLine('t', text, { own: structuredClone(scope), everywhere: {} });
      expect('text' in got ? got.text : undefined).toBe(wanted);
    }),
    { numRuns: 600 },
  ));
