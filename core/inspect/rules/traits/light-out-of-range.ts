import { blockRule } from '../../rule.ts';

export const lightOutOfRange = blockRule({
  id: 'traits/light-out-of-range',
  severity: 'error',
  title: 'Light out of range',
  why: 'Light levels are whole numbers from 0 to 15. A fraction such as 0.8 usually means a share of the brightest light.',
  fails: { '/blocks/lamp/traits/lightEmitted': 0.8 },
  passes: { '/blocks/lamp/traits/lightEmitted': 12 },
  check({ traits, name, declared }, context) {
    return (['lightEmitted', 'lightAbsorbed'] as const).flatMap((trait) =>
      traits[trait].flatMap(({ value }, row) => {
        if (Number.isInteger(value) && value >= 0 && value <= 15) return [];
        const meant =
          value > 0 && value < 1
            ? Math.round(value * 15)
            : Math.min(15, Math.max(0, Math.round(value)));
        const at = [
          'traits',
          trait,
          ...(Array.isArray(declared.traits[trait]) ? [row, 'value'] : []),
        ];
        return [
          {
            at,
            message: `${name} has light ${trait === 'lightEmitted' ? 'emitted' : 'absorbed'} ${value}; levels are whole numbers from 0 to 15.`,
            fix:
              declared.traits[trait] === undefined
                ? undefined
                : context.set(`Make it ${meant}`, at, meant),
          },
        ];
      }),
    );
  },
});
