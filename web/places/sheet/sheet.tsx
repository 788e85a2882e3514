import { Button, Progress, SegmentedControl } from '@mantine/core';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { sheetCells, sheetColumns } from '../../../core/draw/index.ts';
import { heldUnder } from '../../../core/lists/index.ts';
import { resolveBlock, titleOf, type Mod } from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { useInspector, useMod, useSession } from '../../api/hooks.tsx';
import { Choice } from '../../parts/choice/index.tsx';
import { download } from '../../parts/download.ts';
import { SheetKits } from './sheet-kits.tsx';
import { SheetBar } from './sheet-bar.tsx';
import { SheetView } from './sheet-view.tsx';
import { useLaidOn } from './laid-on.ts';
import { useSheet, type DrawnSheet } from './use-sheet.ts';
import styles from './sheet.module.css';
import emptyStyles from '../../parts/empty.module.css';
import pageHeadStyles from '../../parts/page-head.module.css';

const sizes = [48, 64, 96, 128, 192];
/** The size for a block with more states than can be listed. */
const usualSize = 96;
/** Where a sheet fits without scrolling. */
const [roomAcross, roomDown] = [1200, 620];

/** The largest size of a picture at which the whole sheet is seen at once. */
function sizeFor(mod: Mod, block: string | undefined): number {
  if (block !== undefined && resolveBlock(mod, block, heldUnder(mod.blocks, block)).space.tooLarge)
    return usualSize;
  const cells = sheetCells(mod, block);
  const columns = sheetColumns(mod, cells);
  const fits = (size: number) =>
    columns * size <= roomAcross && Math.ceil(cells.length / columns) * size <= roomDown;
  return sizes.findLast(fits) ?? 48;
}

/**
 * Every block of the mod, or every state of one, on one sheet: to look over, to export, and to lay
 * on an earlier one.
 */
export function Sheet() {
  const mod = useMod();
  const { block, size, put } = useSheetAddress();
  const [tick, setTick] = useState(0);
  const laidOn = useLaidOn();
  const drawn = useSheet({ block, size, tick, before: laidOn.before });
  const { sheet } = drawn;
  return (
    <div className={clsx('page', styles['wide'])}>
      <Head block={block} size={size} put={put} drawn={drawn} />
      <SheetBar {...{ block, sheet, laidOn, tick }} onTick={setTick} />
      <SheetKits block={block} />
      <Going drawn={drawn} />
      {sheet?.problem && (
        <p className="bad" role="alert">
          {sheet.problem}
        </p>
      )}
      {!sheet?.problem && Object.keys(mod.blocks).length === 0 && (
        <div className={emptyStyles['empty']}>
          <h2>No block yet</h2>
          <p>A sheet shows every block as it will look, to be kept and compared after a change.</p>
        </div>
      )}
      {sheet?.pixels && !sheet.problem && (
        <SheetView sheet={sheet} pixels={sheet.pixels} size={size} block={block} />
      )}
    </div>
  );
}

/** Puts a part of the address; undefined takes it away. */
type PutPart = (key: 'block' | 'size', value: string | undefined) => void;

/** What the address says of the sheet: the block, and the size of a picture. */
function useSheetAddress(): { block: string | undefined; size: number; put: PutPart } {
  const mod = useMod();
  const [search, setSearch] = useSearchParams();
  const named = search.get('block');
  const block = named !== null && Object.hasOwn(mod.blocks, named) ? named : undefined;
  const wanted = search.get('size');
  const size = useMemo(
    () => sizes.find((one) => String(one) === wanted) ?? sizeFor(mod, block),
    [mod, block, wanted],
  );
  const put: PutPart = (key, value) =>
    setSearch(
      (old) => {
        const next = new URLSearchParams(old);
        if (value === undefined) next.delete(key);
        else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  return { block, size, put };
}

interface HeadProps {
  block: string | undefined;
  size: number;
  put: PutPart;
  drawn: DrawnSheet;
}

function Head({ block, size, put, drawn: { sheet } }: HeadProps) {
  const mod = useMod();
  const session = useSession();
  const inspector = useInspector();
  const pixels = sheet?.pixels;
  const save = async () => {
    if (pixels)
      download(
        `${block ?? session.name}-sheet.png`,
        new Uint8Array(await inspector.encode(pixels)),
        'image/png',
      );
  };
  const states = Object.keys(mod.blocks)
    .sort()
    .map((name) => ({
      value: name,
      label: `${titleOf(mod, name, heldUnder(mod.blocks, name).names)}: every state`,
    }));
  return (
    <div className={pageHeadStyles['blocks-head']}>
      <h1>Contact sheet</h1>
      <Choice
        aria-label="What is drawn"
        w={220}
        data={[{ value: '', label: 'Every block' }, ...states]}
        value={block ?? ''}
        onTake={(value) => put('block', value || undefined)}
      />
      <SegmentedControl
        aria-label="Size of a picture"
        data={sizes.map(String)}
        value={String(size)}
        onChange={(value) => put('size', value)}
      />
      <Button
        onClick={() => void save()}
        disabled={!pixels}
        title={pixels ? undefined : 'It is being drawn'}
      >
        Export as PNG
      </Button>
    </div>
  );
}

/** How far the drawing is, and a way to stop it. */
function Going({ drawn: { progress, isStopped, stop } }: { drawn: DrawnSheet }) {
  if (isStopped) return <p className="note">Stopped. Change something above to draw it again.</p>;
  if (!progress) return null;
  const { done, total } = progress;
  return (
    <div className={styles['sheet-progress']}>
      <Progress value={(done / total) * 100} aria-label="Drawing" />
      <span className="note">
        {done.toLocaleString('en')} of {count(total, 'picture')}
      </span>
      <button type="button" className="link" onClick={stop}>
        Stop
      </button>
    </div>
  );
}
