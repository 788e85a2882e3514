import { useVirtualizer, type Virtualizer } from '@tanstack/react-virtual';
import { useRef, type RefObject } from 'react';

/** Lines of which only those in sight are drawn, in an element that scrolls. */
export interface Lines {
  scroller: RefObject<HTMLDivElement | null>;
  track: Virtualizer<HTMLDivElement, Element>;
  /** Brings a line into sight. */
  reveal: (index: number) => void;
}

/**
 * Draws the lines of a long table that are in sight. `headHeight` is what a head that stays covers
 * of them; heights are in pixels.
 */
export function useLines(many: number, lineHeight: number, headHeight = lineHeight): Lines {
  const scroller = useRef<HTMLDivElement>(null);
  const track = useVirtualizer({
    count: many,
    getScrollElement: () => scroller.current,
    estimateSize: () => lineHeight,
    overscan: 8,
    scrollPaddingStart: headHeight,
  });
  return { scroller, track, reveal: (index) => track.scrollToIndex(index, { align: 'auto' }) };
}
