import { Button, Popover, TextInput } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { HistoryLine } from '../../../../core/api/index.ts';
import { namePoint } from '../../../api/history.ts';
import { useSession } from '../../../api/hooks.tsx';
import { calledThen } from '../../../api/past.ts';
import styles from './history.module.css';

interface StepLineProps {
  step: HistoryLine;
  /** What the mod after this step is called, where somebody has named it. */
  point: string | undefined;
  onNamed: () => void;
}

const before = { edit: '', undo: 'Undid: ', redo: 'Did again: ' };

/** One step: what was done; the mod after it can be looked at, and named. */
export function StepLine({ step, point, onNamed }: StepLineProps) {
  const { name: mod } = useSession();
  const { revision, kind, label, time } = step;
  const clock = new Date(time).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return (
    <li>
      <span className={styles['time']}>{clock}</span>
      <span className={styles['label']}>
        {point !== undefined && <span className={styles['point']}>{point}</span>}
        {before[kind]}
        {label}
      </span>
      <NamePoint revision={revision} point={point} onNamed={onNamed} />
      <Link
        className="link"
        to={`/m/${calledThen({ mod, revision })}/blocks`}
        title="Look at the mod as it was after this step"
      >
        Look
      </Link>
    </li>
  );
}

/** Gives a point of the history a name: it is kept for as long as it has one. */
function NamePoint({
  revision,
  point,
  onNamed,
}: {
  revision: number;
  point: string | undefined;
  onNamed: () => void;
}) {
  const { name: mod } = useSession();
  const [isOpen, setOpen] = useState(false);
  const [typed, setTyped] = useState(point ?? '');
  const [problem, setProblem] = useState<string>();
  const put = async (name: string | null) => {
    try {
      await namePoint(mod, revision, name);
      setOpen(false);
      onNamed();
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <Popover opened={isOpen} onChange={setOpen} position="bottom-end" shadow="md" trapFocus>
      <Popover.Target>
        <button
          type="button"
          className={`link ${styles['name']}`}
          title="Give this point a name; what has one is kept"
          onClick={() => setOpen(!isOpen)}
        >
          {point === undefined ? 'Name' : 'Rename'}
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <form
          className={styles['naming']}
          onSubmit={(event) => {
            event.preventDefault();
            if (typed.trim()) void put(typed.trim());
          }}
        >
          <TextInput
            aria-label="Name of this point"
            placeholder="before the gate was redrawn"
            value={typed}
            maxLength={100}
            error={problem}
            data-autofocus
            onChange={(event) => setTyped(event.currentTarget.value)}
          />
          <Button type="submit" disabled={!typed.trim()} title="Kept for as long as it has a name">
            Name it
          </Button>
          {point !== undefined && (
            <Button variant="default" onClick={() => void put(null)}>
              No name
            </Button>
          )}
        </form>
      </Popover.Dropdown>
    </Popover>
  );
}
