import { useLocation } from 'react-router';
import { useSession, useView } from './hooks.tsx';
import { openPack, useOpenPack } from './open-pack.ts';

/** What Undo and Redo would take back and do again where one is, in words, and how. */
export interface Steps {
  undo: string | undefined;
  redo: string | undefined;
  go: (way: 'undo' | 'redo') => void;
}

/** The steps of the mod; where a pack from elsewhere is read, those of the pack. */
export function useSteps(): Steps {
  const session = useSession();
  const { undo, redo } = useView();
  const { pack, busy } = useOpenPack();
  const isInPack = useLocation().pathname.endsWith('/inspection/pack');
  if (!isInPack) return { undo, redo, go: (way) => void session.undoOrRedo(way) };
  return {
    undo: busy ? undefined : pack?.undo,
    redo: busy ? undefined : pack?.redo,
    go: (way) => {
      if (!busy && pack?.[way] !== undefined) void openPack.go(way === 'undo' ? 'back' : 'on');
    },
  };
}
