import { Menu } from '@mantine/core';
import clsx from 'clsx';
import { useState } from 'react';
import { Link } from 'react-router';
import { addressOf, endpoints, type ModSummary } from '../../../core/api/index.ts';
import { count } from '../../../core/words/index.ts';
import { useMods } from '../../api/mods.ts';
import { Mark } from '../../parts/frame.tsx';
import { Waiting } from '../../parts/waiting.tsx';
import { momentInWords } from '../home/when.ts';
import { Begin } from './begin.tsx';
import { Bin } from './bin.tsx';
import { DuplicateDialog } from './duplicate.tsx';
import { ModFacts } from './mod-facts.tsx';
import { useModActs } from './use-mod-acts.ts';
import styles from './mods.module.css';

/** All mods of this machine: open one, begin one, put one into the bin and bring it back. */
export default function Mods() {
  const { data, error } = useMods();
  const acts = useModActs();
  const [duplicated, setDuplicated] = useState<ModSummary>();
  const mods = data?.filter(({ removed }) => removed === undefined) ?? [];
  return (
    <div className={styles['frame']}>
      <header className={styles['bar']}>
        <Mark />
        Obrank
      </header>
      <main className="page" id="work" tabIndex={-1}>
        <header>
          <h1>
            Mods <span className="soft">{mods.length || ''}</span>
          </h1>
        </header>
        {error && <p role="alert">{error.message}</p>}
        {!data && !error && <Waiting />}
        {data && mods.length === 0 && (
          <p className="note">
            There is no mod here yet. A mod holds your blocks, their pictures and everything that
            follows from them under one namespace.
          </p>
        )}
        <ul className={styles['list']} data-walk>
          {mods.map((mod) => (
            <ModLine
              key={mod.name}
              mod={mod}
              onRemove={() => void acts.remove(mod.name)}
              onDuplicate={() => setDuplicated(mod)}
            />
          ))}
        </ul>
        {acts.problem !== undefined && (
          <p role="alert" className={styles['wrong']}>
            {acts.problem}
          </p>
        )}
        <Begin hasDemo={data?.some(({ name }) => name === 'saltmarsh') ?? true} />
        <Bin mods={data?.filter(({ removed }) => removed !== undefined) ?? []} acts={acts} />
      </main>
      <DuplicateDialog mod={duplicated} onClose={() => setDuplicated(undefined)} />
    </div>
  );
}

interface ModLineProps {
  mod: ModSummary;
  onRemove: () => void;
  onDuplicate: () => void;
}

/** One mod: what it looks like, how it stands, and what can be done with it. */
function ModLine({ mod, onRemove, onDuplicate }: ModLineProps) {
  const { name, title, blocks, changed, folder } = mod;
  return (
    <li className={styles['mod']}>
      <Link to={`/m/${name}`} className={styles['open']} data-mod={name}>
        <ModFacts mod={mod} />
        <span className={clsx(styles['name'], styles['title'])}>
          <strong>{title}</strong>
          <span className="mono soft">{folder ?? name}</span>
        </span>
        <span className={styles['blocks']}>{count(blocks, 'block')}</span>
        <span className={clsx(styles['changed'], 'soft')}>
          {momentInWords(changed, new Date())}
        </span>
      </Link>
      <Menu position="bottom-end">
        <Menu.Target>
          <button type="button" className={styles['more']} aria-label={`More about ${title}`}>
            More
          </button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={onDuplicate}>Duplicate…</Menu.Item>
          <Menu.Item component="a" href={addressOf(endpoints.downloadFolder, { mod: name })}>
            Download as a folder (.zip)
          </Menu.Item>
          <Menu.Item color="brick" onClick={onRemove}>
            Put into the bin
          </Menu.Item>
        </Menu.Dropdown>
      </Menu>
    </li>
  );
}
