import { Button, Progress } from '@mantine/core';
import type { ReactNode } from 'react';
import { useView } from '../../api/hooks.tsx';
import type { Asked } from '../../api/asked.ts';
import styles from './ask.module.css';

/** What somebody may ask for that takes a while, how far it has come, and what came of it last. */
export function Ask<Told extends { revision: number }>({
  asking,
  about,
  progress,
  failed,
  words,
  sum,
  onAsk,
}: {
  asking: Asked<Told> | undefined;
  /** What will be done, for whoever has not asked yet. */
  about: ReactNode;
  /** How far it has come, in words, and what the bar of it is called. */
  progress: { words: (done: number, total: number) => string; label: string };
  /** What it is called that it was not done. */
  failed: string;
  /** What the button says at first, and then. */
  words: { first: string; again: string };
  /** What came of it, in a line. */
  sum: (told: Told) => ReactNode;
  onAsk: () => void;
}) {
  const { revision } = useView();
  return (
    <div className={styles['ask']} role="status">
      <div>
        {!asking && <p>{about}</p>}
        {asking?.state === 'running' && (
          <>
            <p>{progress.words(asking.done, asking.total)}</p>
            <Progress
              value={asking.total ? (asking.done / asking.total) * 100 : 2}
              aria-label={progress.label}
            />
          </>
        )}
        {asking?.state === 'failed' && (
          <p role="alert">
            <span className="tag error">{failed}</span> {asking.problem}
          </p>
        )}
        {asking?.state === 'told' && (
          <p>
            {sum(asking.told)}
            {asking.told.revision !== revision && ' The mod has changed since.'}
          </p>
        )}
      </div>
      {asking?.state === 'running' ? (
        <Button variant="default" onClick={asking.cancel}>
          Cancel
        </Button>
      ) : (
        <Button color="tide" onClick={onAsk}>
          {asking ? words.again : words.first}
        </Button>
      )}
    </div>
  );
}
