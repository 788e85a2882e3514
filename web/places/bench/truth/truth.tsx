import { itemAt } from '../../../../core/lists/index.ts';
import { lookUp } from '../../../../core/mod/index.ts';
import './truth.css';
import { useEffect, useMemo, useRef, type KeyboardEvent, type MouseEvent } from 'react';
import type { Broken } from '../../../../core/loot/index.ts';
import type { BlockEditor } from '../../../api/hooks.tsx';
import { useMod } from '../../../api/hooks.tsx';
import { count } from '../../../../core/words/index.ts';
import { ItemIcon, itemTitle } from '../../../parts/item.tsx';
import { useDropChoice } from './choice.tsx';
import { usePaintDrops } from './paint.ts';
import { focusSoon } from '../../../parts/focus-soon.ts';

const number = (value: number): string => String(Number(value.toFixed(value < 0.1 ? 3 : 2)));

/**
 * What would drop: every way of breaking the block by every state that makes a difference, each
 * cell what comes of it.
 */
export function Truth({ editor, onStage }: { editor: BlockEditor; onStage: () => void }) {
  const { block } = editor;
  const { truth, cursor, chosen, named, luck, move, show, setLuck } = useDropChoice();
  const { space, ways, properties } = truth;
  const paint = usePaintDrops(editor);
  const anchor = useRef(cursor);
  const grid = useRef<HTMLDivElement>(null);
  // One column for each choice of the shown properties, usually and carefully; a blast knows no
  // care.
  const combos = useMemo(
    () => Array.from({ length: space.size / (ways.length * 2) }, (_, i) => i),
    [space, ways],
  );
  const columns = combos.length * 2;
  const cellAt = (row: number, column: number) => row * columns + column;
  const [row, column] = [Math.floor(cursor / columns), cursor % columns];
  const tight = columns > 6;
  useEffect(() => grid.current?.focus({ preventScroll: true }), []);
  const between = (a: number, b: number): number[] => {
    const [r1, r2, c1, c2] = [
      Math.floor(a / columns),
      Math.floor(b / columns),
      a % columns,
      b % columns,
    ];
    const found: number[] = [];
    for (let r = Math.min(r1, r2); r <= Math.max(r1, r2); r += 1)
      for (let c = Math.min(c1, c2); c <= Math.max(c1, c2); c += 1)
        if (!(itemAt(ways, r).blast && c >= combos.length)) found.push(cellAt(r, c));
    return found;
  };
  const go = (r: number, c: number, extend: boolean) => {
    const to = Math.max(0, Math.min(ways.length - 1, r));
    // A blast has no careful half.
    const next = cellAt(
      to,
      Math.max(0, Math.min((itemAt(ways, to).blast ? combos.length : columns) - 1, c)),
    );
    if (!extend) anchor.current = next;
    move(next, extend ? between(anchor.current, next) : [next]);
  };
  const press = (event: MouseEvent, cell: number) => {
    if (event.shiftKey) {
      move(cell, between(anchor.current, cell));
      return;
    }
    anchor.current = cell;
    move(
      cell,
      event.ctrlKey || event.metaKey
        ? chosen.has(cell)
          ? [...chosen].filter((one) => one !== cell)
          : [...chosen, cell]
        : [cell],
    );
  };
  const all = () => between(0, space.size - 1);
  const keys = (event: KeyboardEvent) => {
    const jump = event.ctrlKey || event.metaKey;
    const acts: Record<string, () => void> = {
      ArrowUp: () => go(jump ? 0 : row - 1, column, event.shiftKey),
      ArrowDown: () => go(jump ? ways.length - 1 : row + 1, column, event.shiftKey),
      ArrowLeft: () => go(row, jump ? 0 : column - 1, event.shiftKey),
      ArrowRight: () => go(row, jump ? columns - 1 : column + 1, event.shiftKey),
      Home: () => go(row, 0, event.shiftKey),
      End: () => go(row, columns - 1, event.shiftKey),
      Escape: () => move(cursor, []),
      ' ': () =>
        move(
          cursor,
          chosen.has(cursor) ? [...chosen].filter((one) => one !== cursor) : [...chosen, cursor],
        ),
      Enter: () => focusSoon('.drop-brush input'),
    };
    const letters: Record<string, () => void> = jump
      ? { a: () => move(cursor, all()) }
      : {
          r: () => move(cursor, between(cellAt(row, 0), cellAt(row, columns - 1))),
          c: () => move(cursor, between(column, cellAt(ways.length - 1, column))),
          i: () => paint.itself(),
          n: () => paint.nothing(),
          k: () => paint.itemOrItself(),
          m: onStage,
        };
    const act = lookUp(acts, event.key) ?? lookUp(letters, event.key.toLowerCase());
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  const others = block.space.properties.filter(
    ({ name }) => !properties.some((one) => one.name === name),
  );
  const words = (cell: number) => space.describe(cell % columns).replace(/^[^,]*,[^,]*,? ?/, '');
  return (
    <div className="truth">
      <div className="matrix-head">
        <button type="button" className="chip" onClick={onStage}>
          Stage <kbd>M</kbd>
        </button>
        <b>What would drop?</b>
        <label className="luck note">
          luck{' '}
          <input
            type="number"
            min={0}
            max={10}
            value={luck}
            aria-label="Luck of the player"
            onChange={(event) =>
              setLuck(Math.max(0, Math.min(10, Math.round(Number(event.currentTarget.value) || 0))))
            }
          />
        </label>
        <span className="note many" aria-live="polite">
          {chosen.size ? `${count(chosen.size, 'cell')} chosen` : 'exact, on average'}
        </span>
        {(others.length > 0 || named.length > 0) && (
          <span className="split note">
            columns also by{' '}
            {[...others, ...properties.filter(({ name }) => named.includes(name))].map(
              ({ name }) => (
                <button
                  key={name}
                  type="button"
                  className="chip"
                  aria-pressed={named.includes(name)}
                  onClick={() => {
                    show(
                      named.includes(name) ? named.filter((one) => one !== name) : [...named, name],
                    );
                    move(0, []);
                  }}
                >
                  {name}
                </button>
              ),
            )}
          </span>
        )}
      </div>
      <div className="truth-scroll">
        <div
          className="truth-grid"
          ref={grid}
          role="grid"
          tabIndex={0}
          aria-label="What would drop"
          aria-multiselectable="true"
          aria-rowcount={ways.length}
          aria-colcount={columns}
          aria-activedescendant={`drop-${cursor}`}
          onKeyDown={keys}
          style={{
            gridTemplateColumns: `110px repeat(${columns}, minmax(${tight ? 58 : 86}px, 220px))`,
          }}
        >
          <span />
          <span className="care" style={{ gridColumn: `span ${combos.length}` }}>
            usually
          </span>
          <span className="care" style={{ gridColumn: `span ${combos.length}` }}>
            careful
          </span>
          {combos.length > 1 && (
            <>
              <span className="by">{properties.map(({ name }) => name).join(', ')}</span>
              {Array.from({ length: columns }, (_, c) => (
                <button
                  key={c}
                  type="button"
                  tabIndex={-1}
                  className="head"
                  title={`Choose all with ${words(c)}`}
                  onClick={() => move(c, between(c, cellAt(ways.length - 1, c)))}
                >
                  {properties
                    .map((_, p) =>
                      String(itemAt(itemAt(space.values, p + 2), space.digit(c, p + 2))),
                    )
                    .join(', ')}
                </button>
              ))}
            </>
          )}
          {ways.map((way, r) => (
            <div key={way.name} role="row" aria-rowindex={r + 1} className="way">
              <button
                type="button"
                tabIndex={-1}
                className="head"
                title={`Choose all with ${way.name}`}
                onClick={() => move(cellAt(r, 0), between(cellAt(r, 0), cellAt(r, columns - 1)))}
              >
                {way.name}
              </button>
              {Array.from({ length: columns }, (_, c) => {
                const cell = cellAt(r, c);
                // What a blast leaves stands once, under "usually".
                if (way.blast && c >= combos.length)
                  return (
                    <span key={c} className="no-care" aria-hidden>
                      {c === combos.length ? 'a blast is never careful' : ''}
                    </span>
                  );
                return (
                  <Cell
                    key={c}
                    cell={cell}
                    broken={itemAt(truth.cells, cell)}
                    words={`${way.name}${c >= combos.length ? ', careful' : ''}${combos.length > 1 ? `, ${words(c)}` : ''}`}
                    own={block.id}
                    chosen={chosen.has(cell)}
                    cursor={cell === cursor}
                    tight={tight}
                    onPress={press}
                    onDrag={() => move(cell, between(anchor.current, cell))}
                  />
                );
              })}
            </div>
          ))}
        </div>
      </div>
      <div className="matrix-foot note">
        <kbd>↑↓←→</kbd> move <kbd>Space</kbd> choose <kbd>Shift</kbd> range <kbd>R</kbd>{' '}
        <kbd>C</kbd> row, column <kbd>Enter</kbd> item <kbd>I</kbd> itself <kbd>N</kbd> nothing
      </div>
    </div>
  );
}

interface CellProps {
  cell: number;
  broken: Broken;
  words: string;
  own: string;
  chosen: boolean;
  cursor: boolean;
  tight: boolean;
  onPress: (event: MouseEvent, cell: number) => void;
  onDrag: () => void;
}

/**
 * One way in one state: what drops, each with how many on average, and how often there is any where
 * that is not always.
 */
function Cell({ cell, broken, words, own, chosen, cursor, tight, onPress, onDrag }: CellProps) {
  const mod = useMod();
  const says =
    typeof broken === 'string'
      ? {
          gated: 'nothing: gated',
          'cannot be dug': 'cannot be dug',
          'too many cases': 'too many cases',
        }[broken]
      : broken.length
        ? undefined
        : 'nothing';
  const names =
    typeof broken === 'string'
      ? []
      : broken.map(
          ({ give, mean, chance, keeps }) =>
            `${number(mean)} ${itemTitle(mod, give)}` +
            (give === own ? ' (itself)' : '') +
            (keeps.length ? `, keeping ${keeps.join(', ')}` : '') +
            (chance < 0.9995 ? `, ${number(chance * 100)} times in 100` : ''),
        );
  const text = says ?? names.join('; ');
  return (
    <div
      id={`drop-${cell}`}
      role="gridcell"
      aria-selected={chosen}
      aria-label={`${words}: ${text}`}
      title={`${words}: ${text}`}
      className={[
        'drop',
        chosen && 'chosen',
        cursor && 'cursor',
        says && 'none',
        says && says !== 'nothing' && 'closed',
      ]
        .filter(Boolean)
        .join(' ')}
      onMouseDown={(event) => onPress(event, cell)}
      onMouseEnter={(event) => event.buttons === 1 && onDrag()}
    >
      {says ? (
        <span className="says">{tight ? '–' : says}</span>
      ) : (
        (broken as Exclude<Broken, string>)
          .slice(0, tight ? 2 : 3)
          .map(({ give, keeps, mean, chance }) => (
            <span key={give + keeps.join()} className="one">
              <ItemIcon id={give} size={22} />
              <b>{number(mean)}</b>
              {!tight && chance < 0.9995 && <em>{number(chance * 100)}%</em>}
            </span>
          ))
      )}
      {!says && broken.length > (tight ? 2 : 3) && <em>+{broken.length - (tight ? 2 : 3)}</em>}
    </div>
  );
}
