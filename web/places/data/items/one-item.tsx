import { Button } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { pointer } from '../../../../core/json/index.ts';
import {
  idOf,
  lookUp,
  removeItem,
  titleOf,
  usesOfItem,
  type Item,
} from '../../../../core/mod/index.ts';
import { count, listed } from '../../../../core/words/index.ts';
import { useFindings, useMod, useSession } from '../../../api/hooks.tsx';
import { uploadTexture } from '../../../api/textures.ts';
import { HowHad } from '../../../parts/how-had.tsx';
import { FromFamily } from '../../../parts/from-family.tsx';
import { ItemIcon } from '../../../parts/item.tsx';
import { Found } from '../found.tsx';
import { NamesAndPlace } from './names-and-place.tsx';
import { WhatItIs } from './what-it-is.tsx';
import styles from './items.module.css';
import listPageStyles from '../list-page.module.css';

/** An item with the one way to change each of its keys. */
export interface ItemEditor {
  name: string;
  item: Item;
  set: <Key extends keyof Item>(label: string, key: Key, after: Item[Key] | undefined) => void;
}

/** One item: what it is, what it looks like, where it is found and how one comes to have it. */
export function OneItem({ name, item }: { name: string; item: Item }) {
  const mod = useMod();
  const session = useSession();
  const findings = useFindings() ?? [];
  const { showPicture, refused } = useItemPicture(name, item);
  const id = idOf(mod.header.namespace, name);
  const path = pointer(['items', name]);
  const editor: ItemEditor = {
    name,
    item,
    set: (label, key, after) => session.set(label, ['items', name, key], after),
  };
  return (
    <div
      className={listPageStyles['data-open']}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void showPicture(event.dataTransfer.files[0] ?? null);
      }}
    >
      <h2>
        <ItemIcon id={id} size={40} />
        {titleOf(mod, name, item.names)} <span className="mono">{id}</span>{' '}
        <FromFamily kind="items" name={name} />
      </h2>
      <Found findings={findings.filter(({ at }) => at === path || at?.startsWith(`${path}/`))} />
      <div className={listPageStyles['columns']}>
        <div>
          <NamesAndPlace editor={editor} id={id} onPicture={showPicture} refused={refused} />
        </div>
        <div>
          <WhatItIs editor={editor} id={id} />
          <HowHad id={id} />
        </div>
      </div>
      <Ends name={name} item={item} id={id} />
    </div>
  );
}

/** Brings a PNG in as the item's picture: over the one it has, or as a texture of its own. */
function useItemPicture(
  name: string,
  { texture }: Item,
): { showPicture: (file: File | null) => Promise<void>; refused: string } {
  const mod = useMod();
  const session = useSession();
  const [refused, setRefused] = useState('');
  const { namespace } = mod.header;
  const own = texture?.startsWith(`${namespace}:`) ? texture.slice(namespace.length + 1) : '';
  const target = lookUp(mod.textures, own) ? own : `item/${name}`;
  const showPicture = async (file: File | null) => {
    if (!file) return;
    try {
      await uploadTexture(session, target, file);
      session.set(`Show ${target}`, ['items', name, 'texture'], idOf(namespace, target));
      setRefused('');
    } catch (error) {
      setRefused((error as Error).message);
    }
  };
  return { showPicture, refused };
}

/** How to remove it, and who would miss it. */
function Ends({ name, item, id }: { name: string; item: Item; id: string }) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const { recipes, blocks } = usesOfItem(mod, id);
  const missing = [
    recipes && count(recipes, 'recipe'),
    blocks && `the loot of ${count(blocks, 'block')}`,
  ].filter((words) => typeof words === 'string');
  return (
    <div className={styles['ends']}>
      <Button
        variant="subtle"
        color="brick"
        px={0}
        onClick={() => {
          session.edit(
            `Remove ${titleOf(mod, name, item.names)}`,
            removeItem(session.view.mod, name),
          );
          void navigate(`/m/${session.name}/data/items`);
        }}
      >
        Remove this item
      </Button>
      <span className="note">{missing.length ? `${listed(missing)} would miss it.` : ''}</span>
    </div>
  );
}
