import { itemAt } from '../../../core/lists/index.ts';
import { Button, TextInput } from '@mantine/core';
import { memo, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Link } from 'react-router';
import type { Finding } from '../../../core/inspect/index.ts';
import { isNewLook, resolveBlock, shownNamed, type Mod } from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { benchPath } from '../../api/address.ts';
import { useFindingsByBlock, useMod, useSession } from '../../api/hooks.tsx';
import { stationsOf } from '../../api/stations.ts';
import { Pips } from '../../parts/pips.tsx';
import { Rendering } from '../../parts/rendering.tsx';
import { firstOf, shelfGroups, type ShelfBlock, type ShownGroup } from './groups.ts';
import { openNewBlock } from './new-block.tsx';
import { defaultStateOf } from './default-state.ts';
import { Cap } from '../../parts/keys/cap.tsx';
import { useGrowing } from '../../parts/use-growing.ts';
import { useKeys } from '../../parts/keys/use-keys.ts';
import styles from './blocks.module.css';
import pageHeadStyles from '../../parts/page-head.module.css';
import emptyStyles from '../../parts/empty.module.css';
import shelvesStyles from '../../parts/shelves.module.css';

/** Tiles beyond this many are not laid out until asked for: nobody looks through them all. */
const most = 400;

/** So many tiles are laid out at once, and as many more with every frame. */
const tilesAFrame = 48;

/** Every block of the mod as itself, with its readiness. */
export function Blocks() {
  const mod = useMod();
  const session = useSession();
  const findings = useFindingsByBlock();
  const [filter, setFilter] = useState('');
  const [all, setAll] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const grid = useRef<HTMLDivElement>(null);
  const groups = useMemo(() => shelfGroups(mod, filter), [mod, filter]);
  const many = Object.keys(mod.blocks).length;
  const found = groups.reduce((sum, group) => sum + group.blocks.length, 0);
  const laidOut = useGrowing(tilesAFrame, tilesAFrame, Math.min(found, all ? found : most));
  useKeys({ filter: () => field.current?.focus(), newBlock: openNewBlock });

  return (
    <div className="page">
      <div className={pageHeadStyles['blocks-head']}>
        <h1>
          Blocks <span className="soft plain">{many}</span>
        </h1>
        <TextInput
          ref={field}
          placeholder="Filter blocks"
          aria-label="Filter blocks"
          value={filter}
          onChange={(event) => setFilter(event.currentTarget.value)}
          rightSection={filter ? undefined : <Cap of="filter" />}
          w={220}
        />
        <Button component={Link} to={`/m/${session.name}/families`} variant="default">
          Families
        </Button>
        <Button component={Link} to={`/m/${session.name}/fluids`} variant="default">
          Fluids
        </Button>
        {many > 0 && (
          <Button component={Link} to={`/m/${session.name}/sheet`} variant="default">
            Contact sheet
          </Button>
        )}
        <Button onClick={openNewBlock}>New block</Button>
      </div>
      {many === 0 && (
        <div className={emptyStyles['empty']}>
          <h2>No block yet</h2>
          <p>
            A block starts from a stock material or from another block. It is complete from the
            first moment; you change what should be different.
          </p>
          <Button onClick={openNewBlock} data-begin>
            Declare the first block
          </Button>
        </div>
      )}
      {many > 0 && found === 0 && (
        <div className={emptyStyles['empty']}>
          <h2>No block matches “{filter}”</h2>
          <button type="button" className="link" onClick={() => setFilter('')}>
            Show all {many}
          </button>
        </div>
      )}
      <div
        ref={grid}
        className={shelvesStyles['shelves']}
        onKeyDown={(event) => moveFocus(event, grid.current)}
      >
        {firstOf(groups, laidOut).map((group) => (
          <Group key={group.title} group={group} findings={findings} />
        ))}
      </div>
      {found > most && !all && (
        <p>
          <button type="button" className="link" onClick={() => setAll(true)}>
            Show {count(found - most, 'more block')}
          </button>
        </p>
      )}
    </div>
  );
}

/** What a block is in a few numbers: seconds to dig, brightest light, states; of a new look rows. */
function factsOf(mod: Mod, name: string): string {
  const declared = shownNamed(mod, name);
  if (!declared) return '';
  const { traits, space, looks } = resolveBlock(mod, name, declared);
  if (isNewLook(name)) return count(looks.rows.length, 'row');
  const light = Math.max(...traits.lightEmitted.map((row) => row.value));
  return [
    traits.hardness === 'unbreakable' ? 'unbreakable' : `${traits.hardness} s`,
    ...(light > 0 ? [`light ${light}`] : []),
    ...(space.trueSize > 1 ? [`${space.trueSize.toLocaleString('en')} states`] : []),
  ].join(' · ');
}

/** Arrow keys over the tiles: to the nearest tile in that direction. */
function moveFocus(event: KeyboardEvent, grid: HTMLElement | null): void {
  const step = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[
    event.key
  ];
  if (!step || !grid || !(document.activeElement instanceof HTMLElement)) return;
  const from = document.activeElement.getBoundingClientRect();
  let best: { tile: HTMLElement; cost: number } | undefined;
  for (const tile of grid.querySelectorAll<HTMLElement>('[data-block]')) {
    const to = tile.getBoundingClientRect();
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const along = dx * itemAt(step, 0) + dy * itemAt(step, 1);
    if (along < 4) continue;
    const cost = along + Math.abs(dx * itemAt(step, 1) + dy * itemAt(step, 0)) * 3;
    if (!best || cost < best.cost) best = { tile, cost };
  }
  if (!best) return;
  event.preventDefault();
  best.tile.focus();
}

/** One group of blocks on its shelf, each with its rendering, its facts and how it stands. */
function Group({
  group: { title, blocks, total },
  findings,
}: {
  group: ShownGroup;
  findings: ReadonlyMap<string, Finding[]>;
}) {
  return (
    <section aria-label={title}>
      <h2 className={styles['shelf-group']}>
        {title}
        <span>{total}</span>
      </h2>
      <div className={styles['shelf-grid']}>
        {blocks.map((block) => (
          <BlockTile key={block.name} {...block} findings={findings.get(block.name) ?? none} />
        ))}
      </div>
    </section>
  );
}

/** Of a block with which nothing is wrong. */
const none: Finding[] = [];

const BlockTile = memo(function BlockTile({
  name,
  title,
  id,
  findings,
}: ShelfBlock & { findings: Finding[] }) {
  const mod = useMod();
  const session = useSession();
  const declared = shownNamed(mod, name);
  return (
    <Link
      data-block={name}
      to={`/m/${session.name}/${benchPath(name)}`}
      className={styles['block-tile']}
    >
      <Rendering block={name} state={defaultStateOf(mod, name)} size={104} fills />
      <b>{title}</b>
      <span className="mono" title={id}>
        {isNewLook(name) ? id : name}
      </span>
      <span className={styles['facts']}>{factsOf(mod, name)}</span>
      {declared && <Pips stations={stationsOf(mod, name, declared, findings)} />}
    </Link>
  );
});
