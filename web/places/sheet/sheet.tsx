import { heldUnder, itemAt } from '../../../core/lists/index.ts';
import { Button, FileButton, Progress, SegmentedControl, Slider } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { sheetCells, sheetColumns } from '../../../core/draw/index.ts';
import { lookUp, resolveBlock, titleOf, type Mod } from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { useBaseline } from '../../api/baseline.ts';
import { useInspector, useMod, useSession } from '../../api/hooks.tsx';
import type { SheetAnswer, SheetBefore } from '../../workers/protocol.ts';
import { Choice } from '../../parts/choice/index.tsx';

const sizes = [48, 64, 96, 128, 192];
/** Where a sheet fits without scrolling. */
const [roomAcross, roomDown] = [1200, 620];
type Against = 'nothing' | 'the last build' | 'a PNG';

/** The largest size of a picture at which the whole sheet is seen at once. */
function sizeFor(mod: Mod, block: string | undefined): number {
  if (block !== undefined && resolveBlock(mod, block, heldUnder(mod.blocks, block)).space.tooLarge)
    return 96;
  const cells = sheetCells(mod, block);
  const columns = sheetColumns(mod, cells);
  return (
    sizes.findLast(
      (one) => columns * one <= roomAcross && Math.ceil(cells.length / columns) * one <= roomDown,
    ) ?? 48
  );
}

/**
 * Every block of the mod, or every state of one, on one sheet: to look over, to export, and to lay
 * on an earlier one.
 */
