import { useLocalStorage } from '@mantine/hooks';
import { useEffect, useMemo, useState } from 'react';
import {
  lookUp,
  resolveBlock,
  type Box,
  type Mod,
  type ResolvedBlock,
} from '../../../core/mod/index.ts';
import {
  plainBoxes,
  resolvedModelOf,
  shapeOff,
  shapeOfModel,
  shapeWithModel,
  type Chosen,
  type Fit,
  type ShapeOff,
} from '../../../core/models/index.ts';
import type { PlainBox } from '../../../core/space/index.ts';
import { count } from '../../../core/words/index.ts';
import { useInspector, useSession } from '../../api/hooks.tsx';
import { useChosen, type Desk, type Mark } from './desk-state.ts';

export type Which = 'outline' | 'collision';
/** So many boxes a fit may have at most. */
const mostBoxes = 6;

/** A shape of a block as it is fitted to the model on the desk. */
export interface ShapeDesk {
  /** The desk with the boxes of the shape on it instead of those of the model. */
  desk: Desk;
  block: ResolvedBlock;
  which: Which;
  setWhich: (which: Which) => void;
  /** The best covers with 1, 2, … boxes; undefined while they are looked for. */
  fits: readonly Fit[] | undefined;
  /** The boxes of the model, as far as one can bump into them. */
  model: readonly PlainBox[];
  /** How far the boxes on the desk are off. */
  off: ShapeOff;
  /** The number of boxes that is looked at and not used yet. */
  tried: number | undefined;
  tryOut: (boxes: number | undefined) => void;
  /** Gives these boxes to a shape, or to both. */
  use: (label: string, boxes: readonly PlainBox[], to: readonly Which[]) => void;
}

const none: Chosen = new Set();
const asBoxes = (boxes: readonly PlainBox[]): Box[] =>
  boxes.map(({ at, size }, i) => ({ name: `part_${i + 1}`, at, size, sides: {} }));

/** Puts the shape of a block on the desk; undefined where no state of it shows the model alone. */
export function useShapeDesk(
  desk: Desk,
  user: string | undefined,
  isShown: boolean,
): ShapeDesk | undefined {
  const { mod, id } = desk;
  const session = useSession();
  const [which, setWhich] = useLocalStorage<Which>({
    key: 'obrank.fit',
    defaultValue: 'outline',
    getInitialValueInEffect: false,
  });
  const [draft, setDraft] = useState<readonly Box[]>();
  const [tried, setTried] = useState<number>();
  const [chosen, choose, chosenNow] = useChosen();
  const declared = user === undefined ? undefined : lookUp(mod.blocks, user);
  const block = user !== undefined && declared ? resolveBlock(mod, user, declared) : undefined;
  const resolved = useMemo(() => resolvedModelOf(mod, id), [mod, id]);
  // Elsewhere nobody waits for it, and it takes longer than a frame.
  const model = useMemo(
    () => (resolved && isShown ? plainBoxes(resolved) : []),
    [resolved, isShown],
  );
  const fits = useFits(model);
  const saved = useMemo(
    () => (block && isShown ? shapeOfModel(mod, block, which, id) : undefined),
    [mod, block, which, id, isShown],
  );
  const shown = (tried === undefined ? undefined : fits?.[tried - 1]?.boxes) ?? saved;
  const boxes = useMemo(() => draft ?? asBoxes(shown ?? []), [draft, shown]);
  const off = useMemo(() => shapeOff(boxes, model), [boxes, model]);
  if (!block || !user || !saved) return undefined;
  const give = (label: string, next: readonly PlainBox[], to: readonly Which[]) => {
    setDraft(undefined);
    setTried(undefined);
    const { mod: now } = session.view;
    const before = now.blocks[user]?.shapes;
    const plain = next.map(({ at, size }) => ({ at, size }));
    const shapes = to.map((one) => {
      const rows = shapeWithModel(now, block, one, id, plain);
      const [only] = rows;
      return [one, rows.length === 1 && only && !only.when ? only.value : rows] as const;
    });
    session.set(label, ['blocks', user, 'shapes'], { ...before, ...Object.fromEntries(shapes) });
  };
  const kept = new Set([...chosen].filter((i) => i < boxes.length));
  return {
    desk: {
      ...desk,
      boxes,
      live: boxes,
      chosen: kept,
      free: kept,
      hidden: none,
      locked: none,
      side: undefined,
      now: () => {
        const now = tried === undefined ? shapeNow(session.view.mod, user, which, id) : boxes;
        const these = new Set([...chosenNow()].filter((i) => i < now.length));
        return { boxes: now, chosen: these, free: these };
      },
      choose,
      hide: () => undefined,
      lock: () => undefined,
      behind: desk.boxes,
      marks: marksOf(off),
      edit: (label, next, then) => {
        give(`${label} of the ${which}`, next, [which]);
        if (then) choose(then);
      },
      draft: setDraft,
    },
    block,
    which,
    setWhich: (next) => {
      setTried(undefined);
      setWhich(next);
    },
    fits,
    model,
    off,
    tried,
    tryOut: (next) => {
      choose([]);
      setTried(next);
    },
    use: give,
  };
}

/** Covers of a model, looked for by the worker; those of an earlier model are not shown. */
function useFits(model: readonly PlainBox[]): readonly Fit[] | undefined {
  const inspector = useInspector();
  const [found, setFound] = useState<{ of: readonly PlainBox[]; fits: readonly Fit[] }>();
  useEffect(() => {
    if (!model.length) return;
    let wanted = true;
    void inspector.fit(model, mostBoxes).then((fits) => {
      if (wanted) setFound({ of: model, fits });
    });
    return () => {
      wanted = false;
    };
  }, [inspector, model]);
  if (!model.length) return [];
  return found?.of === model ? found.fits : undefined;
}

/** The boxes of the shape as they are in a mod. */
function shapeNow(mod: Mod, user: string, which: Which, model: string): Box[] {
  const declared = lookUp(mod.blocks, user);
  if (!declared) return [];
  return asBoxes(shapeOfModel(mod, resolveBlock(mod, user, declared), which, model) ?? []);
}

/** Less than so many texels nobody notices. */
const noticed = 0.75;

function marksOf({ bump, through }: ShapeOff): Mark[] {
  const marks: Mark[] = [];
  if (bump && bump.by >= noticed)
    marks.push({ at: bump.at, says: `air, ${bump.by.toFixed(1)}`, isBad: false });
  if (through && through.by >= noticed)
    marks.push({ at: through.at, says: `reached through, ${through.by.toFixed(1)}`, isBad: true });
  return marks;
}

export const boxesInWords = (many: number): string => count(many, 'box', 'boxes');
