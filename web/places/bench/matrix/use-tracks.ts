import { useElementSize, useMergedRef } from '@mantine/hooks';
import { useVirtualizer, type Virtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, type Ref, type RefObject } from 'react';
import type { GridCell } from '../../../parts/grid/moves.ts';
import { extentOf, type Extent } from './extent.ts';
import type { Arrangement, Plane } from './layout.ts';

type Track = Virtualizer<HTMLDivElement, Element>;

/** The rows and columns of the matrix of which only those in sight are drawn. */
export interface Tracks {
  extent: Extent;
  down: Track;
  across: Track;
  /** For the element that scrolls. */
  ref: Ref<HTMLDivElement>;
  scroller: RefObject<HTMLDivElement | null>;
}

/** Lays the plane out in the room there is, and keeps the cursor in sight. */
export function useTracks(arrangement: Arrangement, plane: Plane, cursor: GridCell): Tracks {
  const scroller = useRef<HTMLDivElement>(null);
  const { ref: sized, ...size } = useElementSize<HTMLDivElement>();
  const ref = useMergedRef(scroller, sized);
  const extent = extentOf(arrangement, plane, size);
  const { cell, top, left } = extent;
  const common = {
    getScrollElement: () => scroller.current,
    estimateSize: () => cell,
    overscan: 2,
  };
  const down = useVirtualizer({
    ...common,
    count: plane.rows.length,
    paddingStart: top,
    scrollPaddingStart: top,
  });
  const across = useVirtualizer({
    ...common,
    horizontal: true,
    count: plane.columns.length,
    paddingStart: left,
    scrollPaddingStart: left,
  });
  useEffect(() => {
    down.measure();
    across.measure();
    // Another size of the cells, or another arrangement, moves everything.
  }, [cell, top, left, down, across]);
  const [rows, columns] = [plane.rows.length, plane.columns.length];
  useEffect(() => {
    if (cursor.row < rows) down.scrollToIndex(cursor.row, { align: 'auto' });
    if (cursor.column < columns) across.scrollToIndex(cursor.column, { align: 'auto' });
    // The cursor alone moves the view.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [cursor.row, cursor.column]);
  return { extent, down, across, ref, scroller };
}
