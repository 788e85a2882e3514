import type { Told } from '../../../core/yard/index.ts';

/** What came of something, in a sentence; nothing for what is only heard. */
export function toldInWords(told: Told): string[] {
  switch (told.told) {
    case 'placed':
      return [
        `It stands at ${told.place.join(', ')}` +
          (told.because.length
            ? `: ${told.because.map(({ property, value }) => `${property} ${String(value)}`).join(', ')}.`
            : '.'),
      ];
    case 'broken':
      return [
        told.drops.length
          ? `It is broken and drops ${told.drops.map(({ item, count }) => `${count} ${item}`).join(', ')}.`
          : 'It is broken and drops nothing.',
      ];
    case 'poured':
      return [`${told.of} is poured out at ${told.place.join(', ')}; ${told.item} is left.`];
    case 'filled':
      return [`${told.of} is taken up; ${told.item} is in the hand.`];
    case 'harmed':
      return [`Touching it costs ${(told.share * 100).toFixed(0)} % of a life a second.`];
    case 'note':
      return [told.text];
    default:
      return [];
  }
}
