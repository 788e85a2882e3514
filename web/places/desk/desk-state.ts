import { useLocalStorage } from '@mantine/hooks';
import { createContext, useContext, useDeferredValue, useMemo, useRef, useState } from 'react';
import { itemAt } from '../../../core/lists/index.ts';
import { idOf, type Box, type Mod } from '../../../core/mod/index.ts';
import {
  boxesOf,
  modelWithBoxes,
  withBoxes,
  type Chosen,
  type TextureWay,
} from '../../../core/models/index.ts';
import { count } from '../../../core/words/index.ts';
import type { Side, Vec3 } from '../../../core/space/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';

/** How one works at the desk; kept in this browser. */
interface Ways {
  /** The step to which what is dragged snaps, in texels. */
  step: 1 | 0.5;
  texture: TextureWay;
}

/** A place on the stage, in texels of the model, with what is to be said of it. */
export interface Mark {
  at: Vec3;
  says: string;
  isBad: boolean;
}

/** A model on the desk: its boxes as they are at this moment, and the ways to change them. */
export interface Desk {
  name: string;
  id: string;
  mod: Mod;
  /** The mod as it is to be drawn: with what is being dragged, without what is hidden. */
  shown: Mod;
  boxes: readonly Box[];
  /** The boxes as the pointer has them: pictures may come a moment later, lines must not. */
  live: readonly Box[];
  chosen: Chosen;
  /** The chosen boxes that are not locked. */
  free: Chosen;
  /**
   * What lies on the desk at this moment. Keys may come faster than the page is drawn, so they go
   * by this and not by what is drawn.
   */
  now: () => { boxes: readonly Box[]; chosen: Chosen; free: Chosen };
  hidden: Chosen;
  locked: Chosen;
  /** The boxes as they were opened or unwrapped last: unwrapped again, what they have stays. */
  placed: readonly Box[];
  setPlaced: (boxes: readonly Box[]) => void;
  /** The side of the chosen boxes that is worked on. */
  side: Side | undefined;
  setSide: (side: Side | undefined) => void;
  ways: Ways;
  setWays: (part: Partial<Ways>) => void;
  choose: (chosen: Iterable<number>) => void;
  hide: (boxes: Chosen, hidden: boolean) => void;
  lock: (boxes: Chosen, locked: boolean) => void;
  /** Changes the boxes in one step. */
  edit: (label: string, boxes: readonly Box[], chosen?: Iterable<number>) => void;
  /** What lies behind the boxes on the plans: the model, while its shape is worked on. */
  behind?: readonly Box[];
  /** Places that are pointed out on the stage. */
  marks?: readonly Mark[];
  /** Shows boxes that are not saved yet; undefined shows those of the mod again. */
  draft: (boxes: readonly Box[] | undefined) => void;
}

const none: Chosen = new Set();

/** How a box is called on the desk. */
export const partTitle = ({ name }: Box, index: number): string =>
  name === undefined ? `Box ${index + 1}` : name.replaceAll('_', ' ');

/** The chosen boxes in words: "leg front left", "3 boxes". */
export const inWords = (boxes: readonly Box[], chosen: Chosen): string => {
  const [only] = chosen;
  return chosen.size === 1 && only !== undefined
    ? partTitle(itemAt(boxes, only), only)
    : count(chosen.size, 'box', 'boxes');
};

/** What a box is remembered by in this browser: its name or, without one, its number. */
const keyOf = ({ name }: Box, index: number): string => name ?? `#${index}`;

const isMarked = (keys: readonly string[], box: Box, index: number): boolean =>
  keys.includes(keyOf(box, index));

/** The chosen boxes, as they are drawn and as they are at this moment. */
export function useChosen(): [Chosen, (next: Iterable<number>) => void, () => Chosen] {
  const [chosen, setChosen] = useState<Chosen>(none);
  const now = useRef(chosen);
  const choose = (next: Iterable<number>) => {
    now.current = new Set(next);
    setChosen(now.current);
  };
  return [chosen, choose, () => now.current];
}

/** Which boxes are hidden, or locked: remembered in this browser, not in the model. */
function useMarked(what: string, model: string, boxes: readonly Box[]) {
  const [keys, setKeys] = useLocalStorage<string[]>({
    key: `obrank.${what} ${model}`,
    defaultValue: [],
    getInitialValueInEffect: false,
  });
  const marked = useMemo(
    () => new Set(boxes.flatMap((box, i) => (isMarked(keys, box, i) ? [i] : []))),
    [keys, boxes],
  );
  const mark = (which: Chosen, on: boolean) => {
    const these = [...which].map((i) => keyOf(itemAt(boxes, i), i));
    const others = keys.filter((key) => !these.includes(key));
    setKeys(on ? [...others, ...these] : others);
  };
  return [marked, mark, keys] as const;
}

const usual: Ways = { step: 1, texture: 'follows' };

/** Opens a model of the mod on the desk. */
export function useOpenDesk(name: string): Desk {
  const mod = useMod();
  const session = useSession();
  const [draft, setDraft] = useState<readonly Box[]>();
  const [asked, choose, chosenNow] = useChosen();
  const [side, setSide] = useState<Side>();
  const [kept, setWays] = useLocalStorage<Ways>({
    key: 'obrank.desk',
    defaultValue: usual,
    getInitialValueInEffect: false,
  });
  const ways = { ...usual, ...kept };
  const saved = useMemo(() => boxesOf(mod, name), [mod, name]);
  // Drawn in slices between frames, so that no drag waits for plans and pictures.
  const drafted = useDeferredValue(draft);
  const boxes = drafted ?? saved;
  const [placed, setPlaced] = useState<readonly Box[]>(saved);
  const [hidden, hide] = useMarked('hidden', `${session.name}/${name}`, saved);
  const [locked, lock, locks] = useMarked('locked', `${session.name}/${name}`, saved);
  const chosen = useMemo(
    () => new Set([...asked].filter((i) => i < boxes.length)),
    // What is dragged has as many boxes as before.
    [asked, boxes.length],
  );
  const free = useMemo(() => new Set([...chosen].filter((i) => !locked.has(i))), [chosen, locked]);
  const shown = useMemo(() => {
    if (!drafted && !hidden.size) return mod;
    const model = modelWithBoxes(
      mod,
      name,
      boxes.filter((_, i) => !hidden.has(i)),
    );
    return { ...mod, models: { ...mod.models, [name]: model } };
  }, [mod, name, drafted, boxes, hidden]);
  return {
    name,
    id: idOf(mod.header.namespace, name),
    mod,
    shown,
    boxes,
    live: draft ?? saved,
    chosen,
    free,
    hidden,
    locked,
    placed,
    setPlaced,
    side,
    setSide,
    ways,
    setWays: (part) => setWays({ ...ways, ...part }),
    now: () => {
      const all = boxesOf(session.view.mod, name);
      const these = new Set([...chosenNow()].filter((i) => i < all.length));
      return {
        boxes: all,
        chosen: these,
        free: new Set([...these].filter((i) => !isMarked(locks, itemAt(all, i), i))),
      };
    },
    choose,
    hide,
    lock,
    edit: (label, next, then) => {
      setDraft(undefined);
      session.edit(label, [withBoxes(session.view.mod, name, next)]);
      if (then) choose(then);
    },
    draft: setDraft,
  };
}

export const DeskContext = createContext<Desk | undefined>(undefined);

/** The model that is on the desk. */
export function useDesk(): Desk {
  const desk = useContext(DeskContext);
  if (!desk) throw new Error('used outside of the desk');
  return desk;
}
