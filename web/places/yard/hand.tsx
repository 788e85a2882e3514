import { Canvas } from '@react-three/fiber';
import { Combobox, InputBase, useCombobox } from '@mantine/core';
import { useState, useSyncExternalStore } from 'react';
import type { YardClient } from '../../api/yard.ts';
import { Cap } from '../../parts/keys/cap.tsx';
import { quietAboutClock } from '../../stage/quiet.ts';
import type { CatalogueItem } from '../../workers/yard-protocol.ts';
import type { YardMaterials } from './material.ts';
import { Item } from './world.tsx';
import styles from './yard.module.css';

quietAboutClock();

/** So many names are listed before one types more of it. */
const mostListed = 80;
const doing = { places: 'places', digs: 'digs', pours: 'pours', nothing: 'does nothing here' };

/** What is in the hand, drawn large, with the next two by name. */
export function Hand({
  client,
  materials,
  items,
  held,
  isChoosing,
  onChoosing,
  onHold,
}: {
  client: YardClient;
  materials: YardMaterials | undefined;
  items: readonly CatalogueItem[];
  held: string | undefined;
  isChoosing: boolean;
  onChoosing: (isChoosing: boolean) => void;
  onHold: (item: string | undefined) => void;
}) {
  const at = items.findIndex(({ id }) => id === held);
  const item = items[at];
  const isDrawn = useSyncExternalStore(client.subscribe, () =>
    item ? client.itemMesh(item.id)?.faces !== 0 : false,
  );
  const near = (step: number) => items[(at + step + items.length) % items.length];
  return (
    <section className={styles['hand']} aria-label="In the hand">
      {item && materials && isDrawn && (
        <div className={styles['held']} aria-hidden>
          <Canvas
            frameloop="demand"
            flat
            orthographic
            camera={{ position: [2, 1.7, 2], zoom: 66 }}
            gl={{ alpha: true, antialias: true }}
          >
            <Item client={client} materials={materials} item={item.id} at={[0, 0, 0]} size={1} />
          </Canvas>
        </div>
      )}
      {isChoosing ? (
        <ByName items={items} onHold={onHold} onDone={() => onChoosing(false)} />
      ) : (
        <>
          <button type="button" className={styles['name']} onClick={() => onChoosing(true)}>
            <b>{item?.title ?? 'Bare hands'}</b>
            <Cap of="chooseHeld" />
          </button>
          <p className="note inline">
            {item ? `${item.group} · ${doing[item.does]}` : 'They dig too'}
          </p>
        </>
      )}
      {items.length > 1 && !isChoosing && (
        <ul className={styles['next']}>
          <Near item={near(1)} of="nextHeld" onHold={onHold} />
          <Near item={near(-1)} of="previousHeld" onHold={onHold} />
        </ul>
      )}
    </section>
  );
}

const Near = ({
  item,
  of,
  onHold,
}: {
  item: CatalogueItem | undefined;
  of: 'nextHeld' | 'previousHeld';
  onHold: (item: string) => void;
}) =>
  item && (
    <li>
      <button type="button" onClick={() => onHold(item.id)}>
        {item.title}
      </button>
      <Cap of={of} />
    </li>
  );

/** Choosing an item by its name, from the groups of the catalogue. */
function ByName({
  items,
  onHold,
  onDone,
}: {
  items: readonly CatalogueItem[];
  onHold: (item: string | undefined) => void;
  onDone: () => void;
}) {
  const [typed, setTyped] = useState('');
  const box = useCombobox({ onDropdownClose: onDone, defaultOpened: true });
  const fit = items
    .filter(({ title, group }) => `${title} ${group}`.toLowerCase().includes(typed.toLowerCase()))
    .slice(0, mostListed);
  const groups = [...new Set(fit.map(({ group }) => group))];
  return (
    <Combobox
      store={box}
      position="top-start"
      onOptionSubmit={(id) => {
        onHold(id === '' ? undefined : id);
        onDone();
      }}
    >
      <Combobox.Target>
        <InputBase
          size="xs"
          aria-label="What to hold"
          placeholder="What to hold"
          value={typed}
          data-autofocus
          autoFocus
          onChange={(event) => {
            setTyped(event.currentTarget.value);
            box.openDropdown();
            box.selectFirstOption();
          }}
          onKeyDown={(event) => {
            if (event.key === 'Escape') onDone();
          }}
          onBlur={onDone}
        />
      </Combobox.Target>
      <Combobox.Dropdown>
        <Combobox.Options mah={320} className={styles['options']}>
          {groups.map((group) => (
            <Combobox.Group key={group} label={group}>
              {fit
                .filter((item) => item.group === group)
                .map((item) => (
                  <Combobox.Option key={item.id} value={item.id}>
                    {item.title}
                  </Combobox.Option>
                ))}
            </Combobox.Group>
          ))}
          {'bare hands'.includes(typed.toLowerCase()) && (
            <Combobox.Option value="">Bare hands</Combobox.Option>
          )}
        </Combobox.Options>
      </Combobox.Dropdown>
    </Combobox>
  );
}
