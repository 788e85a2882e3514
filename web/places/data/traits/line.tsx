import clsx from 'clsx';
import { memo } from 'react';
import type { TraitName } from '../../../../core/mod/index.ts';
import { cellText, columns, type Subject } from '../../../../core/table/index.ts';
import { Rendering } from '../../../parts/rendering.tsx';
import styles from './traits.module.css';

interface LineProps {
  subject: Subject;
  index: number;
  top: number;
  chosen: boolean;
  cursor: boolean;
  /** The trait that is about to change, and what it becomes. */
  changing: TraitName | undefined;
  becomes: Subject['traits'][TraitName] | undefined;
  press: (index: number, extend: boolean) => void;
}

/** One line of the table. It stays as it is while others scroll past. */
export const Line = memo(function Line(props: LineProps) {
  const { subject, index, top, chosen, cursor, changing, becomes, press } = props;
  const { key, block, title, traits } = subject;
  return (
    <div
      id={`line-${key}`}
      role="row"
      aria-rowindex={index + 2}
      aria-selected={chosen}
      className={clsx(
        styles['line'],
        chosen && styles['chosen'],
        cursor && styles['cursor'],
        !block && styles['stock'],
      )}
      style={{ top }}
      onClick={(event) => press(index, event.shiftKey)}
    >
      <span className={styles['name']} role="rowheader">
        <input
          type="checkbox"
          readOnly
          tabIndex={-1}
          aria-label={`Choose ${title}`}
          checked={chosen}
        />
        {block ? (
          <Rendering block={key} state={0} size={26} fills />
        ) : (
          <i style={{ background: traits.mapColour }} />
        )}
        <b title={key}>{title}</b>
      </span>
      {columns.map(({ trait, kind }) => (
        <Cell
          key={trait}
          own={block?.declared.traits[trait] !== undefined}
          kind={kind}
          trait={trait}
          value={traits[trait]}
          becomes={changing === trait ? becomes : undefined}
        />
      ))}
    </div>
  );
});

interface CellProps {
  trait: TraitName;
  kind: string;
  value: Subject['traits'][TraitName];
  becomes: Subject['traits'][TraitName] | undefined;
  own: boolean;
}

/** One trait of one line; with a change in sight, what it was and what it becomes. */
function Cell({ trait, kind, value, becomes, own }: CellProps) {
  const text = cellText(value);
  const shown = kind === 'toggle' ? (value ? 'yes' : 'no') : text;
  return (
    <span
      role="gridcell"
      className={clsx(
        kind === 'number' && styles['number'],
        trait === 'soundSet' && styles['words'],
        own && styles['own'],
      )}
      title={`${text}${own ? ', set by the block itself' : ''}`}
    >
      {trait === 'mapColour' && <i style={{ background: text }} />}
      {becomes === undefined ? (
        shown
      ) : (
        <>
          <s>{text}</s> <b>{cellText(becomes)}</b>
        </>
      )}
    </span>
  );
}
