import { Checkbox, FileButton, Popover } from '@mantine/core';
import clsx from 'clsx';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useSession } from '../../api/hooks.tsx';
import { messageOf } from '../../../core/words/index.ts';
import { runFrom, type Told } from '../../../core/yard/index.ts';
import type { YardClient } from '../../api/yard.ts';
import { download } from '../../parts/download.ts';
import { toldInWords } from './told-in-words.ts';
import { usePart } from './use-part.ts';
import styles from './yard.module.css';

const mostNotes = 200;
/** What is placed or broken one sees; the rest is said. */
const isNoted: ReadonlySet<Told['told']> = new Set(['note', 'poured', 'filled', 'harmed']);

interface Line {
  kind: string;
  text: string;
  /** The block whose editor mends it. */
  block?: string | undefined;
}

/** Every note of the world, the newest first. */
function useNotes(client: YardClient): string[] {
  const [notes, setNotes] = useState<string[]>([]);
  useEffect(() => {
    return client.onTick(({ told }) => {
      const fresh = told.filter((one) => isNoted.has(one.told)).flatMap(toldInWords);
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
  const yard = usePart(client, (view) => view.yard);
  const notKept = usePart(client, (view) => view.notKept);
  const notes = useNotes(client);
  const { log = [], changed = [] } = yard ?? {};
  const lines: Line[] = [
    ...notes.map((text): Line => ({ kind: 'in the world', text })),
    ...log.map(({ text, block }) => ({ kind: 'of the pack', text, block })),
    ...changed.map((text) => ({ kind: 'changed', text })),
  ];
  const [first] = lines;
  return (
    <section className={styles['log']} aria-label="Log">
      {notKept !== undefined ? (
        <span className="tag error">Not kept</span>
      ) : log.length > 0 ? (
        <span className="tag error">{log.length} of the pack</span>
      ) : (
        <span className="tag good">{yard ? 'Loaded' : 'Loading'}</span>
      )}
      <span className={styles['line']} role="status">
        {notKept ?? first?.text ?? (yard ? `${yard.title} ${yard.version}` : '')}
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
              {lines.map(({ kind, text, block }, i) => (
                <li key={`${i} ${text}`}>
                  <span className="note">{kind}</span>{' '}
                  {block === undefined ? (
                    text
                  ) : (
                    <Link to={`/m/${name}/blocks/${block}/looks`}>{text}</Link>
                  )}
                </li>
              ))}
            </ul>
          </Popover.Dropdown>
        </Popover>
      )}
      <span className={styles['when']}>
        <Runs client={client} />
        {isOld && !follows && (
          <button type="button" className="link" onClick={onLoad}>
            The mod has changed: load it
          </button>
        )}
        <Built client={client} />
        <Checkbox
          size="xs"
          label="load on every save"
          checked={follows}
          onChange={(event) => onFollows(event.currentTarget.checked)}
        />
      </span>
    </section>
  );
}

/** When the pack was built that one is in. */
function Built({ client }: { client: YardClient }) {
  const loadedAt = usePart(client, (view) => view.loadedAt);
  const isLoading = usePart(client, (view) => view.isLoading);
  if (!loadedAt) return null;
  const clock = { hour: '2-digit', minute: '2-digit', hour12: false } as const;
  return (
    <span className="soft">
      {isLoading ? 'Loading' : `Built ${loadedAt.toLocaleTimeString('en', clock)}`}
    </span>
  );
}

/** What was done so far, as a file that plays it again. */
function Runs({ client }: { client: YardClient }) {
  const replayed = usePart(client, (view) => view.replayed);
  const [problem, setProblem] = useState<string>();
  const play = (file: File | null) => {
    setProblem(undefined);
    if (!file) return;
    file
      .text()
      .then((text) => client.ask({ ask: 'replay', run: runFrom(text) }))
      .catch((error: unknown) => setProblem(messageOf(error)));
  };
  const save = async () => {
    const run = await client.recorded();
    download('yard-run.json', `${JSON.stringify(run)}\n`, 'application/json');
  };
  return (
    <>
      {problem !== undefined && <span className="bad">{problem}</span>}
      {replayed && (
        <span className={clsx('tag', replayed.isSame ? 'good' : 'error')}>
          {replayed.isSame ? 'Played again, the same' : 'Played again, and otherwise'}{' '}
          <span className="mono">{replayed.digest.slice(0, 8)}</span>
        </span>
      )}
      <button type="button" className="link" onClick={() => void save()}>
        Save this run
      </button>
      <FileButton accept="application/json,.json" onChange={play}>
        {(props) => (
          <button type="button" className="link" {...props}>
            Play a run
          </button>
        )}
      </FileButton>
    </>
  );
}
