import { Checkbox, Popover } from '@mantine/core';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { useSession } from '../../api/hooks.tsx';
import type { YardClient } from '../../api/yard.ts';
import styles from './yard.module.css';

const mostNotes = 200;

/** Every note of the world, the newest first. */
function useNotes(client: YardClient): string[] {
  const [notes, setNotes] = useState<string[]>([]);
  useEffect(() => {
    let last = client.view.now;
    return client.subscribe(() => {
      const { now } = client.view;
      if (now === last || !now) return;
      last = now;
      const fresh = now.told.flatMap((one) => (one.told === 'note' ? [one.text] : []));
      if (fresh.length) setNotes((before) => [...fresh.reverse(), ...before].slice(0, mostNotes));
    });
  }, [client]);
  return notes;
}

/** What a game would say: what was loaded, what was refused and why, and what happened. */
export function LogLine({
  client,
  isOld,
  follows,
  onFollows,
  onLoad,
}: {
  client: YardClient;
  isOld: boolean;
  follows: boolean;
  onFollows: (follows: boolean) => void;
  onLoad: () => void;
}) {
  const { name } = useSession();
  const view = useSyncExternalStore(client.subscribe, client.getView);
  const notes = useNotes(client);
  const { log = [], changed = [] } = view.yard ?? {};
  const lines = [
    ...notes.map((text) => ({ kind: 'world', text })),
    ...log.map((text) => ({ kind: 'refused', text })),
    ...changed.map((text) => ({ kind: 'changed', text })),
  ];
  const [first] = lines;
  return (
    <footer className={styles['log']} aria-label="Log">
      {log.length > 0 ? (
        <span className="tag error">{log.length} of the pack</span>
      ) : (
        <span className="tag good">{view.yard ? 'Loaded' : 'Loading'}</span>
      )}
      <span className={styles['line']} role="status">
        {first?.text ?? (view.yard ? `${view.yard.title} ${view.yard.version}` : '')}
      </span>
      {log.length > 0 && (
        <Link className="link" to={`/m/${name}/inspection`}>
          To the findings
        </Link>
      )}
      {lines.length > 1 && (
        <Popover position="top-end" width={620} shadow="md" withArrow>
          <Popover.Target>
            <button type="button" className="link">
              all {lines.length} lines
            </button>
          </Popover.Target>
          <Popover.Dropdown>
            <ul className={styles['lines']}>
              {lines.map(({ kind, text }, i) => (
                <li key={`${i} ${text}`}>
                  <span className="note">{kind}</span> {text}
                </li>
              ))}
            </ul>
          </Popover.Dropdown>
        </Popover>
      )}
      <span className={styles['when']}>
        {isOld && !follows && (
          <button type="button" className="link" onClick={onLoad}>
            The mod has changed: load it
          </button>
        )}
        {view.loadedAt && (
          <span className="soft">
            {view.isLoading
              ? 'Loading'
              : `Built ${view.loadedAt.toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit', hour12: false })}`}
          </span>
        )}
        <Checkbox
          size="xs"
          label="load on every save"
          checked={follows}
          onChange={(event) => onFollows(event.currentTarget.checked)}
        />
      </span>
    </footer>
  );
}
