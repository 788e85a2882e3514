import clsx from 'clsx';
import { useState, type PointerEvent } from 'react';
import { itemAt } from '../../../core/lists/index.ts';
import type { Box } from '../../../core/mod/index.ts';
import { sized, tidy } from '../../../core/models/index.ts';
import { pixelOf, type Pixel, type View } from '../../stage/view.tsx';
import type { Acts } from './acts.ts';
import { inWords, useDesk, type Mark } from './desk-state.ts';
import { followPointer } from '../../parts/follow-pointer.ts';
import { asPoints, dimensionLines, faceOf, facesSeen, type DimensionLine } from './lines.ts';
import styles from './dimensions.module.css';

/**
 * What is drawn over the stage: the chosen boxes' edges and, of the one that was chosen last, its
 * dimension lines. Their ends are dragged, their numbers are typed over.
 */
export function Dimensions({ view, acts }: { view: View; acts: Acts }) {
  const { live: boxes, chosen, free, hidden, side, mod, behind, marks = [] } = useDesk();
  const { texels } = mod.header;
  const project = (point: readonly [number, number, number]) => pixelOf(view, point, texels);
  const last = [...free].at(-1);
  const lines =
    last === undefined
      ? []
      : dimensionLines(itemAt(boxes, last), project, project([texels / 2, 0, texels / 2]));
  return (
    <>
      <svg className={styles['over']} width={view.width} height={view.height} aria-hidden="true">
        {behind &&
          boxes.flatMap((box, i) =>
            facesSeen(box, project).map((face, n) => (
              <polygon
                key={`shape ${i} ${n}`}
                className={styles['shape']}
                points={asPoints(face)}
              />
            )),
          )}
        {marks.map((mark, i) => (
          <Marked key={i} mark={mark} at={project(mark.at)} />
        ))}
        {[...chosen]
          .filter((i) => !hidden.has(i))
          .flatMap((i) =>
            facesSeen(itemAt(boxes, i), project).map((face, n) => (
              <polygon key={`${i} ${n}`} className={styles['edge']} points={asPoints(face)} />
            )),
          )}
        {side !== undefined &&
          [...chosen].map((i) => (
            <polygon
              key={`side ${i}`}
              className={styles['lit']}
              points={asPoints(faceOf(itemAt(boxes, i), side, project))}
            />
          ))}
        {lines.map((line) => (
          <Drawn key={line.axis} line={line} acts={acts} />
        ))}
      </svg>
      {lines.map((line) => (
        <Length key={line.axis} line={line} acts={acts} />
      ))}
    </>
  );
}

/** A place that is pointed out, with its sentence beside it. */
function Marked({ mark: { says, isBad }, at: [x, y] }: { mark: Mark; at: Pixel }) {
  return (
    <g className={clsx(styles['mark'], isBad && styles['bad'])}>
      <circle cx={x} cy={y} r="6" />
      <text x={x + 11} y={y + 4}>
        {says}
      </text>
    </g>
  );
}

interface LineProps {
  line: DimensionLine;
  acts: Acts;
}

function Drawn({ line: { edge, line, axis, moves, scale }, acts }: LineProps) {
  const desk = useDesk();
  const [from, to] = line;
  const along: Pixel = [to[0] - from[0], to[1] - from[1]];
  const seen = Math.hypot(...along) || 1;
  const drag = (end: 0 | 1) => (event: PointerEvent) => {
    event.stopPropagation();
    event.preventDefault();
    const { boxes, free, ways } = desk;
    let make = (all: readonly Box[]): readonly Box[] => all;
    followPointer(event, {
      move: ({ clientX, clientY }) => {
        const by =
          ((clientX - event.clientX) * along[0] + (clientY - event.clientY) * along[1]) /
          (seen * scale);
        const outward = Math.round((end === 1 ? by : -by) / ways.step) * ways.step;
        make = (all) => sized(all, free, moves[end], outward, ways.texture);
        desk.draft(make(boxes));
      },
      end: (moved) => (moved ? acts.settle(`Size ${inWords(boxes, free)}`, make) : undefined),
      cancel: () => desk.draft(undefined),
    });
  };
  return (
    <g className={styles['dimension']} data-axis={axis}>
      {[0, 1].map((end) => (
        <line
          key={end}
          {...ends(itemAt(edge, end), beyond(itemAt(edge, end), itemAt(line, end)))}
        />
      ))}
      <line className={styles['measure']} {...ends(from, to)} />
      {([0, 1] as const).map((end) => (
        <circle
          key={end}
          className={styles['end']}
          data-end={end}
          cx={line[end][0]}
          cy={line[end][1]}
          r="5"
          onPointerDown={drag(end)}
        />
      ))}
    </g>
  );
}

const ends = ([x1, y1]: Pixel, [x2, y2]: Pixel) => ({ x1, y1, x2, y2 });
/** A little past the dimension line, as extension lines are drawn. */
const beyond = (from: Pixel, to: Pixel): Pixel => [
  from[0] + (to[0] - from[0]) * 1.18,
  from[1] + (to[1] - from[1]) * 1.18,
];

/** In the middle of the line; beyond it where the line is too short for a number. */
function placeOfLength([from, to]: DimensionLine['line'], [edge]: DimensionLine['edge']): Pixel {
  const middle: Pixel = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  if (Math.hypot(to[0] - from[0], to[1] - from[1]) > 56) return middle;
  const further = 0.72;
  return [middle[0] + (from[0] - edge[0]) * further, middle[1] + (from[1] - edge[1]) * further];
}

const axisWords = ['Width', 'Height', 'Depth'];

/** The number on a dimension line: what is typed over it is the new length. */
function Length({ line: { line, edge, axis, length, moves }, acts }: LineProps) {
  const [typed, setTyped] = useState<string>();
  const [x, y] = placeOfLength(line, edge);
  const take = () => {
    const next = Number((typed ?? '').replace(',', '.'));
    if (typed !== undefined && typed.trim() !== '' && Number.isFinite(next) && next >= 0)
      if (next !== length) acts.size(moves[1], tidy(next - length));
    setTyped(undefined);
  };
  return (
    <input
      className={styles['length']}
      style={{ left: x, top: y }}
      aria-label={itemAt(axisWords, axis)}
      inputMode="decimal"
      value={typed ?? String(Math.round(length * 100) / 100)}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        setTyped(undefined);
      }}
    />
  );
}
