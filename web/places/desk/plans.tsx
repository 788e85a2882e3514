import clsx from 'clsx';
import { memo, useRef, type PointerEvent } from 'react';
import { itemAt } from '../../../core/lists/index.ts';
import type { Box } from '../../../core/mod/index.ts';
import { cornersOf, moved, pictureFrame, sized, spaceOf } from '../../../core/models/index.ts';
import { dot, sides, sideStep, vector, type Side, type Vec3 } from '../../../core/space/index.ts';
import type { Acts } from './acts.ts';
import { inWords, useDesk, type Desk } from './desk-state.ts';
import { followPointer } from '../../parts/follow-pointer.ts';
import { asPoints } from './lines.ts';
import type { Pixel } from '../../stage/view.tsx';
import styles from './plans.module.css';

/** The sides from which plans are drawn, and how they are called. */
const planSides = { front: 'from the front', right: 'from the right', top: 'from above' };
export type PlanSide = keyof typeof planSides;

const known = new WeakMap<Box, Vec3[]>();

/** The corners of a box, worked out once for each box. */
function cornersIn(box: Box): Vec3[] {
  const corners = known.get(box) ?? cornersOf(box);
  known.set(box, corners);
  return corners;
}

/** Where a point lies on a plan, y downward: to the right and up as on the picture of that side. */
function onPlan(side: PlanSide, texels: number): (point: Vec3) => Pixel {
  const { up, right } = pictureFrame[side];
  // Coordinates count from the edge at which the axis begins on the plan.
  const from = (axis: Vec3) => (axis.some((value) => value < 0) ? texels : 0);
  return (point) => [dot(point, right) + from(right), texels - (dot(point, up) + from(up))];
}

interface PlansProps {
  acts: Acts;
  /** Hears of the plan that has the focus, if any: arrows go as on it. */
  onFocus: (side: PlanSide | undefined) => void;
}

/** The model from the front, from the right and from above, flat as on a sheet of paper. */
export function Plans({ acts, onFocus }: PlansProps) {
  return (
    <div className={styles['plans']}>
      {(Object.keys(planSides) as PlanSide[]).map((side) => (
        <figure key={side}>
          <figcaption>{planSides[side]}</figcaption>
          <Plan side={side} acts={acts} onFocus={onFocus} />
        </figure>
      ))}
    </div>
  );
}

function Plan({ side, acts, onFocus }: PlansProps & { side: PlanSide }) {
  const desk = useDesk();
  const { boxes, chosen, hidden, mod } = desk;
  const { texels } = mod.header;
  const svg = useRef<SVGSVGElement>(null);
  const place = onPlan(side, texels);
  const shown = boxes.map((_, i) => i).filter((i) => !hidden.has(i));
  const room = roomOf(boxes, shown, place, texels);
  const normal = sideStep(side);
  const depth = (i: number) => Math.max(...cornersIn(itemAt(boxes, i)).map((c) => dot(c, normal)));
  const inOrder = shown.map((i) => ({ i, depth: depth(i) })).sort((a, b) => a.depth - b.depth);
  const press = usePress(desk, acts, side, svg, room);
  return (
    <svg
      ref={svg}
      className={clsx(styles['plan'], desk.behind && styles['shape'])}
      viewBox={`${room.low} ${room.low} ${room.side} ${room.side}`}
      role="group"
      aria-label={`Plan ${planSides[side]}`}
      tabIndex={0}
      onFocus={() => onFocus(side)}
      onBlur={() => onFocus(undefined)}
      onPointerDown={press}
    >
      <Paper texels={texels} />
      {desk.behind?.map((box, i) => (
        <polygon
          key={`behind ${i}`}
          className={styles['behind']}
          points={asPoints(hull(cornersIn(box).map(place)))}
        />
      ))}
      {inOrder.map(({ i }) => (
        <Part key={i} index={i} box={itemAt(boxes, i)} place={place} isChosen={false} />
      ))}
      {inOrder
        .filter(({ i }) => chosen.has(i))
        .map(({ i }) => (
          <Part key={`on ${i}`} index={i} box={itemAt(boxes, i)} place={place} isChosen />
        ))}
    </svg>
  );
}

/** The square of paper that is shown, in texels: the cell, and more where boxes leave it. */
function roomOf(
  boxes: readonly Box[],
  shown: readonly number[],
  place: (point: Vec3) => Pixel,
  texels: number,
): { low: number; side: number } {
  let [low, high] = [-texels / 32, texels * (1 + 1 / 32)];
  for (const i of shown)
    for (const corner of cornersIn(itemAt(boxes, i))) {
      const [x, y] = place(corner);
      low = Math.min(low, x, y);
      high = Math.max(high, x, y);
    }
  return { low, side: high - low };
}

