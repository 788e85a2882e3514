import { useRef, useState, type PointerEvent } from 'react';
import { itemAt } from '../../../core/lists/index.ts';
import type { Box, ResolvedBlock } from '../../../core/mod/index.ts';
import { boxUnder, moved, type Struck } from '../../../core/models/index.ts';
import { sideStep, vector, type Vec3 } from '../../../core/space/index.ts';
import { Stage } from '../../stage/stage.tsx';
import { rayAt, type View } from '../../stage/view.tsx';
import type { Acts } from './acts.ts';
import { inWords, useDesk, type Desk } from './desk-state.ts';
import { Dimensions } from './dimensions.tsx';
import { followPointer } from '../../parts/follow-pointer.ts';
import styles from './desk-stage.module.css';

interface DeskStageProps {
  /** The block in its one state. */
  block: ResolvedBlock;
  acts: Acts;
  /** Whether boxes are worked on: not where the block is shown as it is turned. */
  isWorkedOn: boolean;
  chips?: React.ReactNode;
  /** Hears of a face that was clicked, or onto which a file was dropped. */
  onFace: (face: Struck, file?: File) => void;
}

/** The stage of the bench with the boxes on it to be chosen and dragged. */
export function DeskStage({ block, acts, isWorkedOn, chips, onFace }: DeskStageProps) {
  const desk = useDesk();
  const [view, setView] = useState<View>();
  const holder = useRef<HTMLDivElement>(null);
  const struckAt = (event: { clientX: number; clientY: number }) => {
    const bounds = holder.current?.getBoundingClientRect();
    if (!view || !bounds) return undefined;
    const pixel = [event.clientX - bounds.left, event.clientY - bounds.top] as const;
    return boxUnder(desk.boxes, rayAt(view, pixel, desk.mod.header.texels), desk.hidden);
  };
  const onClick = (struck: Struck | undefined, event: PointerEvent) => {
    click(desk, struck, event);
    if (struck) onFace(struck);
  };
  const press = (event: PointerEvent) => {
    // Only the picture itself: chips and numbers lie over it.
    if (!(event.target instanceof HTMLCanvasElement) || event.button !== 0 || !isWorkedOn) return;
    const struck = struckAt(event);
    const drags = struck && desk.free.has(struck.box) && !event.shiftKey;
    if (drags && view) {
      event.stopPropagation();
      dragBoxes({ event, desk, acts, struck, view, holder: holder.current, onClick });
      return;
    }
    // Anything else turns the view, unless it turns out to be a click.
    followPointer(event, {
      move: () => undefined,
      end: (isDrag) => !isDrag && onClick(struck, event),
      cancel: () => undefined,
    });
  };
  return (
    <div
      ref={holder}
      className={styles['holder']}
      onPointerDownCapture={press}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const struck = struckAt(event);
        const file = event.dataTransfer.files[0];
        if (struck && file && isWorkedOn) onFace(struck, file);
      }}
    >
      <Stage mod={desk.shown} block={block} state={0} chips={chips} onView={setView} />
      {view && isWorkedOn && <Dimensions view={view} acts={acts} />}
    </div>
  );
}

function click(desk: Desk, struck: Struck | undefined, event: PointerEvent): void {
  const more = event.shiftKey || event.ctrlKey || event.metaKey;
  const { chosen } = desk;
  if (!struck) {
    if (!more) desk.choose([]);
  } else if (!more) desk.choose([struck.box]);
  else
    desk.choose(
      chosen.has(struck.box)
        ? [...chosen].filter((i) => i !== struck.box)
        : [...chosen, struck.box],
    );
}

interface BoxDrag {
  event: PointerEvent;
  desk: Desk;
  acts: Acts;
  struck: Struck;
  view: View;
  holder: HTMLElement | null;
  /** Where it turns out to be a click. */
  onClick: (struck: Struck, event: PointerEvent) => void;
}

/** Moves the chosen boxes with the pointer, in the plane of the side that was grabbed. */
function dragBoxes({ event, desk, acts, struck, view, holder, onClick }: BoxDrag): void {
  const { boxes, free, ways, mod } = desk;
  const bounds = holder?.getBoundingClientRect();
  if (!bounds) return;
  const normal = sideStep(struck.side);
  const fixed = normal.findIndex((value) => value !== 0);
  const snap = (value: number) => Math.round(value / ways.step) * ways.step;
  let make = (all: readonly Box[]): readonly Box[] => all;
  followPointer(event, {
    move: ({ clientX, clientY }) => {
      const pixel = [clientX - bounds.left, clientY - bounds.top] as const;
      const { from, to } = rayAt(view, pixel, mod.header.texels);
      const way = (itemAt(struck.at, fixed) - itemAt(from, fixed)) / (itemAt(to, fixed) || 1e-9);
      const by: Vec3 = vector((axis) =>
        axis === fixed ? 0 : snap(from[axis] + to[axis] * way - struck.at[axis]),
      );
      make = (all) => moved(all, free, by);
      desk.draft(make(boxes));
    },
    end: (isDrag) => {
      if (isDrag) acts.settle(`Move ${inWords(boxes, free)}`, make);
      else onClick(struck, event);
    },
    cancel: () => desk.draft(undefined),
  });
}
