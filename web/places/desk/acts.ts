import { useMemo, useRef } from 'react';
import { freeName, itemAt } from '../../../core/lists/index.ts';
import type { Box } from '../../../core/mod/index.ts';
import {
  added,
  again,
  aligned,
  boxesAsText,
  boxesFromText,
  grouped,
  mirrored,
  moved,
  repeated,
  sized,
  snapped,
  spaceOf,
  without,
  type Alignment,
  type Chosen,
} from '../../../core/models/index.ts';
import {
  sides,
  vector,
  type Axis,
  type AxisIndex,
  type Side,
  type Vec3,
} from '../../../core/space/index.ts';
import { useStable } from '../../parts/use-stable.ts';
import { inWords, type Desk } from './desk-state.ts';

/** What one can do to boxes, each in one step that undo takes back. */
export interface Acts {
  add: () => void;
  move: (by: Vec3) => void;
  size: (side: Side, by: number) => void;
  again: () => void;
  repeat: (times: number, step: Vec3) => void;
  mirror: (axis: Axis) => void;
  align: (axis: AxisIndex, to: Alignment) => void;
  snap: (step: number) => void;
  group: () => void;
  remove: () => void;
  copy: () => void;
  /** Puts boxes in from text; false where it holds none. */
  paste: (text: string) => boolean;
  /** Saves what a gesture did, to the boxes as they are when it ends. */
  settle: (label: string, make: (boxes: readonly Box[]) => readonly Box[]) => void;
}

/** What was copied last in this browser, for those that do not let the clipboard be read. */
export const copied = {
  key: 'obrank.copied',
  get text(): string {
    return localStorage.getItem(copied.key) ?? '';
  },
  set text(text: string) {
    localStorage.setItem(copied.key, text);
  },
};

/** What one can do; the same object for as long as the desk is open, so that buttons stay as they are. */
export function useActs(desk: Desk): Acts {
  const made = useMadeActs(desk);
  const act = useStable(<Name extends keyof Acts>(name: Name, given: Parameters<Acts[Name]>) =>
    (made[name] as (...all: Parameters<Acts[Name]>) => ReturnType<Acts[Name]>)(...given),
  );
  return useMemo(
    (): Acts => ({
      add: () => act('add', []),
      move: (by) => act('move', [by]),
      size: (side, by) => act('size', [side, by]),
      again: () => act('again', []),
      repeat: (times, step) => act('repeat', [times, step]),
      mirror: (axis) => act('mirror', [axis]),
      align: (axis, to) => act('align', [axis, to]),
      snap: (step) => act('snap', [step]),
      group: () => act('group', []),
      remove: () => act('remove', []),
      copy: () => act('copy', []),
      paste: (text) => act('paste', [text]),
      settle: (label, make) => act('settle', [label, make]),
    }),
    [act],
  );
}

function useMadeActs(desk: Desk): Acts {
  const { edit, ways, mod, now } = desk;
  const { texels } = mod.header;
  const last = useRef<{ chosen: Chosen; by: Vec3 }>(undefined);
  /** Remembers how far the copies have come since they were made. */
  const wentBy = (by: Vec3) => {
    const { current } = last;
    if (current && sameSet(current.chosen, now().chosen))
      current.by = vector((axis) => current.by[axis] + by[axis]);
  };
  /** Changes the chosen boxes that are not locked, if there are any. */
  const change = (
    what: string,
    make: (boxes: readonly Box[], free: Chosen) => readonly Box[],
    then?: Iterable<number>,
  ) => {
    const { boxes, free } = now();
    if (free.size) edit(`${what} ${inWords(boxes, free)}`, make(boxes, free), then);
  };
  const put = (label: string, made: { boxes: Box[]; chosen: Set<number> }) =>
    edit(label, made.boxes, made.chosen);
  return {
    add: () => {
      const { boxes } = now();
      put('Add a box', added(boxes, [freshBox(boxes, texels)]));
    },
    move: (by) => {
      if (now().free.size) wentBy(by);
      change('Move', (boxes, free) => moved(boxes, free, by));
    },
    size: (side, by) => change('Size', (boxes, free) => sized(boxes, free, side, by, ways.texture)),
    again: () => {
      const { boxes, chosen, free } = now();
      if (!free.size) return;
      const { current } = last;
      const known = current && sameSet(current.chosen, chosen) ? current.by : undefined;
      const by = known ?? besideOf(boxes, free, texels);
      const made = again(boxes, free, by);
      last.current = { chosen: made.chosen, by };
      put(`The same again: ${inWords(boxes, free)}`, made);
    },
    repeat: (times, step) => {
      const { boxes, free } = now();
      put(`Repeat ${inWords(boxes, free)}`, repeated(boxes, free, times, step));
    },
    mirror: (axis) => change('Mirror', (boxes, free) => mirrored(boxes, free, axis, texels)),
    align: (axis, to) => change('Align', (boxes, free) => aligned(boxes, free, axis, to, texels)),
    snap: (step) => change('Snap', (boxes, free) => snapped(boxes, free, step)),
    group: () => {
      const { boxes, free } = now();
      const isGrouped = [...free].every((i) => itemAt(boxes, i).group !== undefined);
      const name = freeName(
        'group',
        boxes.flatMap(({ group }) => group ?? []),
      );
      change(isGrouped ? 'Out of its group:' : 'Group', (all, these) =>
        grouped(all, these, isGrouped ? undefined : name),
      );
    },
    remove: () => change('Take away', without, []),
    copy: () => {
      const { boxes, chosen } = now();
      copied.text = boxesAsText(boxes.filter((_, i) => chosen.has(i)));
      void navigator.clipboard.writeText(copied.text).catch(() => undefined);
    },
    paste: (text) => {
      const more = boxesFromText(text);
      if (more) put(`Put in ${more.length} copied`, added(now().boxes, more));
      return more !== undefined;
    },
    settle: (label, make) => {
      const { boxes, free } = now();
      const next = make(boxes);
      const [one] = free;
      if (one !== undefined)
        wentBy(vector((axis) => itemAt(next, one).at[axis] - itemAt(boxes, one).at[axis]));
      edit(label, next);
    },
  };
}

const sameSet = (a: Chosen, b: Chosen): boolean =>
  a.size === b.size && [...a].every((one) => b.has(one));

/** Where a copy lies at first: beside its original, where there is more room. */
function besideOf(boxes: readonly Box[], chosen: Chosen, texels: number): Vec3 {
  const { at, size } = spaceOf(boxes, chosen);
  const axis = size[0] <= size[2] ? 0 : 2;
  const by = Math.max(1, size[axis]);
  const way = at[axis] + size[axis] + by <= texels ? by : -by;
  return vector((i) => (i === axis ? way : 0));
}

/** A box to begin with: in the middle, a quarter of a block, showing what the first box shows. */
function freshBox(boxes: readonly Box[], texels: number): Box {
  const slot = Object.values(boxes[0]?.sides ?? {})[0]?.slot ?? 'face';
  const [low, quarter] = [(texels * 3) / 8, texels / 4];
  return {
    name: 'box',
    at: [low, 0, low],
    size: [quarter, quarter, quarter],
    sides: Object.fromEntries(sides.map((side) => [side, { slot }])),
  };
}
