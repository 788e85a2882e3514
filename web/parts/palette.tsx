import { useMantineColorScheme } from '@mantine/core';
import { Spotlight, type SpotlightActionData } from '@mantine/spotlight';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { addressOf, endpoints } from '../../core/api/index.ts';
import { facets } from '../../core/inspect/index.ts';
import { idOfShown, lookUp, titleOf, type Mod } from '../../core/mod/index.ts';
import { benchPath, deskPath, fluidPath, kitPath, placeNow, texturePath } from '../api/address.ts';
import { useMod, useSession } from '../api/hooks.tsx';
import { openNewBlock } from '../places/blocks/new-block.tsx';
import { openNewMod } from '../places/blocks/new-mod.tsx';
import { places } from '../places/places.ts';
import { useNewPicture } from './use-new-picture.ts';
import { ItemIcon } from './item.tsx';
import { focusMade } from './keys/focus-made.ts';
import { Rendering } from './rendering.tsx';
import { screenActions, type ScreenAction } from './screen-actions.ts';

/** Goes to an address below that of the mod. */
type GoTo = (path: string) => void;

const act = (
  id: string,
  label: string,
  onClick: () => void,
  more: Partial<SpotlightActionData> = {},
): SpotlightActionData => ({ id, label, onClick, ...more });

/** Every place by its name and by what is done there. */
const placeActions = (goTo: GoTo): SpotlightActionData[] =>
  places.map(({ path, title, shownIn, label = title, says, alsoFound }) =>
    act(path, shownIn === 'bar' ? `Go to ${label}` : label, () => goTo(path), {
      ...(says !== undefined && { description: says }),
      ...(alsoFound && { keywords: [...alsoFound] }),
    }),
  );

/** What can be done with the block that lies on the bench. */
function blockActions(mod: Mod, goTo: GoTo): SpotlightActionData[] {
  const { block: name } = placeNow();
  const declared = name === undefined ? undefined : lookUp(mod.blocks, name);
  if (name === undefined || !declared) return [];
  const title = titleOf(mod, name, declared.names);
  const onIdentity = (what: string) => () => {
    goTo(benchPath(name, 'identity'));
    focusMade(what);
  };
  return [
    ...facets.map((facet) =>
      act(`facet ${facet}`, `${facet} of ${title}`, () => goTo(benchPath(name, facet))),
    ),
    act('remove', `Remove ${title}…`, onIdentity('[data-remove-block]'), { keywords: ['delete'] }),
    act('rename', `Rename ${title}…`, onIdentity(`[data-rename="blocks ${name}"]`)),
  ];
}

/** What the screen offers itself. The palette has given the focus back before it is done. */
const offeredHere = (actions: readonly ScreenAction[]): SpotlightActionData[] =>
  actions.map(({ name, where, act: offered }, i) =>
    act(`screen ${i}`, name, () => requestAnimationFrame(() => offered()), {
      description: where === undefined ? 'On this screen' : `On this screen, in ${where}`,
    }),
  );

/** Everything of the mod that has a name. */
function entryActions(mod: Mod, goTo: GoTo): SpotlightActionData[] {
  const { namespace } = mod.header;
  return [
    ...Object.entries(mod.items).map(([name, item]) =>
      act(`item ${name}`, titleOf(mod, name, item.names), () => goTo(`data/items/${name}`), {
        description: `${namespace}:${name}`,
        leftSection: <ItemIcon id={`${namespace}:${name}`} size={28} />,
      }),
    ),
    ...Object.keys(mod.models).map((name) =>
      act(`model ${name}`, `Model ${name}`, () => goTo(deskPath(name)), {
        description: 'On the model desk',
      }),
    ),
    ...Object.keys(mod.textures).map((name) =>
      act(`texture ${name}`, `Texture ${name}`, () => goTo(texturePath(name)), {
        description: 'Touched up beside the block that shows it',
      }),
    ),
    ...Object.entries(mod.blocks).map(([name, block]) =>
      act(`block ${name}`, titleOf(mod, name, block.names), () => goTo(`blocks/${name}`), {
        description: `${namespace}:${name}`,
        leftSection: <Rendering block={name} state={0} size={28} fills />,
      }),
    ),
    ...Object.entries(mod.fluids).map(([name, fluid]) =>
      act(`fluid ${name}`, titleOf(mod, name, fluid.names), () => goTo(fluidPath(name)), {
        description: `The fluid ${namespace}:${name}`,
      }),
    ),
    ...Object.entries(mod.kits).map(([name, { title }]) =>
      act(`kit ${name}`, title, () => goTo(kitPath(name)), { description: 'A kit of your own' }),
    ),
    ...Object.keys(mod.newLooks).map((name) =>
      act(`new look ${name}`, titleOf(mod, name, undefined), () => goTo(benchPath(name)), {
        description: `New look of ${idOfShown(namespace, name)}`,
        leftSection: <Rendering block={name} state={0} size={28} fills />,
      }),
    ),
  ];
}

/** The command palette: every place, block and act by its name, and all that a screen offers. */
export function Palette({ onKeys }: { onKeys: () => void }) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const newPicture = useNewPicture();
  const { setColorScheme } = useMantineColorScheme();
  // Thousands of entries are put together only while somebody looks at them.
  const [here, setHere] = useState<readonly ScreenAction[]>();
  const actions = useMemo(() => {
    if (!here) return [];
    const goTo: GoTo = (path) => void navigate(`/m/${session.name}/${path}`);
    const folder = addressOf(endpoints.downloadFolder, { mod: session.name });
    return [
      act('new', 'New block…', openNewBlock, {
        description: 'Declare a block from stock or from another block',
        keywords: ['add', 'declare'],
      }),
      act('picture', 'Make a picture', newPicture, {
        description: 'From a pattern, tones and a seed',
      }),
      ...placeActions(goTo),
      act('undo', 'Undo', () => void session.undoOrRedo('undo')),
      act('redo', 'Redo', () => void session.undoOrRedo('redo')),
      act('new mod', 'New mod…', openNewMod),
      act('mods', 'All mods', () => void navigate('/mods'), {
        description: 'Open, duplicate, bin, and bring back',
        keywords: ['delete', 'switch'],
      }),
      act('folder', 'Download this mod as a folder (.zip)', () => window.location.assign(folder)),
      act('light', 'Theme: day', () => setColorScheme('light')),
      act('dark', 'Theme: night', () => setColorScheme('dark')),
      act('auto', 'Theme: as the system has it', () => setColorScheme('auto')),
      act('keys', 'Show all keys', onKeys, { keywords: ['shortcuts', 'help'] }),
      ...blockActions(mod, goTo),
      ...offeredHere(here),
      ...entryActions(mod, goTo),
    ];
  }, [here, mod, session, navigate, newPicture, setColorScheme, onKeys]);
  return (
    <Spotlight
      actions={actions}
      onSpotlightOpen={() => setHere(screenActions())}
      onSpotlightClose={() => setHere(undefined)}
      shortcut={null}
      highlightQuery
      limit={9}
      nothingFound="Nothing by that name"
      searchProps={{ placeholder: 'Go to or do…', 'aria-label': 'Go to or do' }}
      scrollable
      maxHeight={420}
    />
  );
}
