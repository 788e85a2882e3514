/** A stretch of a template that is coloured as one: what is printed, what is done, or what stands as it is. */
export interface Stretch {
  text: string;
  kind: 'plain' | 'printed' | 'done';
}

/**
 * A template in stretches: what stands between `{{ }}` is printed, what stands between `{% %}` is
 * done.
 *
 * @example stretchesOf('a {{ b }}') // [{ text: 'a ', kind: 'plain' }, { text: '{{ b }}', kind: 'printed' }]
 */
export function stretchesOf(template: string): Stretch[] {
  const made: Stretch[] = [];
  let last = 0;
  for (const match of template.matchAll(/\{\{[\s\S]*?(?:\}\}|$)|\{%[\s\S]*?(?:%\}|$)/g)) {
    if (match.index > last) made.push({ text: template.slice(last, match.index), kind: 'plain' });
    made.push({ text: match[0], kind: match[0].startsWith('{{') ? 'printed' : 'done' });
    last = match.index + match[0].length;
  }
  if (last < template.length) made.push({ text: template.slice(last), kind: 'plain' });
  return made;
}

/** The stretches with those parts apart that lie between two offsets. */
export function withPart(
  stretches: readonly Stretch[],
  begin: number,
  end: number,
): (Stretch & { isPart: boolean })[] {
  let at = 0;
  return stretches.flatMap(({ text, kind }) => {
    const from = at;
    at += text.length;
    const cuts = [0, begin - from, end - from, text.length].map((cut) =>
      Math.min(text.length, Math.max(0, cut)),
    );
    return [0, 1, 2].flatMap((i) => {
      const part = text.slice(cuts[i], cuts[i + 1]);
      return part ? [{ text: part, kind, isPart: i === 1 }] : [];
    });
  });
}

/** How many lines a text has. */
export const linesIn = (text: string): number => text.split('\n').length;
