import clsx from 'clsx';
import type { MouseEvent } from 'react';
import type { Broken, Drop } from '../../../../core/loot/index.ts';
import type { Mod } from '../../../../core/mod/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { ItemIcon, itemTitle } from '../../../parts/item.tsx';
import styles from './truth.module.css';

interface CellProps {
  cell: number;
  broken: Broken;
  /** The way, the care and the state that it is about. */
  words: string;
  /** The id of the block itself. */
  own: string;
  chosen: boolean;
  cursor: boolean;
  /** There is room for little. */
  tight: boolean;
  onPress: (event: MouseEvent, cell: number) => void;
  onDrag: (cell: number) => void;
}

/** From this chance on something always drops, as far as it is told. */
const sure = 0.9995;
const number = (value: number): string => String(Number(value.toFixed(value < 0.1 ? 3 : 2)));

/**
 * One way in one state: what drops, each with how many on average, and how often there is any where
 * that is not always.
 */
export function Cell(props: CellProps) {
  const { cell, broken, words, own, chosen, cursor, tight, onPress, onDrag } = props;
  const mod = useMod();
  const nothing = nothingWords(broken);
  const drops = typeof broken === 'string' ? [] : broken;
  const says = `${words}: ${nothing ?? drops.map((drop) => dropWords(mod, drop, own)).join('; ')}`;
  return (
    <div
      id={`drop-${cell}`}
      role="gridcell"
      aria-selected={chosen}
      aria-label={says}
      title={says}
      className={clsx(
        styles['drop'],
        chosen && styles['chosen'],
        cursor && styles['cursor'],
        nothing && styles['none'],
        nothing && nothing !== 'nothing' && styles['closed'],
      )}
      onMouseDown={(event) => onPress(event, cell)}
      onMouseEnter={(event) => event.buttons === 1 && onDrag(cell)}
    >
      {nothing ? (
        <span className={styles['says']}>{tight ? '–' : nothing}</span>
      ) : (
        <Drops drops={drops} tight={tight} />
      )}
    </div>
  );
}

/** Why nothing drops; undefined where something does. */
function nothingWords(broken: Broken): string | undefined {
  if (typeof broken !== 'string') return broken.length ? undefined : 'nothing';
  return broken === 'gated' ? 'nothing: gated' : broken;
}

/** A drop in words: `0.9 Samphire seeds, 58.8 times in 100`. */
function dropWords(mod: Mod, { give, mean, chance, keeps }: Drop, own: string): string {
  const itself = give === own ? ' (itself)' : '';
  const keeping = keeps.length ? `, keeping ${keeps.join(', ')}` : '';
  const often = chance < sure ? `, ${number(chance * 100)} times in 100` : '';
  return `${number(mean)} ${itemTitle(mod, give)}${itself}${keeping}${often}`;
}

function Drops({ drops, tight }: { drops: readonly Drop[]; tight: boolean }) {
  const most = tight ? 2 : 3;
  return (
    <>
      {drops.slice(0, most).map(({ give, keeps, mean, chance }) => (
        <span key={give + keeps.join()} className={styles['one']}>
          <ItemIcon id={give} size={22} />
          <b>{number(mean)}</b>
          {!tight && chance < sure && <em>{number(chance * 100)}%</em>}
        </span>
      ))}
      {drops.length > most && <em>+{drops.length - most}</em>}
    </>
  );
}