export function Sheet() {
  const mod = useMod();
  const session = useSession();
  const inspector = useInspector();
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const named = search.get('block');
  const block = named !== null && Object.hasOwn(mod.blocks, named) ? named : undefined;
  const size = useMemo(
    () => sizes.find((one) => String(one) === search.get('size')) ?? sizeFor(mod, block),
    [mod, block, search],
  );
  const [tick, setTick] = useState(0);
  const [against, setAgainst] = useState<Against>('nothing');
  const baseline = useBaseline(against === 'the last build');
  const [file, setFile] = useState<{ name: string; png: Uint8Array }>();
  const [sheet, setSheet] = useState<SheetAnswer>();
  const [done, setDone] = useState<{ done: number; total: number }>();
  const [stopped, setStopped] = useState(false);
  const cancel = useRef<() => void>(() => undefined);
  const canvas = useRef<HTMLCanvasElement>(null);
  const before: SheetBefore | undefined =
    against === 'a PNG'
      ? file && { png: file.png }
      : against === 'the last build'
        ? baseline && { mod: baseline.mod }
        : undefined;

  const laidOn = against === 'the last build' ? baseline : undefined;
  useEffect(() => {
    let current = true;
    // The work begins here: what was stopped before is over.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setStopped(false);
    const { drawn, cancel: stop } = inspector.sheet(
      { block, size, tick, before },
      (now, total) => current && setDone({ done: now, total }),
    );
    cancel.current = stop;
    void drawn.then((answer) => {
      if (!current) return;
      setDone(undefined);
      if (answer.pixels || answer.problem || !answer.cells.length) setSheet(answer);
    });
    return () => {
      current = false;
      stop();
    };
    // The sheet follows the mod; what it is laid on changes only with these.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [inspector, mod, block, size, tick, against, file, laidOn]);
  useEffect(() => {
    const pixels = sheet?.pixels;
    const context = canvas.current?.getContext('2d');
    if (!pixels || !context) return;
    context.clearRect(0, 0, pixels.width, pixels.height);
    context.putImageData(
      new ImageData(new Uint8ClampedArray(pixels.data), pixels.width, pixels.height),
      0,
      0,
    );
  }, [sheet]);

  const put = (key: string, value: string | undefined) =>
    setSearch(
      (old) => {
        const next = new URLSearchParams(old);
        if (value === undefined) next.delete(key);
        else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  const save = async () => {
    if (!sheet?.pixels) return;
    const address = URL.createObjectURL(
      new Blob([new Uint8Array(await inspector.encode(sheet.pixels))], { type: 'image/png' }),
    );
    const link = Object.assign(document.createElement('a'), {
      href: address,
      download: `${block ?? session.name}-sheet.png`,
    });
    link.click();
    setTimeout(() => URL.revokeObjectURL(address), 10_000);
  };
  const animated = Object.values(mod.textures).some((texture) => texture.strip);
  const { pixels, cells = [], columns = 1, differing, marked = [], problem } = sheet ?? {};
  const words = (i: number) => {
    const { block: name, state } = itemAt(cells, i);
    const declared = lookUp(mod.blocks, name);
    if (block === undefined) return titleOf(mod, name, declared?.names);
    return declared ? resolveBlock(mod, name, declared).space.describe(state) : name;
  };
  return (
    <div className="page wide">
      <div className="blocks-head">
        <h1>Contact sheet</h1>
        <Choice
          aria-label="What is drawn"
          w={220}
          data={[
            { value: '', label: 'Every block' },
            ...Object.keys(mod.blocks)
              .sort()
              .map((name) => ({
                value: name,
                label: `${titleOf(mod, name, heldUnder(mod.blocks, name).names)}: every state`,
              })),
          ]}
          value={block ?? ''}
          onTake={(value) => put('block', value || undefined)}
        />
        <SegmentedControl
          aria-label="Size of a picture"
          data={sizes.map(String)}
          value={String(size)}
          onChange={(value) => put('size', value)}
        />
        <Button onClick={() => void save()} disabled={!pixels}>
          Export as PNG
        </Button>
      </div>
      <div className="sheet-bar">
        <span className="note">Lay it on</span>
        <SegmentedControl
          aria-label="Compare with"
          data={['nothing', 'the last build', 'a PNG']}
          value={against}
          onChange={(value) => setAgainst(value)}
        />
        {against === 'a PNG' && (
          <FileButton
            accept="image/png"
            onChange={(chosen) =>
              chosen &&
              void chosen
                .arrayBuffer()
                .then((bytes) => setFile({ name: chosen.name, png: new Uint8Array(bytes) }))
            }
          >
            {(props) => (
              <Button {...props} variant="default">
                {file ? file.name : 'Choose an earlier sheet'}
              </Button>
            )}
          </FileButton>
        )}
        {animated && (
          <label className="tick">
            at tick{' '}
            <Slider
              w={130}
              size="xs"
              min={0}
              max={60}
              label={null}
              value={tick}
              onChange={setTick}
              aria-label="Tick"
            />{' '}
            <span className="mono">{tick}</span>
          </label>
        )}
        <span className="note result" role="status">
          {problem
            ? ''
            : differing === undefined
              ? pixels
                ? `${count(cells.length, block === undefined ? 'block' : 'state')} in ` +
                  `${count(columns, 'column')}, ${pixels.width} × ${pixels.height} pixels`
                : ''
              : differing
                ? `${count(differing, 'pixel')} in ${count(marked.length, 'picture')} differ`
                : 'Nothing ' +
                  `differs${against === 'the last build' && baseline && !baseline.isBuilt ? ' from the mod as it came in' : ''}`}
        </span>
      </div>
      {done && (
        <div className="sheet-progress">
          <Progress value={(done.done / done.total) * 100} aria-label="Drawing" />
          <span className="note">
            {done.done.toLocaleString('en')} of {count(done.total, 'picture')}
          </span>
          <button
            type="button"
            className="link"
            onClick={() => {
              setStopped(true);
              setDone(undefined);
              cancel.current();
            }}
          >
            Stop
          </button>
        </div>
      )}
      {stopped && <p className="note">Stopped. Change something above to draw it again.</p>}
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
      {!problem && Object.keys(mod.blocks).length === 0 && (
        <div className="empty">
          <h2>No block yet</h2>
          <p>A sheet shows every block as it will look, to be kept and compared after a change.</p>
        </div>
      )}
      {pixels && !problem && (
        <div className="sheet-view" style={{ width: pixels.width, height: pixels.height }}>
          <canvas
            ref={canvas}
            width={pixels.width}
            height={pixels.height}
            aria-label="The contact sheet"
            role="img"
          />
          {cells.length <= 2000 &&
            cells.map((cell, i) => (
              <button
                key={`${cell.block} ${cell.state}`}
                type="button"
                className={marked.includes(i) ? 'marked' : undefined}
                style={{
                  left: (i % columns) * size,
                  top: Math.floor(i / columns) * size,
                  width: size,
                  height: size,
                }}
                title={words(i)}
                aria-label={`${words(i)}${marked.includes(i) ? ', differs' : ''}`}
                onClick={() =>
                  void navigate(`/m/${session.name}/blocks/${cell.block}/looks?state=${cell.state}`)
                }
              >
                {size >= 96 && block === undefined ? <span>{words(i)}</span> : null}
              </button>
            ))}
        </div>
      )}
    </div>
  );
}
