import { describe, expect, test } from '@jest/globals';
import { Templates } from './engine.ts';

const scope = {
  own: {
    block: {
      name: 'tide_lantern',
      id: 'saltmarsh:tide_lantern',
      group: null,
      tags: ['a', 'b'],
      parts: [
        { no: 1, at: { side: 'left' } },
        { no: 2, at: { side: 'right' } },
        { no: 3, at: { side: 'left' } },
      ],
      use: { front: 'east', top: 'up' },
      leaning: { front: 'north', top: 'east' },
    },
  },
  everywhere: { mod: { title: 'Saltmarsh' } },
};

const made = (template: string, others: Record<string, string> = {}) =>
  new Templates(new Map(Object.entries({ 't.liquid': template, ...others })), {
    limits: { orientations: { about: ['x', 'y'] } },
    names: { ids: { case: 'kebab' }, between: '/', files: { longest: 12, letters: 'a-z_' } },
  }).render('t.liquid', scope, true);

const textOf = (template: string, others?: Record<string, string>): string => {
  const rendered = made(template, others);
  if ('problem' in rendered) throw new Error(JSON.stringify(rendered.problem));
  return rendered.text;
};
const problemOf = (template: string, others?: Record<string, string>): string => {
  const rendered = made(template, others);
  if (!('problem' in rendered)) throw new Error(`It wrote ${rendered.text.slice(0, 200)}`);
  const { file, place, message } = rendered.problem;
  return `${file}:${place?.line}:${place?.column} ${message}`;
};

describe('what templates write', () => {
  test.each([
    ['{{ block.name }} of {{ mod.title }}', 'tide_lantern of Saltmarsh'],
    [
      '{% for tag in block.tags %}{{ tag }}{% unless forloop.last %}, {% endunless %}{% endfor %}',
      'a, b',
    ],
    ['{% if block.group == nil %}none{% endif %}', 'none'],
    ['{{ block.id | id }}', 'saltmarsh/tide-lantern'],
    ['{{ block.name | file }}', 'tide_lantern'],
    ['{{ "saltmarsh:tide_lantern" | case: "pascal" }}', 'Saltmarsh:TideLantern'],
    ['{{ "tideLantern" | case: "upper" }}', 'TIDE_LANTERN'],
    ['{{ block.tags | json }}', '["a","b"]'],
    ['{{ block | json }}', expect.not.stringContaining('group')],
    ['{{ block.tags | json: 2 | indent: 2 }}', '[\n    "a",\n    "b"\n  ]'],
    ['{{ block.use | angles | json }}', '{"x":0,"y":90}'],
    ['{{ block.use | angles: "y", "clockwise" | json }}', '{"y":270}'],
    [
      '{% assign turn = block.leaning | angles: "zyx" %}{{ turn.x }} {{ turn.z }}',
      expect.anything(),
    ],
    ['{{ 8 | scale: 0.0625 }}', '0.5'],
    ['{{ 255 | hex: 4 }} {{ "#d8cba0" | hex }}', '00ff d8cba0'],
    ['{% render "part.liquid", word: block.name %}', 'part tide_lantern in Saltmarsh'],
    ['{% capture x %}{{ block.name }}{% endcapture %}{{ x | size }}', '12'],
  ])('%s', (template, text) => {
    expect(textOf(template, { 'part.liquid': 'part {{ word }} in {{ mod.title }}' })).toEqual(text);
  });

  test('grouping keeps the order in which groups come first', () => {
    expect(
      textOf(
        '{% assign groups = block.parts | group_by: "at.side" %}' +
          '{% for group in groups %}{{ group.name }}:' +
          '{% for part in group.items %}{{ part.no }}{% endfor %} {% endfor %}',
      ),
    ).toBe('left:13 right:2 ');
  });
});

