import { Button, FileButton, SegmentedControl, Slider } from '@mantine/core';
import clsx from 'clsx';
import { count } from '../../../core/words/index.ts';
import { useModPart } from '../../api/hooks.tsx';
import type { SheetAnswer } from '../../workers/protocol.ts';
import { grounds, type LaidOn } from './laid-on.ts';
import styles from './sheet.module.css';

interface BarProps {
  block: string | undefined;
  sheet: SheetAnswer | undefined;
  laidOn: LaidOn;
  tick: number;
  onTick: (tick: number) => void;
}

/** What the sheet is laid on, the moment that it shows, and what came of it. */
export function SheetBar({ block, sheet, laidOn, tick, onTick }: BarProps) {
  const isAnimated = useModPart(({ textures }) =>
    Object.values(textures).some(({ strip }) => strip),
  );
  return (
    <div className={styles['sheet-bar']}>
      <span className="note">Lay it on</span>
      <SegmentedControl
        aria-label="Compare with"
        data={[...grounds]}
        value={laidOn.ground}
        onChange={laidOn.choose}
      />
      {laidOn.ground === 'a PNG' && (
        <FileButton accept="image/png" onChange={(file) => void laidOn.chooseFile(file)}>
          {(props) => (
            <Button {...props} variant="default">
              {laidOn.fileName ?? 'Choose an earlier sheet'}
            </Button>
          )}
        </FileButton>
      )}
      {isAnimated && (
        <label className={styles['tick']}>
          at tick{' '}
          <Slider
            w={130}
            size="xs"
            min={0}
            max={60}
            label={null}
            value={tick}
            onChange={onTick}
            aria-label="Tick"
          />{' '}
          <span className="mono">{tick}</span>
        </label>
      )}
      <span className={clsx('note', styles['result'])} role="status">
        {resultOf(sheet, block, laidOn.isAsBroughtIn)}
      </span>
    </div>
  );
}

/** What the sheet holds or, laid on another, how much differs. */
function resultOf(
  sheet: SheetAnswer | undefined,
  block: string | undefined,
  isAsBroughtIn: boolean,
): string {
  const { pixels, cells = [], columns = 1, differing, marked = [], problem } = sheet ?? {};
  if (problem) return '';
  if (differing === 0)
    return `Nothing differs${isAsBroughtIn ? ' from the mod as it came in' : ''}`;
  if (differing !== undefined)
    return `${count(differing, 'pixel')} in ${count(marked.length, 'picture')} differ`;
  if (!pixels) return '';
  const pictures = count(cells.length, block === undefined ? 'block' : 'state');
  return `${pictures} in ${count(columns, 'column')}, ${pixels.width} × ${pixels.height} pixels`;
}