const Paper = memo(function Paper({ texels }: { texels: number }) {
  return (
    <>
      <rect className={styles['paper']} width={texels} height={texels} />
      {[1, 2, 3].map((quarter) => (
        <path
          key={quarter}
          className={styles['rule']}
          d={`M${(texels * quarter) / 4} 0V${texels}M0 ${(texels * quarter) / 4}H${texels}`}
        />
      ))}
    </>
  );
});

interface PartProps {
  index: number;
  box: Box;
  place: (point: Vec3) => Pixel;
  isChosen: boolean;
}

const Part = memo(
  function Part({ index, box, place, isChosen }: PartProps) {
    return (
      <polygon
        className={clsx(styles['part'], isChosen && styles['on'])}
        data-box={index}
        points={asPoints(hull(cornersIn(box).map(place)))}
      />
    );
  },
  // A plan's way of placing points is the same for as long as its box is.
  (a, b) => a.box === b.box && a.index === b.index && a.isChosen === b.isChosen,
);

/** The convex outline of points (Andrew, 1979, monotone chain). */
function hull(points: readonly Pixel[]): Pixel[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const turns = (o: Pixel, a: Pixel, b: Pixel) =>
    (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const chain = (all: readonly Pixel[]) => {
    const made: Pixel[] = [];
    for (const point of all) {
      while (made.length > 1 && turns(made.at(-2)!, made.at(-1)!, point) <= 0) made.pop();
      made.push(point);
    }
    return made.slice(0, -1);
  };
  const outline = [...chain(sorted), ...chain([...sorted].reverse())];
  return outline.length > 1 ? outline : sorted.slice(0, 2);
}

/** How near to an edge a press sizes instead of moving, in CSS pixels. */
const edgeReach = 5;

/** A press on a plan: where it was, on which box, and how the plan goes on from there. */
interface Press {
  event: PointerEvent<SVGSVGElement>;
  desk: Desk;
  acts: Acts;
  side: PlanSide;
  /** In texels of the plan. */
  at: Pixel;
  /** How far the pointer has gone since, in texels of the plan. */
  goes: (now: { clientX: number; clientY: number }) => Pixel;
  /** The box that was pressed, if any. */
  box: number | undefined;
  /** Shift or Ctrl is held: what is chosen stays chosen. */
  isMore: boolean;
}

/** A press on a plan: sizes what is chosen at an edge, moves a box, or draws a frame. */
function usePress(
  desk: Desk,
  acts: Acts,
  side: PlanSide,
  svg: React.RefObject<SVGSVGElement | null>,
  room: { low: number; side: number },
) {
  return (event: PointerEvent<SVGSVGElement>) => {
    const bounds = svg.current?.getBoundingClientRect();
    if (!bounds || event.button !== 0) return;
    const scale = bounds.width / room.side;
    const named = (event.target as Element).getAttribute('data-box');
    const press: Press = {
      event,
      desk,
      acts,
      side,
      at: [
        (event.clientX - bounds.left) / scale + room.low,
        (event.clientY - bounds.top) / scale + room.low,
      ],
      goes: (now) => [(now.clientX - event.clientX) / scale, (now.clientY - event.clientY) / scale],
      box: named === null ? undefined : Number(named),
      isMore: event.shiftKey || event.ctrlKey || event.metaKey,
    };
    const edges = press.isMore ? [] : edgesNear(press, edgeReach / scale);
    if (edges.length) sizeAt(edges, press);
    else if (press.box === undefined) frame(press);
    else if (press.isMore) chooseMore(press.box, desk);
    else moveBox(press.box, press);
  };
}

const snapTo =
  ({ ways }: Desk) =>
  (value: number): number =>
    Math.round(value / ways.step) * ways.step;

/** Sizes the chosen box at its edges with the pointer. */
function sizeAt(edges: readonly Side[], { event, desk, acts, side, goes }: Press): void {
  const { boxes, free, ways } = desk;
  const { up, right } = pictureFrame[side];
  const snap = snapTo(desk);
  let make = (all: readonly Box[]): readonly Box[] => all;
  followPointer(event, {
    move: (now) => {
      const [x, y] = goes(now);
      make = (start) =>
        edges.reduce((all, edge) => {
          const step = sideStep(edge);
          const by = snap(x * dot(step, right) - y * dot(step, up));
          return sized(all, free, edge, by, ways.texture);
        }, start);
      desk.draft(make(boxes));
    },
    end: (isDrag) => {
      if (isDrag) acts.settle(`Size ${inWords(boxes, free)}`, make);
    },
    cancel: () => desk.draft(undefined),
  });
}

/** Moves a box with the pointer, and with it what is chosen; a click chooses it. */
function moveBox(pressed: number, { event, desk, acts, side, goes }: Press): void {
  const { boxes, chosen, free, locked } = desk;
  const { up, right } = pictureFrame[side];
  const snap = snapTo(desk);
  const isChosen = chosen.has(pressed);
  const these = isChosen ? free : new Set(locked.has(pressed) ? [] : [pressed]);
  if (!isChosen) desk.choose([pressed]);
  let make = (all: readonly Box[]): readonly Box[] => all;
  followPointer(event, {
    move: (now) => {
      const [x, y] = goes(now);
      const by = vector((axis) => snap(x) * right[axis] - snap(y) * up[axis]);
      make = (all) => moved(all, these, by);
      desk.draft(make(boxes));
    },
    end: (isDrag) => {
      if (!isDrag) desk.choose([pressed]);
      else if (these.size) acts.settle(`Move ${inWords(boxes, these)}`, make);
      else desk.draft(undefined);
    },
    cancel: () => desk.draft(undefined),
  });
}

function chooseMore(pressed: number, { chosen, choose }: Desk): void {
  choose(chosen.has(pressed) ? [...chosen].filter((i) => i !== pressed) : [...chosen, pressed]);
}

/** Chooses what lies whole in a frame that is drawn on the paper; a click chooses nothing. */
function frame({ event, desk, side, at, goes, isMore }: Press): void {
  const { boxes, chosen, hidden, mod } = desk;
  const place = onPlan(side, mod.header.texels);
  followPointer(event, {
    move: (now) => {
      const [x, y] = goes(now);
      const to: Pixel = [at[0] + x, at[1] + y];
      const inside = [...boxes.keys()].filter(
        (i) => !hidden.has(i) && isWithin(itemAt(boxes, i), place, [at, to]),
      );
      desk.choose(isMore ? new Set([...chosen, ...inside]) : inside);
    },
    end: (isDrag) => {
      if (!isDrag && !isMore) desk.choose([]);
    },
    cancel: () => desk.choose(chosen),
  });
}

function isWithin(box: Box, place: (point: Vec3) => Pixel, [a, b]: [Pixel, Pixel]): boolean {
  return cornersOf(box)
    .map(place)
    .every((point) =>
      [0, 1].every((i) => {
        const [from, to] = [itemAt(a, i), itemAt(b, i)];
        return itemAt(point, i) >= Math.min(from, to) && itemAt(point, i) <= Math.max(from, to);
      }),
    );
}

/** The sides of the chosen box that a press on a plan is at: one, or two at a corner. */
function edgesNear({ desk, at, side }: Press, reach: number): Side[] {
  const { boxes, free, mod } = desk;
  const { texels } = mod.header;
  const [only] = free;
  if (free.size !== 1 || only === undefined || itemAt(boxes, only).spin?.by) return [];
  const place = onPlan(side, texels);
  const { at: low, size } = spaceOf(boxes, free);
  const corners = [low, vector((axis) => low[axis] + size[axis])].map(place);
  const { up, right } = pictureFrame[side];
  const ends = [0, 1].map((i) => corners.map((corner) => itemAt(corner, i)));
  const inReach = [0, 1].every(
    (i) =>
      itemAt(at, i) > Math.min(...itemAt(ends, i)) - reach &&
      itemAt(at, i) < Math.max(...itemAt(ends, i)) + reach,
  );
  if (!inReach) return [];
  return [0, 1].flatMap((i) => {
    const [from, to] = [Math.min(...itemAt(ends, i)), Math.max(...itemAt(ends, i))];
    // In a thin box the middle still moves it.
    const near = Math.min(reach, (to - from) / 3 || reach);
    const way =
      Math.abs(itemAt(at, i) - from) < near ? -1 : Math.abs(itemAt(at, i) - to) < near ? 1 : 0;
    const axis = i === 0 ? right : up;
    const sign = i === 0 ? way : -way;
    return sides.filter((one) => sign !== 0 && dot(sideStep(one), axis) === sign);
  });
}
