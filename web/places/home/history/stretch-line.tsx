import { useState } from 'react';
import { Link } from 'react-router';
import type { HistoryLine } from '../../../../core/api/index.ts';
import type { Stretch } from '../../../../core/history/index.ts';
import { lookUp, titleOf } from '../../../../core/mod/index.ts';
import { count } from '../../../../core/words/index.ts';
import { windowName } from '../../../api/client.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Rendering } from '../../../parts/rendering.tsx';
import { defaultStateOf } from '../../blocks/default-state.ts';
import { spanInWords } from '../when.ts';
import { StepLine } from './step-line.tsx';
import styles from './history.module.css';

/** So many steps of a stretch are shown before somebody asks for all. */
const shownAtFirst = 3;
/** So many of its blocks are drawn. */
const drawnAtMost = 8;

interface StretchLineProps {
  stretch: Stretch<HistoryLine>;
  /** The names of revisions that have one. */
  points: ReadonlyMap<number, string | null>;
  onNamed: () => void;
}

/** One stretch of work: when, who, the blocks it touched, and its steps. */
export function StretchLine({ stretch, points, onNamed }: StretchLineProps) {
  const [isOpen, setOpen] = useState(false);
  const { steps, author, from, to } = stretch;
  const isLong = steps.length > shownAtFirst + 1;
  const named = steps.filter(({ revision }) => typeof points.get(revision) === 'string');
  const shown =
    isLong && !isOpen ? [...new Set([...steps.slice(0, shownAtFirst), ...named])] : steps;
  return (
    <div className={styles['stretch']}>
      <div className={styles['stretch-head']}>
        <strong>{spanInWords(from, to, new Date())}</strong>
        <span className="soft">{author === windowName ? 'this window' : author}</span>
        <Touched blocks={stretch.blocks} />
      </div>
      <ul className={styles['steps']}>
        {shown.map((step) => (
          <StepLine
            key={step.revision}
            step={step}
            point={points.get(step.revision) ?? undefined}
            onNamed={onNamed}
          />
        ))}
      </ul>
      {isLong && (
        <button type="button" className={styles['all']} onClick={() => setOpen(!isOpen)}>
          {isOpen ? 'Fewer' : `All ${count(steps.length, 'step')}`}
        </button>
      )}
    </div>
  );
}

/** The blocks that a stretch touched, drawn as they are now. */
function Touched({ blocks }: { blocks: readonly string[] }) {
  const mod = useMod();
  const session = useSession();
  const there = blocks.filter((name) => lookUp(mod.blocks, name));
  const others = blocks.length - Math.min(there.length, drawnAtMost);
  return (
    <span className={styles['touched']}>
      {there.slice(0, drawnAtMost).map((name) => {
        const title = titleOf(mod, name, lookUp(mod.blocks, name)?.names ?? {});
        return (
          <Link
            key={name}
            to={`/m/${session.name}/blocks/${name}`}
            title={title}
            aria-label={title}
          >
            <Rendering block={name} state={defaultStateOf(mod, name)} size={30} fills />
          </Link>
        );
      })}
      {others > 0 && <span className="soft">{`+${others}`}</span>}
    </span>
  );
}
