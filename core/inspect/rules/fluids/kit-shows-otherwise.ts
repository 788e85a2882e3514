import { engineKit } from '../../../kits/index.ts';
import { modRule } from '../../rule.ts';
import { withFluid } from './example.ts';

export const fluidKitShowsOtherwise = modRule({
  id: 'fluids/kit-shows-otherwise',
  severity: 'hint',
  title: 'Fluid that runs otherwise in the target',
  why:
    'Engines have fluids of their own making. Where the one that the mod is built for cannot do ' +
    'what is declared, it comes as near as it can.',
  messages: { otherwise: '{fluid} in {kit}: {words}' },
  fails: { '/header/kit': engineKit.name, ...withFluid({ rises: true }) },
  passes: withFluid({ rises: true }),
  check: ({ fluids }, kit) =>
    Object.entries(fluids).flatMap(([name, fluid]) =>
      (kit.fluidShortfalls?.(fluid) ?? []).map((words) => ({
        at: ['fluids', name],
        says: 'otherwise',
        parts: { fluid: name, kit: kit.title, words },
      })),
    ),
});
