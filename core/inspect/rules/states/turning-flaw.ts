import { turningFlaw, turningOf } from '../../../placing/index.ts';
import { blockRule } from '../../rule.ts';

export const turningDoesNotReturn = blockRule({
  id: 'states/turning-flaw',
  severity: 'error',
  guesses: true,
  title: 'Turning a structure does not come back',
  why:
    'A structure that is turned four times, or mirrored twice, must be what it was. What ' +
    'the values of a choice become must follow the same law.',
  messages: {
    turningFlaw: '{block}: after {what} the state {state} comes back as {back}.',
  },
  fails: {
    '/blocks/lamp/states/properties/2': {
      name: 'corner',
      kind: 'choice',
      values: ['ne', 'se', 'sw'],
      default: 'ne',
      turned: { ne: 'se', se: 'sw', sw: 'ne' },
      byCode: true,
    },
  },
  passes: {
    '/blocks/lamp/states/properties/2': {
      name: 'corner',
      kind: 'choice',
      values: ['ne', 'se', 'sw', 'nw'],
      default: 'ne',
      turned: { ne: 'se', se: 'sw', sw: 'nw', nw: 'ne' },
      mirrored: { ne: 'nw', nw: 'ne', se: 'sw', sw: 'se' },
      byCode: true,
    },
  },
  check({ name, space, declared }, context) {
    if (space.tooLarge) return [];
    const flaw = turningFlaw(turningOf(space, declared.states.placing ?? []));
    if (!flaw) return [];
    const choices = space.properties.flatMap((property, i) =>
      property.kind === 'choice' && (property.turned || property.mirrored) ? [i] : [],
    );
    const fix = choices.length
      ? context.setAll(
          'Let the choices stay as they are',
          choices.flatMap(
            (i) =>
              [
                [['states', 'properties', i, 'turned'], undefined],
                [['states', 'properties', i, 'mirrored'], undefined],
              ] as const,
          ),
        )
      : undefined;
    return [
      {
        at: ['states', 'properties', choices[0] ?? 0],
        says: 'turningFlaw',
        parts: {
          block: name,
          what: flaw.what,
          state: space.describe(flaw.state),
          back: space.describe(flaw.back),
        },
        fix,
      },
    ];
  },
});
