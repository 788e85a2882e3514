import { useMantineColorScheme } from '@mantine/core';
import { Spotlight, type SpotlightActionData } from '@mantine/spotlight';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { facets } from '../../core/inspect/index.ts';
import { idOfShown, titleOf } from '../../core/mod/index.ts';
import { benchPath, deskPath, texturePath } from '../api/address.ts';
import { useMod, useSession } from '../api/hooks.tsx';
import { useNewBlock } from '../places/blocks/new-block.tsx';
import { places } from '../places/places.ts';
import { useNewPicture } from './use-new-picture.ts';
import { ItemIcon } from './item.tsx';
import { Rendering } from './rendering.tsx';

/** The command palette: every place, block and act by its name. */
export function Palette({ onKeys }: { onKeys: () => void }) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const newBlock = useNewBlock();
  const newPicture = useNewPicture();
  const { setColorScheme } = useMantineColorScheme();
  // Thousands of entries are put together only while somebody looks at them.
  const [opened, setOpened] = useState(false);
  const actions = useMemo(() => {
    if (!opened) return [];
    const home = `/m/${session.name}`;
    const act = (
      id: string,
      label: string,
      onClick: () => void,
      description?: string,
    ): SpotlightActionData => ({ id, label, description, onClick });
    return [
      act('new', 'New block…', newBlock, 'Declare a block from stock or from another block'),
      act('picture', 'Make a picture', newPicture, 'From a pattern, tones and a seed'),
      ...places.map(({ path, title, shownIn, label = title, says }) =>
        act(
          path,
          shownIn === 'bar' ? `Go to ${label}` : label,
          () => void navigate(`${home}/${path}`),
          says,
        ),
      ),
      act('undo', 'Undo', () => void session.undoOrRedo('undo')),
      act('redo', 'Redo', () => void session.undoOrRedo('redo')),
      act('light', 'Theme: day', () => setColorScheme('light')),
      act('dark', 'Theme: night', () => setColorScheme('dark')),
      act('auto', 'Theme: as the system has it', () => setColorScheme('auto')),
      act('keys', 'Show all keys', onKeys),
      ...Object.entries(mod.items).map(([name, item]): SpotlightActionData => ({
        id: `item ${name}`,
        label: titleOf(mod, name, item.names),
        description: `${mod.header.namespace}:${name}`,
        leftSection: <ItemIcon id={`${mod.header.namespace}:${name}`} size={28} />,
        onClick: () => void navigate(`${home}/data/items/${name}`),
      })),
      ...Object.keys(mod.models).map((name) =>
        act(
          `model ${name}`,
          `Model ${name}`,
          () => void navigate(`${home}/${deskPath(name)}`),
          'On the model desk',
        ),
      ),
      ...Object.keys(mod.textures).map((name) =>
        act(
          `texture ${name}`,
          `Texture ${name}`,
          () => void navigate(`${home}/${texturePath(name)}`),
          'Touched up beside the block that shows it',
        ),
      ),
      ...Object.entries(mod.blocks).map(([name, block]): SpotlightActionData => ({
        id: `block ${name}`,
        label: titleOf(mod, name, block.names),
        description: `${mod.header.namespace}:${name}`,
        keywords: facets.join(' '),
        leftSection: <Rendering block={name} state={0} size={28} fills />,
        onClick: () => void navigate(`${home}/blocks/${name}`),
      })),
      ...Object.keys(mod.newLooks).map((name): SpotlightActionData => ({
        id: `new look ${name}`,
        label: titleOf(mod, name, undefined),
        description: `New look of ${idOfShown(mod.header.namespace, name)}`,
        leftSection: <Rendering block={name} state={0} size={28} fills />,
        onClick: () => void navigate(`${home}/${benchPath(name)}`),
      })),
    ];
  }, [opened, mod, session, navigate, newBlock, newPicture, setColorScheme, onKeys]);
  return (
    <Spotlight
      actions={actions}
      onSpotlightOpen={() => setOpened(true)}
      onSpotlightClose={() => setOpened(false)}
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
