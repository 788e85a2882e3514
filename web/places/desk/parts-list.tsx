import { TextInput } from '@mantine/core';
import clsx from 'clsx';
import { memo, useEffect, useMemo, useRef, useState, type MouseEvent } from 'react';
import { Link } from 'react-router';
import { shownNamed, titleOf, type Box, type Mod } from '../../../core/mod/index.ts';
import { benchPath } from '../../api/address.ts';
import { resolvedModelOf } from '../../../core/models/index.ts';
import { count } from '../../../core/words/index.ts';
import { useSession } from '../../api/hooks.tsx';
import { partTitle, useDesk, type Desk } from './desk-state.ts';
import { PartPicture } from './part-picture.tsx';
import frame from '../../parts/desk-frame.module.css';
import styles from './parts-list.module.css';

/** The bill of parts: every box of the model drawn, named, with its size; and who shows it. */
export function PartsList({ users }: { users: readonly string[] }) {
  const desk = useDesk();
  const { boxes, chosen, mod, id } = desk;
  const [filter, setFilter] = useState('');
  const wanted = filter.trim().toLowerCase();
  const rows = boxes
    .map((box, index) => ({ box, index }))
    .filter(({ box, index }) =>
      `${partTitle(box, index)} ${box.group ?? ''}`.toLowerCase().includes(wanted),
    );
  const slots = useMemo(
    () => resolvedModelOf(mod, id)?.slots ?? new Map<string, string | undefined>(),
    [mod, id],
  );
  const groups = [...new Set(rows.map(({ box }) => box.group))];
  const choosing = useChoosing(desk);
  const tabStop = rows.find(({ index }) => chosen.has(index)) ?? rows[0];
  return (
    <aside aria-label="Parts" className={frame['aside']}>
      <Filter text={filter} onText={setFilter} />
      <div className={styles['parts']}>
        {groups.map((group) => {
          const own = rows.filter(({ box }) => box.group === group);
          return (
            <section key={group ?? ''} aria-label={group ?? 'Boxes'}>
              <h4 className={frame['group']}>
                {group === undefined ? (
                  'Boxes'
                ) : (
                  <button
                    type="button"
                    className={styles['group']}
                    onClick={() => desk.choose(own.map(({ index }) => index))}
                  >
                    {group.replaceAll('_', ' ')}
                  </button>
                )}
                <span>{count(own.length, 'box', 'boxes')}</span>
              </h4>
              {own.map(({ box, index }) => (
                <Part
                  key={index}
                  {...{ box, index, mod, slots }}
                  isChosen={chosen.has(index)}
                  isTabStop={index === tabStop?.index}
                  mark={markOf(desk, index)}
                  onChoose={choosing}
                />
              ))}
            </section>
          );
        })}
        {boxes.length === 0 && <p className="note">No box yet. The station Boxes adds one.</p>}
        {boxes.length > 0 && rows.length === 0 && <p className="note">No part matches.</p>}
        <Users users={users} />
      </div>
    </aside>
  );
}

const Filter = memo(function Filter({
  text,
  onText,
}: {
  text: string;
  onText: (text: string) => void;
}) {
  return (
    <TextInput
      className={styles['filter']}
      placeholder="Filter parts"
      aria-label="Filter parts"
      value={text}
      onChange={(event) => onText(event.currentTarget.value)}
    />
  );
});

const markOf = ({ hidden, locked }: Desk, index: number): string =>
  [hidden.has(index) && 'hidden', locked.has(index) && 'locked'].filter(Boolean).join(', ');

/** Chooses by clicking: one, with Shift up to there, with Ctrl one more or less. */
function useChoosing(desk: Desk): (index: number, event: MouseEvent) => void {
  const now = useRef(desk);
  useEffect(() => {
    now.current = desk;
  });
  const [choose] = useState(() => (index: number, event: MouseEvent) => {
    const { chosen, choose: chooseThese } = now.current;
    const last = [...chosen].at(-1);
    if (event.shiftKey && last !== undefined) {
      const [from, to] = [Math.min(last, index), Math.max(last, index)];
      chooseThese(Array.from({ length: to - from + 1 }, (_, i) => from + i));
    } else if (event.ctrlKey || event.metaKey) {
      chooseThese(chosen.has(index) ? [...chosen].filter((i) => i !== index) : [...chosen, index]);
    } else chooseThese([index]);
  });
  return choose;
}

interface PartProps {
  box: Box;
  index: number;
  mod: Mod;
  slots: ReadonlyMap<string, string | undefined>;
  isChosen: boolean;
  /** All parts together are one stop of the tab key. */
  isTabStop: boolean;
  mark: string;
  onChoose: (index: number, event: MouseEvent) => void;
}

const Part = memo(function Part(props: PartProps) {
  const { box, index, mod, slots, isChosen, isTabStop, mark, onChoose } = props;
  const row = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (isChosen) row.current?.scrollIntoView({ block: 'nearest' });
  }, [isChosen]);
  const title = partTitle(box, index);
  return (
    <button
      ref={row}
      type="button"
      className={clsx(styles['part'], isChosen && styles['on'])}
      aria-pressed={isChosen}
      tabIndex={isTabStop ? 0 : -1}
      title={title}
      onClick={(event) => onChoose(index, event)}
    >
      <PartPicture box={box} mod={mod} slots={slots} texels={mod.header.texels} />
      <span>
        {title}
        {mark && <em>{mark}</em>}
      </span>
      <span className="mono">{box.size.map(short).join('×')}</span>
    </button>
  );
});

const short = (value: number): string => String(Math.round(value * 100) / 100);

/** The blocks that show the model, and those of others that are to. */
function Users({ users }: { users: readonly string[] }) {
  const { mod } = useDesk();
  const session = useSession();
  return (
    <section aria-label="Used by">
      <h4 className={frame['group']}>Used by</h4>
      {users.length === 0 && <p className="note">No block shows it.</p>}
      {users.map((name) => (
        <Link
          key={name}
          className={styles['user']}
          to={`/m/${session.name}/${benchPath(name, 'looks')}`}
        >
          {titleOf(mod, name, shownNamed(mod, name)?.names)}
        </Link>
      ))}
    </section>
  );
}
