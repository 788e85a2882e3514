import { TextInput } from '@mantine/core';
import clsx from 'clsx';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { pointer } from '../../../core/json/index.ts';
import { heldUnder } from '../../../core/lists/index.ts';
import { idOf, shownNamed, titleOf, type Texture } from '../../../core/mod/index.ts';
import { frameCount, textureUsers } from '../../../core/textures/index.ts';
import { count } from '../../../core/words/index.ts';
import { benchPath, deskPath, fluidPath, texturePath } from '../../api/address.ts';
import { useMod, useModPart, useSession } from '../../api/hooks.tsx';
import frame from '../../parts/desk-frame.module.css';
import { walkList } from '../../parts/keys/walk-list.ts';
import { useGrowing } from '../../parts/use-growing.ts';
import { Rendering } from '../../parts/rendering.tsx';
import { Thumb } from './thumb.tsx';
import styles from './pictures-list.module.css';

/** So many rows are there at first, and so many more come with each frame. */
const [firstRows, moreRows] = [60, 40];

interface PicturesListProps {
  open: string;
  /** The blocks that show it. */
  blocks: readonly string[];
  /** The block beside it. */
  beside: string | undefined;
  station: string;
}

/** The mod's pictures and, under the open one, who shows it. */
export const PicturesList = memo(function PicturesList({
  open,
  blocks,
  beside,
  station,
}: PicturesListProps) {
  const { textures, models, items, fluids, blocks: all, header } = useMod();
  const [filter, setFilter] = useState('');
  const users = useMemo(
    () => textureUsers({ models, items, fluids, blocks: all }),
    [models, items, fluids, all],
  );
  const wanted = filter.trim().toLowerCase();
  const names = Object.keys(textures)
    .filter((name) => name.includes(wanted))
    .sort();
  const usersOf = (name: string) => users.get(idOf(header.namespace, name)) ?? [];
  const unused = names.filter((name) => !usersOf(name).length);
  const used = names.filter((name) => usersOf(name).length);
  const shown = useGrowing(firstRows, moreRows, used.length);
  const tabStop = names.includes(open) ? open : [...used, ...unused][0];
  const row = (name: string) => (
    <PictureRow
      key={name}
      {...{ name, station }}
      texture={heldUnder(textures, name)}
      isOn={name === open}
      isTabStop={name === tabStop}
    >
      {name === open && (
        <ShownBy {...{ blocks, beside, station }} name={name} users={usersOf(name)} />
      )}
    </PictureRow>
  );
  return (
    <aside aria-label="Pictures" className={frame['aside']}>
      <TextInput
        className={styles['filter']}
        placeholder="Filter pictures"
        aria-label="Filter pictures"
        value={filter}
        onChange={(event) => setFilter(event.currentTarget.value)}
      />
      <div className={styles['list']} onKeyDown={walkList}>
        <h4 className={frame['group']}>
          Shown <span>{count(used.length, 'picture')}</span>
        </h4>
        {used.slice(0, Math.max(shown, used.indexOf(open) + 1)).map(row)}
        {unused.length > 0 && <Unused names={unused}>{unused.map(row)}</Unused>}
        {names.length === 0 && <p className="note">No picture matches.</p>}
      </div>
    </aside>
  );
});

/** Pictures that nobody shows, and a way to be rid of them. */
function Unused({ names, children }: { names: readonly string[]; children: React.ReactNode }) {
  const session = useSession();
  const textures = useModPart((mod) => mod.textures);
  const remove = () =>
    session.edit(
      names.length === 1 ? `Remove the texture ${names[0]}` : `Remove ${names.length} textures`,
      names.map((name) => ({ path: pointer(['textures', name]), before: textures[name] })),
    );
  return (
    <section aria-label="Shown by nobody">
      <h4 className={frame['group']}>
        Shown by nobody
        <button type="button" className="link plain" onClick={remove}>
          {names.length === 1 ? 'Remove it' : `Remove all ${names.length}`}
        </button>
      </h4>
      {children}
    </section>
  );
}

interface RowProps {
  name: string;
  texture: Texture;
  station: string;
  isOn: boolean;
  isTabStop: boolean;
  children: React.ReactNode;
}

function PictureRow({ name, texture, station, isOn, isTabStop, children }: RowProps) {
  const session = useSession();
  const row = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (isOn) row.current?.scrollIntoView({ block: 'nearest' });
  }, [isOn]);
  return (
    <div ref={row}>
      <Link
        className={clsx(styles['picture'], isOn && styles['on'])}
        to={`/m/${session.name}/${texturePath(name, station)}`}
        aria-current={isOn ? 'page' : undefined}
        data-walk
        tabIndex={isTabStop ? 0 : -1}
        title={name}
      >
        <Thumb texture={texture} />
        <span>{name}</span>
        <span className="mono">{sizeOf(texture)}</span>
      </Link>
      {children}
    </div>
  );
}

const sizeOf = (texture: Texture): string => {
  const { width, height } = texture.picture;
  const frames = Math.floor(frameCount(texture));
  return frames > 1 ? `${frames} frames` : `${width}×${height}`;
};

interface ShownByProps {
  name: string;
  blocks: readonly string[];
  beside: string | undefined;
  station: string;
  /** `model lantern`, `item salt`. */
  users: readonly string[];
}

/** So many models and items are named. */
const mostNamed = 4;

/** Who shows the open picture: blocks to stand beside it, and where else it is. */
function ShownBy({ name, blocks, beside, station, users }: ShownByProps) {
  const mod = useMod();
  const session = useSession();
  const home = `/m/${session.name}`;
  return (
    <div className={styles['users']} aria-label={`Who shows ${name}`} role="group">
      {blocks.map((block) => (
        <span key={block} className={clsx(styles['user'], block === beside && styles['beside'])}>
          <Link to={`${home}/${texturePath(name, station)}?block=${encodeURIComponent(block)}`}>
            <Rendering block={block} state={0} size={22} fills />
            <span>{titleOf(mod, block, shownNamed(mod, block)?.names)}</span>
          </Link>
          <Link
            className={clsx('link plain', styles['bench'])}
            to={`${home}/${benchPath(block, 'textures')}`}
          >
            bench
          </Link>
        </span>
      ))}
      {users.slice(0, mostNamed).map((user) => (
        <Elsewhere key={user} user={user} home={home} />
      ))}
      {users.length > mostNamed && (
        <span className={styles['elsewhere']} title={users.slice(mostNamed).join(', ')}>
          and {users.length - mostNamed} more
        </span>
      )}
      {blocks.length + users.length === 0 && (
        <span className={styles['nobody']}>Nobody shows it.</span>
      )}
    </div>
  );
}

function Elsewhere({ user, home }: { user: string; home: string }) {
  const [, kind, name = ''] = /^(model|item|fluid) (?!of )(.+)$/.exec(user) ?? [];
  const path =
    kind === 'model'
      ? deskPath(name, 'pictures')
      : kind === 'item'
        ? `data/items/${encodeURIComponent(name)}`
        : fluidPath(name, 'looks');
  if (kind === undefined) return <span className={styles['elsewhere']}>{user}</span>;
  return (
    <Link className={styles['elsewhere']} to={`${home}/${path}`}>
      {user}
    </Link>
  );
}
