import { memo } from 'react';
import { idOf, lookUp } from '../../../../core/mod/index.ts';
import { originalOf, placeholderProblem, type TextEntry } from '../../../../core/texts/index.ts';
import { ItemIcon } from '../../../parts/item.tsx';
import { useTyped } from '../../../parts/use-typed.ts';
import styles from './texts.module.css';

interface LineProps {
  entry: TextEntry;
  index: number;
  top: number;
  /** The widths of the columns, as the style sheet has them. */
  columns: string;
  namespace: string;
  languages: readonly string[];
  put: (entry: TextEntry, language: string, text: string) => void;
}

/** One text in all languages. */
export const Line = memo(function Line(props: LineProps) {
  const { entry, index, top, columns, namespace, languages, put } = props;
  const original = originalOf(entry, languages);
  const wrongIn = (language: string, text: string) =>
    original && text.trim() && language !== original.language
      ? placeholderProblem(text, original.text)
      : undefined;
  return (
    <div
      className={styles['text-line']}
      role="row"
      aria-rowindex={index + 2}
      style={{ gridTemplateColumns: columns, top }}
    >
      <span role="rowheader" title={entry.key}>
        {entry.what === 'block' || entry.what === 'item' ? (
          <ItemIcon id={idOf(namespace, entry.name)} size={24} />
        ) : (
          <i />
        )}
        <b className="mono">{entry.key}</b>
      </span>
      {languages.map((language) => {
        const text = lookUp(entry.texts, language) ?? '';
        return (
          <Cell
            key={language}
            label={`${entry.key} in ${language}`}
            text={text}
            wrong={wrongIn(language, text)}
            onText={(typed) => put(entry, language, typed)}
          />
        );
      })}
    </div>
  );
});

interface CellProps {
  label: string;
  text: string;
  /** What is wrong with it. */
  wrong: string | undefined;
  onText: (text: string) => void;
}

function Cell({ label, text, wrong, onText }: CellProps) {
  const [typed, setTyped] = useTyped(text);
  const isMissing = !text.trim();
  return (
    <span
      role="cell"
      className={wrong ? styles['wrong'] : isMissing ? styles['missing'] : undefined}
      title={wrong ?? (isMissing ? 'Missing: players read the key.' : undefined)}
    >
      <input
        aria-label={label}
        aria-invalid={wrong !== undefined}
        placeholder="missing"
        value={typed}
        data-committed
        onChange={(event) => {
          setTyped(event.currentTarget.value);
          onText(event.currentTarget.value);
        }}
      />
      {wrong && <em>{wrong}</em>}
    </span>
  );
}
