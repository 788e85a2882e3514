import clsx from 'clsx';
import type { ComparedFile } from '../../../core/api/index.ts';
import { count } from '../../../core/words/index.ts';
import styles from './clashes.module.css';

/** Whose words stand in one place; null while nobody has said. */
export type Take = 'mine' | 'built' | null;
type Clash = NonNullable<ComparedFile['clashes']>[number];

interface ClashesProps {
  clashes: readonly Clash[];
  takes: readonly Take[];
  onTakes: (takes: readonly Take[]) => void;
}

/** The places of a file that people and the mod both changed: each side by side, to choose from. */
export function Clashes({ clashes, takes, onTakes }: ClashesProps) {
  const open = clashes.filter((_, index) => !takes[index]).length;
  const put = (index: number, take: Take) =>
    onTakes(clashes.map((_, i) => (i === index ? take : (takes[i] ?? null))));
  return (
    <section className={styles['clashes']} aria-label="Changed by both">
      <header>
        <b>{open ? `${count(open, 'place')} to decide` : 'All decided'}</b>
        <button type="button" className="tiny" onClick={() => onTakes(clashes.map(() => 'mine'))}>
          All as I have it
        </button>
        <button type="button" className="tiny" onClick={() => onTakes(clashes.map(() => 'built'))}>
          All as built
        </button>
      </header>
      <ol>
        {clashes.map((clash, index) => (
          <li key={`${clash.place} ${index}`}>
            <p>
              <span className="mono">{placeInWords(clash.place)}</span>
              <span className="soft"> was </span>
              <span className="mono">{clash.base || 'not there'}</span>
            </p>
            <Side
              label="As I have it"
              text={clash.mine}
              isTaken={takes[index] === 'mine'}
              onTake={() => put(index, 'mine')}
            />
            <Side
              label="As it is built now"
              text={clash.built}
              isTaken={takes[index] === 'built'}
              onTake={() => put(index, 'built')}
            />
          </li>
        ))}
      </ol>
    </section>
  );
}

const placeInWords = (place: string): string => (/^\d+$/.test(place) ? `line ${place}` : place);

function Side({
  label,
  text,
  isTaken,
  onTake,
}: {
  label: string;
  text: string;
  isTaken: boolean;
  onTake: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={isTaken}
      className={clsx(styles['side'], isTaken && styles['taken'])}
      onClick={onTake}
    >
      <span>{label}</span>
      <pre>{text || '(nothing)'}</pre>
    </button>
  );
}
