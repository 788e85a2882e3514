import clsx from 'clsx';
import { memo, type ComponentProps, type MouseEvent, type ReactNode } from 'react';
import { isTraitRows, type TraitName } from '../../../../core/mod/index.ts';
import { cellText, columns, spokenCell, type Subject } from '../../../../core/table/index.ts';
import { useModPart } from '../../../api/hooks.tsx';
import type { GridCell } from '../../../parts/grid/moves.ts';
import { Rendering } from '../../../parts/rendering.tsx';
import { CellEditor } from './cell-editor.tsx';
import styles from './traits.module.css';

type CellEditorDone = ComponentProps<typeof CellEditor>['onDone'];

interface LineProps {
  subject: Subject;
  index: number;
  top: number;
  chosen: boolean;
  /** The column of the cursor, where it is on this line. */
  cursor: number | undefined;
  /** What is edited where it stands, and with what to begin. */
  editing: { trait: TraitName; typed: string | undefined; many: number } | undefined;
  /** The trait that is about to change, and what it becomes. */
  changing: TraitName | undefined;
  becomes: Subject['traits'][TraitName] | undefined;
  press: (cell: GridCell, extend: boolean) => void;
  onEdit: (cell: GridCell) => void;
  onDone: CellEditorDone;
}

/** One line of the table. It stays as it is while others scroll past. */
export const Line = memo(function Line(props: LineProps) {
  const { subject, index, top, chosen, cursor, editing, changing, becomes } = props;
  const { press, onEdit, onDone } = props;
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
        cursor !== undefined && styles['cursor'],
        editing && styles['editing'],
        !block && styles['stock'],
      )}
      style={{ top }}
      onClick={(event) => press({ row: index, column: columnAt(event) }, event.shiftKey)}
      onDoubleClick={(event) => onEdit({ row: index, column: columnAt(event) })}
    >
      <span
        id={`cell-${key}-0`}
        className={clsx(styles['name'], cursor === 0 && styles['at'])}
        role="rowheader"
      >
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
      {columns.map(({ trait, kind }, i) => (
        <Cell
          key={trait}
          id={`cell-${key}-${i + 1}`}
          isAt={cursor === i + 1}
          editor={
            editing?.trait === trait ? (
              <CellEditor {...editing} value={traits[trait]} onDone={onDone} />
            ) : undefined
          }
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

/** Which cell of its line an event comes from. */
function columnAt({ target, currentTarget }: MouseEvent<HTMLElement>): number {
  const cells = [...currentTarget.children];
  return Math.max(
    0,
    cells.findIndex((cell) => cell.contains(target as Node)),
  );
}

interface CellProps {
  id: string;
  /** Whether the cursor stands on it. */
  isAt: boolean;
  /** Stands in it while it is edited. */
  editor: ReactNode;
  trait: TraitName;
  kind: string;
  value: Subject['traits'][TraitName];
  becomes: Subject['traits'][TraitName] | undefined;
  own: boolean;
}

/** One trait of one line; with a change in sight, what it was and what it becomes. */
function Cell({ id, isAt, editor, trait, kind, value, becomes, own }: CellProps) {
  const header = useModPart((mod) => mod.header);
  const text = cellText(value);
  const shown = spokenCell(trait, value, header);
  return (
    <span
      id={id}
      role="gridcell"
      className={clsx(
        isAt && styles['at'],
        editor !== undefined && styles['edited'],
        kind === 'number' && styles['number'],
        trait === 'soundSet' && styles['words'],
        own && styles['own'],
      )}
      title={`${text}${own ? ', set by the block itself' : ''}`}
    >
      {editor ?? (
        <>
          {trait === 'mapColour' && <i style={{ background: text }} />}
          {becomes === undefined ? (
            <>
              {shown}
              {isTraitRows(value) && <em>by state</em>}
            </>
          ) : (
            <>
              <s>{shown}</s> <b>{spokenCell(trait, becomes, header)}</b>
            </>
          )}
        </>
      )}
    </span>
  );
}
