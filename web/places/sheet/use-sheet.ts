import { useEffect, useRef, useState } from 'react';
import { useInspector, useMod } from '../../api/hooks.tsx';
import type { SheetAnswer, SheetBefore } from '../../workers/protocol.ts';

/** What is drawn: every block of the mod or every state of one, how large, at which moment. */
export interface SheetWish {
  block: string | undefined;
  /** The side of a picture in pixels. */
  size: number;
  tick: number;
  /** What it is laid on. */
  before: SheetBefore | undefined;
}
export interface SheetProgress {
  done: number;
  total: number;
}
export interface DrawnSheet {
  /** The last sheet that was drawn; it stays until the next one is there. */
  sheet: SheetAnswer | undefined;
  progress: SheetProgress | undefined;
  isStopped: boolean;
  stop: () => void;
}

/** Has the worker draw a sheet, anew whenever the mod or what is wished for changes. */
export function useSheet({ block, size, tick, before }: SheetWish): DrawnSheet {
  const mod = useMod();
  const inspector = useInspector();
  const [sheet, setSheet] = useState<SheetAnswer>();
  const [progress, setProgress] = useState<SheetProgress>();
  const [isStopped, setStopped] = useState(false);
  const cancel = useRef<() => void>(() => undefined);
  useEffect(() => {
    let isCurrent = true;
    // The work begins here: what was stopped before is over.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setStopped(false);
    const { drawn, cancel: stop } = inspector.sheet(
      { block, size, tick, before },
      (done, total) => isCurrent && setProgress({ done, total }),
    );
    cancel.current = stop;
    void drawn.then((answer) => {
      if (!isCurrent) return;
      setProgress(undefined);
      if (answer.pixels || answer.problem || !answer.cells.length) setSheet(answer);
    });
    return () => {
      isCurrent = false;
      stop();
    };
  }, [inspector, mod, block, size, tick, before]);
  const stop = () => {
    setStopped(true);
    setProgress(undefined);
    cancel.current();
  };
  return { sheet, progress, isStopped, stop };
}
