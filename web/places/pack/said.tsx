import clsx from 'clsx';
import styles from './pack.module.css';

/** What is said, and where in the list of findings it stands. */
export interface Saying {
  index: number;
  message: string;
  severity: string;
}

/** Sentences of findings; one is chosen by a click. */
export const Said = ({
  found,
  chosen,
  onChoose,
}: {
  found: readonly Saying[];
  chosen?: number | undefined;
  onChoose: (finding: number) => void;
}) =>
  found.map(({ index, message, severity }) => (
    <button
      key={index}
      type="button"
      aria-pressed={index === chosen}
      className={clsx(styles['said'], styles[severity])}
      onClick={() => onChoose(index)}
    >
      {message}
    </button>
  ));
