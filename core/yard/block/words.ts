import type { PlacingRule } from '../pack-world.ts';
import type { Because } from './place.ts';

const list = (words: readonly string[]): string => words.join(' or ');

/** What a rule of placing asks and sets, in words: `toward the player, where up was clicked`. */
export function placingInWords({ to, value, when = {}, side }: PlacingRule): string {
  const { clicked, half, crouching, signal, solid } = when;
  const asks = [
    ...(clicked ? [`${list(clicked)} was clicked`] : []),
    ...(half ? [`the ${half} half was clicked`] : []),
    ...(crouching === undefined ? [] : [crouching ? 'they crouch' : 'they do not crouch']),
    ...(signal === undefined ? [] : [signal ? 'a signal comes' : 'no signal comes']),
    ...(solid ? [`it is solid to the ${list(solid)}`] : []),
  ];
  const sets =
    to === 'fixed' ? `always ${String(value)}` : to === 'joined' ? `joined to the ${side}` : to;
  return asks.length ? `${sets}, where ${asks.join(' and ')}` : sets;
}

/** Why a property has its value: the number of the rule that set it, from 1, and what that says. */
export function becauseInWords(rules: readonly PlacingRule[], { rule }: Because): string {
  const found = rule === undefined ? undefined : rules[rule];
  return found && rule !== undefined
    ? `rule ${rule + 1}: ${placingInWords(found)}`
    : 'no rule set it: its default';
}
