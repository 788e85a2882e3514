import clsx from 'clsx';
import { useRef, useState, type KeyboardEvent } from 'react';
import { stockSoundSets, idOf, traitFacts, type TraitName } from '../../../../core/mod/index.ts';
import { readCell, spokenCell, wordsOf, type Subject } from '../../../../core/table/index.ts';
import { count, listed } from '../../../../core/words/index.ts';
import { useModPart } from '../../../api/hooks.tsx';
import { firstMatch } from '../../../parts/choice/match.ts';
import styles from './traits.module.css';

type Value = Subject['traits'][TraitName];

/** Where one goes once a cell is done with. */
export type Onward = 'stay' | 'down' | 'right' | 'left';

interface CellEditorProps {
  trait: TraitName;
  value: Value;
  /** What was typed to begin with; what stands there otherwise. */
  typed: string | undefined;
  /** How many blocks get the value. */
  many: number;
  onDone: (value: Value | undefined, onward: Onward) => void;
}

/** So many words are said at once. */
const mostWords = 12;

/** A cell of the table of traits while it is edited where it stands. */
export function CellEditor({ trait, value, typed, many, onDone }: CellEditorProps) {
  const header = useModPart((mod) => mod.header);
  const words = useWords(trait);
  const [text, setText] = useState(typed ?? spokenCell(trait, value, header));
  const isDone = useRef(false);
  const meant =
    trait === 'soundSet' && text.trim() !== '' ? (firstMatch(text, words)?.value ?? text) : text;
  const read = readCell(trait, meant, header);
  const done = (next: Value | undefined, onward: Onward) => {
    if (isDone.current) return;
    isDone.current = true;
    onDone(next, onward);
  };
  const onKey = (event: KeyboardEvent) => {
    event.stopPropagation();
    if (event.key === 'Escape') done(undefined, 'stay');
    if (event.key !== 'Enter' && event.key !== 'Tab') return;
    event.preventDefault();
    // What can be no value stays, to be put right.
    if (read === undefined) return;
    const aside = event.shiftKey ? 'left' : 'right';
    done(read, event.key === 'Tab' ? aside : many > 1 ? 'stay' : 'down');
  };
  const isTyped = text !== spokenCell(trait, value, header);
  const offered = words.filter((word) => !isTyped || word.includes(text.trim().toLowerCase()));
  return (
    <span className={styles['editor']} data-own-escape>
      <input
        autoFocus
        aria-label={`New ${traitFacts(trait).words}`}
        aria-invalid={read === undefined}
        aria-describedby="cell-hint"
        value={text}
        onFocus={(event) => typed === undefined && event.currentTarget.select()}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={onKey}
        onBlur={() => done(read, 'stay')}
        onClick={(event) => event.stopPropagation()}
      />
      <span
        id="cell-hint"
        className={clsx(styles['cell-hint'], read === undefined && styles['unfit'])}
      >
        {many > 1 && <b>{count(many, 'block')}</b>}{' '}
        {words.length > 0
          ? listed((offered.length ? offered : words).slice(0, mostWords), 'or')
          : rangeInWords(trait)}
      </span>
    </span>
  );
}

/** The words that can be typed; none where it is a number or a colour. */
function useWords(trait: TraitName): string[] {
  return useModPart(({ header, soundSets }) => {
    if (trait === 'leastGrade') return header.tools.grades.map(({ name }) => name);
    if (trait === 'soundSet') {
      const own = Object.keys(soundSets).map((name) => idOf(header.namespace, name));
      return [...own, ...stockSoundSets];
    }
    if (traitFacts(trait).kind === 'toggle') return ['yes', 'no'];
    return [...(wordsOf(trait) ?? [])];
  });
}

function rangeInWords(trait: TraitName): string {
  const { range, unit, whole } = traitFacts(trait);
  if (!range) return trait === 'mapColour' ? 'a colour such as #97897f' : (unit ?? '');
  const [low, high] = range;
  const numbers = `${whole ? 'whole, ' : ''}${low} to ${high.toLocaleString('en')}`;
  return `${numbers}${unit ? ` ${unit}` : ''}${trait === 'hardness' ? ', or unbreakable' : ''}`;
}
