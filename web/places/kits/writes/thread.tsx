import { useLayoutEffect, useRef, type RefObject } from 'react';
import styles from './writes.module.css';

interface ThreadProps {
  /** What both ends lie in. */
  within: RefObject<HTMLElement | null>;
  left: HTMLElement | null;
  right: HTMLElement | null;
}

/** The thread from a part of a template to what it wrote, while both can be seen. */
export function Thread({ within, left, right }: ThreadProps) {
  const thread = useRef<SVGSVGElement>(null);
  useLayoutEffect(() => {
    const box = within.current;
    const svg = thread.current;
    if (!box || !svg) return;
    const draw = () => lay(svg, left && right ? endsOf(box, left, right) : undefined);
    draw();
    box.addEventListener('scroll', draw, true);
    window.addEventListener('resize', draw);
    return () => {
      box.removeEventListener('scroll', draw, true);
      window.removeEventListener('resize', draw);
    };
  }, [within, left, right]);
  return (
    <svg ref={thread} className={styles['thread']} aria-hidden>
      <path />
      <circle r={3} />
      <circle r={3} />
    </svg>
  );
}

interface Ends {
  from: readonly [number, number];
  to: readonly [number, number];
}

/** Lays the thread from one end to the other, or takes it away. */
function lay(svg: SVGSVGElement, ends: Ends | undefined): void {
  svg.style.visibility = ends ? 'visible' : 'hidden';
  if (!ends) return;
  const [[x1, y1], [x2, y2]] = [ends.from, ends.to];
  const bend = Math.max(30, (x2 - x1) / 2);
  const way = `M${x1},${y1} C${x1 + bend},${y1} ${x2 - bend},${y2} ${x2},${y2}`;
  svg.querySelector('path')?.setAttribute('d', way);
  svg.querySelectorAll('circle').forEach((circle, i) => {
    circle.setAttribute('cx', String(i === 0 ? x1 : x2));
    circle.setAttribute('cy', String(i === 0 ? y1 : y2));
  });
}

/** Where a thread begins and ends; undefined while either end is scrolled out of sight. */
function endsOf(box: HTMLElement, left: HTMLElement, right: HTMLElement): Ends | undefined {
  const all = box.getBoundingClientRect();
  const [from] = left.getClientRects();
  const [to] = right.getClientRects();
  if (!from || !to) return undefined;
  const middle = (rect: DOMRect) => rect.top + rect.height / 2 - all.top;
  const isSeen = (y: number) => y > 0 && y < all.height;
  if (!isSeen(middle(from)) || !isSeen(middle(to))) return undefined;
  const half = all.width / 2;
  return {
    from: [Math.min(from.right - all.left, half - 18), middle(from)],
    to: [Math.max(to.left - all.left, half + 18), middle(to)],
  };
}
