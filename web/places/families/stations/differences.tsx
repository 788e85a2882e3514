import { pointerSteps } from '../../../../core/json/index.ts';
import type { Differences } from '../../../../core/mod/index.ts';
import styles from './stations.module.css';

/** What a value is, short enough for a line. */
function inShort(value: unknown): string {
  if (value === null || value === undefined) return 'nothing';
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 58)}…` : text;
}

/** Where a difference stands, in words: `traits, hardness`. */
export const placeInWords = (path: string): string => {
  const [part = '', ...rest] = pointerSteps(path);
  const steps = part === 'block' || part === 'item' ? rest : [part, ...rest];
  const told = steps.filter((step) => step !== '{cell}');
  return (told.length ? told : [part]).join(' › ').replaceAll('_', ' ');
};

interface ListProps {
  differences: Differences;
  /** What is said where there is none. */
  nothing: string;
  /** What it would be without a difference. */
  given?: (path: string) => unknown;
  onBack: (path: string) => void;
  /** Further things to do with one, by what they are called. */
  acts?: (path: string) => { title: string; onAct: () => void }[];
}

/** What is otherwise, place by place, beside what would follow; each can be taken back. */
export function DifferenceList({ differences, nothing, given, onBack, acts }: ListProps) {
  const entries = Object.entries(differences);
  if (!entries.length) return <p className="note">{nothing}</p>;
  return (
    <ul className={styles['differences']} aria-label="Differences">
      {entries.map(([path, value]) => (
        <li key={path}>
          <b>{placeInWords(path)}</b>
          <span className="mono">
            {given && <>{inShort(given(path))} → </>}
            {inShort(value)}
          </span>
          <span className={styles['acts']}>
            <button type="button" className="chip" onClick={() => onBack(path)}>
              Back to the family
            </button>
            {acts?.(path).map(({ title, onAct }) => (
              <button key={title} type="button" className="chip" onClick={onAct}>
                {title}
              </button>
            ))}
          </span>
        </li>
      ))}
    </ul>
  );
}
