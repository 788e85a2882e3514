/** A filter of a kit, in words, with an example that a test carries out. */
export interface FilterWords {
  name: string;
  words: string;
  example: string;
  gives: string;
}

/** Every filter that is our own. The documents are made from these. */
export const filterWords: readonly FilterWords[] = [
  {
    name: 'json',
    words:
      'JSON in one line or, with a number, over several lines with so many spaces. What is null in ' +
      'a group is left out.',
    example: '{{ "a,b" | split: "," | json }}',
    gives: '["a","b"]',
  },
  {
    name: 'indent',
    words: 'Puts so many spaces before each line but the first.',
    example: '{{ "a,b" | split: "," | json: 2 | indent: 2 }}',
    gives: '[\n    "a",\n    "b"\n  ]',
  },
  {
    name: 'angles',
    words:
      'The angles of a candidate about the axes that `limits.orientations` names, or of a word such ' +
      'as "xy": a group with a number for each axis. A second word, clockwise or counterclockwise, ' +
      'says which way. An error where no such angles lead there.',
    example: '{{ candidate | angles: "xy" | json }}',
    gives: '{"x":0,"y":90}',
  },
  {
    name: 'scale',
    words:
      'Multiplies a number, or all numbers of a list; rounds to 6 digits, or to as many as a second ' +
      'number says.',
    example: '{{ 8 | scale: 0.0625 }}',
    gives: '0.5',
  },
  {
    name: 'case',
    words: 'Writes the words of a name together: snake, kebab, camel, pascal or upper.',
    example: '{{ "saltmarsh:tide_lantern" | case: "kebab" }}',
    gives: 'saltmarsh:tide-lantern',
  },
  {
    name: 'hex',
    words: 'A whole number with base 16, with so many digits at least; a colour without its #.',
    example: '{{ 255 | hex: 4 }}',
    gives: '00ff',
  },
  {
    name: 'group_by',
    words:
      'A list in groups by what each has under a path: groups with `name` and `items`, in the order ' +
      'in which they come first.',
    example: '{% assign g = list | group_by: "side" %}{{ g[0].name }} {{ g[0].items.size }}',
    gives: 'left 2',
  },
  {
    name: 'asks',
    words:
      'What the condition of a row asks, as a list: for each a `property` and its `values`. Empty ' +
      'where every state meets it.',
    example:
      '{% assign list = when | asks %}{% for one in list %}{{ one.property }} {{ one.values | join: "|" }}{% endfor %}',
    gives: 'lit true',
  },
  {
    name: 'id',
    words: 'An id as `names.ids` and `names.between` in kit.json say; a tag keeps its #.',
    example: '{{ "saltmarsh:tide_lantern" | id }}',
    gives: 'saltmarsh:tide_lantern',
  },
  {
    name: 'file',
    words: 'A name as `names.files` in kit.json says.',
    example: '{{ "tide_lantern" | file }}',
    gives: 'tide_lantern',
  },
];
