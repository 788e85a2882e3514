import { expandFamilies } from '../../../core/families/index.ts';
import { useMemo, useState } from 'react';
import { useBaseline } from '../../api/baseline.ts';
import type { SheetBefore } from '../../workers/protocol.ts';

/** What a sheet can be laid on, to see what differs. */
export const grounds = ['nothing', 'the last build', 'a PNG'] as const;
export type Ground = (typeof grounds)[number];

export interface LaidOn {
  ground: Ground;
  choose: (ground: Ground) => void;
  /** The name of the PNG that was chosen. */
  fileName: string | undefined;
  chooseFile: (file: File | null) => Promise<void>;
  before: SheetBefore | undefined;
  /** The mod was never built: what is called the last build is the mod as it came in. */
  isAsBroughtIn: boolean;
}

/** Chooses what the sheet is laid on. */
export function useLaidOn(): LaidOn {
  const [ground, choose] = useState<Ground>('nothing');
  const [file, setFile] = useState<{ name: string; png: Uint8Array }>();
  const baseline = useBaseline(ground === 'the last build');
  const before = useMemo((): SheetBefore | undefined => {
    if (ground === 'a PNG') return file && { png: file.png };
    return ground === 'the last build' && baseline
      ? { mod: expandFamilies(baseline.mod) }
      : undefined;
  }, [ground, file, baseline]);
  const chooseFile = async (chosen: File | null) => {
    if (chosen) setFile({ name: chosen.name, png: new Uint8Array(await chosen.arrayBuffer()) });
  };
  const isAsBroughtIn = ground === 'the last build' && baseline?.isBuilt === false;
  return { ground, choose, fileName: file?.name, chooseFile, before, isAsBroughtIn };
}
