import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';
import { kitFor } from '../../../core/kits/index.ts';
import { lookUp, resolveBlock, titleOf } from '../../../core/mod/index.ts';
import { useFindingsByBlock, useMod, useSession } from '../../api/hooks.tsx';
import { listed } from '../../../core/words/index.ts';
import type { SheetAnswer } from '../../workers/protocol.ts';
import styles from './sheet.module.css';

/** Above this many pictures they are no longer buttons: the page would be slow for nobody's good. */
const mostButtons = 2000;
/** From this size on the names stand in the pictures. */
const namedFrom = 96;

interface ViewProps {
  sheet: SheetAnswer;
  pixels: NonNullable<SheetAnswer['pixels']>;
  size: number;
  block: string | undefined;
}

/** The sheet as it was drawn, each picture a way to what it shows. */
export function SheetView({ sheet, pixels, size, block }: ViewProps) {
  const { cells, columns, marked = [] } = sheet;
  const canvas = useRef<HTMLCanvasElement>(null);
  const navigate = useNavigate();
  const session = useSession();
  const wordsFor = useCellWords(block);
  const flaws = useFlaws(block);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const data = new Uint8ClampedArray(pixels.data);
    context.clearRect(0, 0, pixels.width, pixels.height);
    context.putImageData(new ImageData(data, pixels.width, pixels.height), 0, 0);
  }, [pixels]);
  return (
    <div className={styles['sheet-view']} style={{ width: pixels.width, height: pixels.height }}>
      <canvas
        ref={canvas}
        width={pixels.width}
        height={pixels.height}
        aria-label="The contact sheet"
        role="img"
      />
      {cells.length <= mostButtons &&
        cells.map((cell, i) => {
          const flaw = flaws(cell.block);
          const words = [wordsFor(cell), flaw].filter(Boolean).join('. ');
          const differs = marked.includes(i);
          return (
            <button
              key={`${cell.block} ${cell.state}`}
              type="button"
              className={differs ? styles['marked'] : undefined}
              style={{
                left: (i % columns) * size,
                top: Math.floor(i / columns) * size,
                width: size,
                height: size,
              }}
              title={words}
              aria-label={`${words}${differs ? ', differs' : ''}`}
              onClick={() =>
                void navigate(`/m/${session.name}/blocks/${cell.block}/looks?state=${cell.state}`)
              }
            >
              {size >= namedFrom && block === undefined ? <span>{wordsFor(cell)}</span> : null}
              {flaw && <i aria-hidden>!</i>}
            </button>
          );
        })}
    </div>
  );
}

/**
 * What is wrong with a block on the sheet of all of them, with the kits that alone say so; the sheet
 * of one block is of its states, and is not marked.
 */
function useFlaws(shown: string | undefined) {
  const mod = useMod();
  const findings = useFindingsByBlock();
  return (block: string): string | undefined => {
    const found = shown === undefined ? findings.get(block) : undefined;
    const worst = found?.find(({ severity }) => severity === 'error');
    if (!worst) return undefined;
    const kits = worst.kits?.map((name) => kitFor(mod, name).title);
    return kits ? `${listed(kits)}: ${worst.message}` : worst.message;
  };
}

/** What a picture shows: the name of the block or, on the sheet of one block, its state. */
function useCellWords(shown: string | undefined) {
  const mod = useMod();
  return ({ block, state }: { block: string; state: number }): string => {
    const declared = lookUp(mod.blocks, block);
    if (shown === undefined) return titleOf(mod, block, declared?.names);
    return declared ? resolveBlock(mod, block, declared).space.describe(state) : block;
  };
}
