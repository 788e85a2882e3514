import type { VirtualItem } from '@tanstack/react-virtual';
import clsx from 'clsx';
import type { CSSProperties } from 'react';
import { itemAt } from '../../../../core/lists/index.ts';
import type { StateSpace } from '../../../../core/states/index.ts';
import { bandEnd, type Arrangement, type PlaneHead } from './layout.ts';
import { bandWidth, headHeight, type Extent } from './extent.ts';
import styles from './matrix.module.css';

interface HeadsProps {
  space: StateSpace;
  arrangement: Arrangement;
  heads: readonly PlaneHead[];
  items: readonly VirtualItem[];
  extent: Extent;
  /** Chooses all cells under the heads from one to another. */
  onChoose: (from: number, to: number) => void;
}

/** The heads above the columns, with the corner that names the properties. */
export function ColumnHeads({ arrangement, extent, ...rest }: HeadsProps) {
  return (
    <div className={styles['column-heads']} style={{ height: extent.top - 2 }}>
      <Corner arrangement={arrangement} width={extent.left - 4} />
      <Bands
        names={arrangement.columns}
        styleOf={(item, level, many) => ({
          left: item.start,
          top: level * headHeight,
          width: many * extent.cell - 2,
        })}
        {...rest}
      />
    </div>
  );
}

/** The heads beside the rows. */
export function RowHeads({ arrangement, extent, ...rest }: HeadsProps) {
  return (
    <div className={styles['row-heads']} style={{ width: extent.left - 4 }}>
      <Bands
        down
        names={arrangement.rows}
        styleOf={(item, level, many) => ({
          top: item.start - extent.top + 2,
          left: level * bandWidth,
          width: bandWidth - 2,
          height: many * extent.cell - 2,
        })}
        {...rest}
      />
    </div>
  );
}

function Corner({ arrangement, width }: { arrangement: Arrangement; width: number }) {
  return (
    <div className={styles['corner']} style={{ width }}>
      {arrangement.columns.map((property, level) => (
        <i key={property} style={{ top: level * headHeight + 4 }}>
          {property}
        </i>
      ))}
      {arrangement.rows.map((property, level) => (
        <i
          key={property}
          className={styles['down']}
          style={{ left: level * bandWidth, width: bandWidth - 4 }}
        >
          {property}
        </i>
      ))}
    </div>
  );
}

/** One head for each band of equal values, on each level. */
function Bands({
  space,
  names,
  heads,
  items,
  down,
  styleOf,
  onChoose,
}: Pick<HeadsProps, 'space' | 'heads' | 'items' | 'onChoose'> & {
  names: readonly string[];
  down?: boolean;
  styleOf: (item: VirtualItem, level: number, many: number) => CSSProperties;
}) {
  return items.map((item, i) => {
    const { first: firsts, digits } = itemAt(heads, item.index);
    return firsts.map((first, level) => {
      // A band that begins above what is shown has its head where the showing begins.
      if (first !== item.index && i !== 0) return null;
      const property = itemAt(names, level);
      const values = itemAt(space.values, space.indexOf(property));
      return (
        <Head
          key={`${item.index} ${level}`}
          down={down}
          property={property}
          value={String(values[itemAt(digits, level)])}
          style={styleOf(item, level, bandEnd(heads, item.index, level) - item.index + 1)}
          onChoose={() => onChoose(first, bandEnd(heads, first, level))}
        />
      );
    });
  });
}

/** The head of a row, a column or a band of them: its value, and a way to choose all under it. */
function Head({
  property,
  value,
  style,
  down,
  onChoose,
}: {
  property: string;
  value: string;
  style: CSSProperties;
  down?: boolean;
  onChoose: () => void;
}) {
  return (
    <button
      type="button"
      tabIndex={-1}
      className={clsx(styles['head'], down && styles['down'])}
      style={style}
      onClick={onChoose}
      title={`${property} = ${value}: choose all`}
      aria-label={`Choose all with ${property} = ${value}`}
    >
      {value}
    </button>
  );
}
