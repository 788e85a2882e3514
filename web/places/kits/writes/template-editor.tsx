import clsx from 'clsx';
import { useMemo, useRef, type KeyboardEvent, type Ref } from 'react';
import type { Place } from '../../../../core/json/index.ts';
import { linesIn, stretchesOf, withPart } from './lines.ts';
import styles from './writes.module.css';

interface TemplateEditorProps {
  label: string;
  text: string;
  onText: (text: string) => void;
  /** Where the caret stands, whenever it moves. */
  onCaret: (offset: number) => void;
  /** The part that wrote what is looked at, between two offsets. */
  part?: { begin: number; end: number } | undefined;
  /** The part as it is drawn. */
  partRef: Ref<HTMLElement>;
  /** Where the first mistake is. */
  mistake?: Place | undefined;
}

/** A template that is written: its tags in colours, its lines numbered, a mistake marked. */
export function TemplateEditor({
  label,
  text,
  onText,
  onCaret,
  part,
  partRef,
  mistake,
}: TemplateEditorProps) {
  const mayLeave = useRef(false);
  const stretches = useMemo(() => stretchesOf(text), [text]);
  const parts = withPart(stretches, part?.begin ?? 0, part?.end ?? 0);
  const first = parts.findIndex(({ isPart }) => isPart);
  const putSpaces = (event: KeyboardEvent<HTMLTextAreaElement>) => {
    if (event.key === 'Escape') mayLeave.current = true;
    else if (event.key !== 'Tab') mayLeave.current = false;
    if (event.key !== 'Tab' || event.shiftKey || mayLeave.current) return;
    event.preventDefault();
    const { selectionStart, selectionEnd } = event.currentTarget;
    event.currentTarget.setRangeText('  ', selectionStart, selectionEnd, 'end');
    onText(event.currentTarget.value);
  };
  return (
    <div className={styles['text']}>
      <Gutter lines={linesIn(text)} mistake={mistake?.line} />
      <div className={styles['layers']}>
        <pre aria-hidden>
          {parts.map((stretch, i) =>
            stretch.isPart ? (
              <mark
                key={i}
                ref={i === first ? partRef : undefined}
                className={styles[stretch.kind]}
              >
                {stretch.text}
              </mark>
            ) : (
              <span key={i} className={styles[stretch.kind]}>
                {stretch.text}
              </span>
            ),
          )}
          {'\n'}
        </pre>
        <textarea
          aria-label={label}
          data-template
          spellCheck={false}
          wrap="off"
          value={text}
          onChange={(event) => onText(event.currentTarget.value)}
          onSelect={(event) => onCaret(event.currentTarget.selectionStart)}
          onKeyDown={putSpaces}
        />
      </div>
    </div>
  );
}

/** The numbers of lines, with the one of a mistake marked, and those that changed. */
export function Gutter({
  lines,
  mistake,
  changed,
}: {
  lines: number;
  mistake?: number | undefined;
  changed?: ReadonlySet<number> | undefined;
}) {
  return (
    <ol className={styles['gutter']} aria-hidden>
      {Array.from({ length: lines }, (_, i) => (
        <li
          key={i}
          className={clsx(
            i + 1 === mistake && styles['wrong'],
            changed?.has(i + 1) && styles['changed'],
          )}
        >
          {i + 1}
        </li>
      ))}
    </ol>
  );
}
