import { pointer } from '../../../json/index.ts';
import { idOf, lookUp, ownName, stockSoundSets, type Fluid } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import type { ModView } from '../../view.ts';
import { withFluid } from './example.ts';

export const fluidThingUnknown = modRule({
  id: 'fluids/thing-unknown',
  severity: 'error',
  title: 'Fluid that names what does not exist',
  why:
    'What a fluid leaves, what it meets, the ground of its pools and its sounds are named by their ' +
    'ids. What does not exist never happens, or is drawn as a marker.',
  messages: {
    unknown: '{what} {id}, which does not exist.{hint}',
    leavesFluid: '{fluid} leaves {id} where it dries, and that is a fluid: it must be a block.',
  },
  fails: withFluid({ leaves: 'saltmarsh:bnak' }),
  passes: withFluid({ leaves: 'saltmarsh:bank' }),
  check: (mod) =>
    Object.entries(mod.fluids).flatMap(([name, fluid]) =>
      namedBy(name, fluid).flatMap((naming) => reportOf(mod, name, naming)),
    ),
});

/** Something that a fluid names: how a sentence begins, and among which kinds it is looked for. */
interface Naming {
  at: (string | number)[];
  id: string;
  what: string;
  among: readonly ('blocks' | 'fluids' | 'blockTags' | 'soundSets')[];
}

function namedBy(name: string, { leaves, meets = [], pools = [], soundSet }: Fluid): Naming[] {
  const things = ['blocks', 'fluids'] as const;
  return [
    ...(leaves === undefined
      ? []
      : [{ at: ['leaves'], id: leaves, what: `${name} leaves`, among: things }]),
    ...meets.flatMap(({ with: met, becomes }, i) => [
      { at: ['meets', i, 'with'], id: met, what: `${name} meets`, among: things },
      { at: ['meets', i, 'becomes'], id: becomes, what: `${name} becomes`, among: things },
    ]),
    ...pools.map(({ in: ground }, i) => ({
      at: ['pools', i, 'in'],
      id: ground,
      what: `A pool of ${name} lies in`,
      among: ground.startsWith('#') ? (['blockTags'] as const) : (['blocks'] as const),
    })),
    ...(soundSet === undefined
      ? []
      : [
          {
            at: ['soundSet'],
            id: soundSet,
            what: `${name} sounds as`,
            among: ['soundSets'] as const,
          },
        ]),
  ];
}

const entriesOf = (
  mod: ModView,
  kind: Naming['among'][number],
): Readonly<Record<string, unknown>> => (kind === 'blocks' ? mod.present : mod[kind]);

function reportOf(mod: ModView, fluid: string, { at, id, what, among }: Naming): ModReport[] {
  const { namespace } = mod.header;
  const bare = id.replace(/^#/, '');
  const path = ['fluids', fluid, ...at];
  const own = ownName(namespace, bare);
  if (at[0] === 'leaves' && own !== undefined && lookUp<unknown>(mod.fluids, own))
    return [{ at: path, says: 'leavesFluid', parts: { fluid, id } }];
  const isKnown =
    own === undefined
      ? !bare.startsWith('obrank:') || !among.includes('soundSets') || stockSoundSets.includes(bare)
      : among.some((kind) => lookUp<unknown>(entriesOf(mod, kind), own) !== undefined);
  if (isKnown) return [];
  const near = closest(
    bare,
    among.flatMap((kind) => Object.keys(entriesOf(mod, kind)).map((name) => idOf(namespace, name))),
  );
  const meant = near && (id.startsWith('#') ? `#${near}` : near);
  return [
    {
      at: path,
      says: 'unknown',
      parts: { what, id, hint: didYouMean(meant) },
      fix: meant
        ? { title: `Name ${meant}`, changes: [{ path: pointer(path), before: id, after: meant }] }
        : undefined,
    },
  ];
}