describe('a mistake is told in a sentence, at its line and column', () => {
  test.each([
    ['one\n  {{ blok.name }}', 't.liquid:2:6 There is no "blok" here. Did you mean block?'],
    ['{{ block.nam }}', 't.liquid:1:4 There is no "block.nam" here. Did you mean block.name?'],
    ['{{ block.name | jsn }}', /^t\.liquid:1:\d+ There is no filter "jsn"\. Did you mean json\?$/],
    ['{% fro x in y %}', /^t\.liquid:1:1 There is no tag "fro"\. Did you mean for\?$/],
    ['{% if block %}', /^t\.liquid:1:1 \{% if block %\} is never closed\.$/],
    ['{{ block }}', /^t\.liquid:1:1 This is a group of values, not one\./],
    [
      '{% render "none.liquid" %}',
      /^t\.liquid:1:1 The kit has no template "none\.liquid" to render\.$/,
    ],
    [
      '{{ block.leaning | angles }}',
      /^t\.liquid:1:1 No turns about x and y lead to front north, top east/,
    ],
    ['{{ "a_very_long_name_of_it" | file }}', /has 22 letters; 12 are allowed\.$/],
    ['{{ "é" | file }}', /The name "é" has "é" in it; only a-z_ are allowed\.$/],
    ['{{ block.name | case: "snak" }}', /After case: belongs snake, .*Did you mean snake\?$/],
    ['{{ block.name | scale: 2 }}', /Only a number, or a list of numbers, can be scaled\.$/],
    ['{{ block.group | id }}', /The filter id takes a text; this is nothing\.$/],
    ['{% render "part.liquid" %}', 'part.liquid:1:4 There is no "word" here.'],
  ])('%s', (template, told) => {
    const problem = problemOf(template, { 'part.liquid': '{{ word }}' });
    if (typeof told === 'string') expect(problem).toBe(told);
    else expect(problem).toMatch(told);
  });
});

describe('a hostile template ends in a sentence', () => {
  test.each([
    ['{% for i in (1..900000000) %}x{% endfor %}', /Its filters make more than/],
    ['{% for i in (1..3000) %}{% for j in (1..3000) %}{% endfor %}{% endfor %}', /steps\./],
    [
      '{% assign s = "x" %}{% for i in (1..99) %}{% assign s = s | append: s %}{% endfor %}',
      /more than/,
    ],
    [
      '{% capture s %}{% for i in (1..999) %}{{ mod.title }}{% endfor %}{% endcapture %}' +
        '{% for i in (1..9999) %}{{ s }}{% endfor %}',
      /It writes more than/,
    ],
    ['{% render "t.liquid" %}', /lie in one another more than 48 deep/],
    ['{% include "t.liquid" %}', /There is no tag "include"/],
    ['{% layout "t.liquid" %}', /There is no tag "layout"/],
    ['{% render "../../../../etc/passwd" %}', /The kit has no template/],
    ['{% render block.name %}', /.+/],
    ['{{ block.constructor }}', /There is no "block.constructor" here/],
    ['{{ block.__proto__ }}', /There is no "block.__proto__" here/],
    ['{{ constructor }}', /There is no "constructor" here/],
    ['{{ block.tags.constructor.constructor }}', /There is no/],
    ['{{ block.tags | map: "constructor" | first }}{{ block.tags.push }}', /There is no/],
    ['{% increment mod %}', /There is no tag "increment"/],
    ['{{ "now" | date: "%s" }}', /There is no filter "date"/],
    ['{{ block.tags | sample }}', /There is no filter "sample"/],
    [`${'{% if true %}'.repeat(20_000)}${'{% endif %}'.repeat(20_000)}`, /.+/],
    [`{{ "a" ${'| append: "a" '.repeat(50_000)}}}`, /.*/],
  ])('%#', (template, told) => {
    const rendered = made(template);
    if ('problem' in rendered) expect(rendered.problem.message).toMatch(told);
    else expect(rendered.text.length).toBeLessThan(100_000);
    expect(Object.hasOwn(Object.prototype, 'mod')).toBe(false);
  });
});

test('every letter that is written knows the part of a template that wrote it', () => {
  const template = 'a {{ block.name }}\n{% render "part.liquid", word: "w" %}z';
  const part = '<{{ word }}>';
  const rendered = made(template, { 'part.liquid': part });
  if ('problem' in rendered) throw new Error(rendered.problem.message);
  const { text, spans } = rendered;
  expect(text).toBe('a tide_lantern\n<w>z');
  expect(spans.map(({ from, to }) => text.slice(from, to)).join('')).toBe(text);
  const sources = { 't.liquid': template, 'part.liquid': part } as Record<string, string>;
  expect(
    spans.map(({ from, to, file, begin, end, isPlain }) => [
      text.slice(from, to),
      isPlain ? sources[file]!.slice(begin, end) : sources[file]!.slice(begin, end).trim(),
    ]),
  ).toEqual([
    ['a ', 'a '],
    ['tide_lantern', '{{ block.name }}'],
    ['\n', '\n'],
    ['<', '<'],
    ['w', '{{ word }}'],
    ['>', '>'],
    ['z', 'z'],
  ]);
});
