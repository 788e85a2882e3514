import { Canvas } from '@react-three/fiber';
import { Combobox, InputBase, Select, useCombobox } from '@mantine/core';
import { useState, useSyncExternalStore } from 'react';
import type { YardClient } from '../../api/yard.ts';
import { Cap } from '../../parts/keys/cap.tsx';
import { languageName } from '../../parts/language-name.ts';
import { quietAboutClock } from '../../stage/quiet.ts';
import type { InHand } from './in-hand.ts';
import type { CatalogueItem } from '../../workers/yard-protocol.ts';
import type { YardMaterials } from './material.ts';
import { focusOnWorld } from './view.tsx';
import { Item } from './world.tsx';
import { usePart } from './use-part.ts';
import styles from './yard.module.css';

quietAboutClock();

const origin = [0, 0, 0] as const;
/** So many names are listed before one types more of it. */
const mostListed = 80;
const doing = { places: 'places', digs: 'digs', pours: 'pours', nothing: 'does nothing here' };

/** What is in the hand, drawn large, with the next two by name. */
export function Hand({
  client,
  materials,
  inHand: { items, item, hold, isChoosing, choose },
}: {
  client: YardClient;
  materials: YardMaterials | undefined;
  inHand: InHand;
}) {
  const at = item ? items.indexOf(item) : -1;
  const isDrawn = useSyncExternalStore(client.subscribe, () =>
    item ? client.itemMesh(item.id, 'hand')?.faces !== 0 : false,
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
            camera={{ position: [0, 0, 3], zoom: 66 }}
            gl={{ alpha: true, antialias: true }}
          >
            <Item client={client} materials={materials} item={item.id} place="hand" at={origin} />
          </Canvas>
        </div>
      )}
      {isChoosing ? (
        <ByName
          items={items}
          onHold={hold}
          onDone={() => {
            choose(false);
            focusOnWorld();
          }}
        />
      ) : (
        <>
          <button type="button" className={styles['name']} onClick={() => choose(true)}>
            <b>{item?.title ?? 'Bare hands'}</b>
            <Cap of="chooseHeld" />
          </button>
          <p className="note inline">
            {item ? `${item.group} · ${doing[item.does]}` : 'They dig too'}
          </p>
          <Language client={client} />
        </>
      )}
      {items.length > 1 && !isChoosing && (
        <ul className={styles['next']}>
          <Near item={near(1)} of="nextHeld" onHold={hold} />
          <Near item={near(-1)} of="previousHeld" onHold={hold} />
        </ul>
      )}
    </section>
  );
}

/** In which language things are called, where the pack has several. */
function Language({ client }: { client: YardClient }) {
  const yard = usePart(client, ({ yard }) => yard);
  if (!yard || yard.languages.length < 2) return null;
  return (
    <Select
      size="xs"
      mt={6}
      aria-label="Language of the names"
      allowDeselect={false}
      value={yard.language ?? null}
      data={yard.languages.map((value) => ({ value, label: `Names in ${languageName(value)}` }))}
      onChange={(language) => language !== null && client.ask({ ask: 'language', language })}
    />
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
