import { useState, type PointerEvent } from 'react';
import { itemAt } from '../../../core/lists/index.ts';
import { sized, tidy } from '../../../core/models/index.ts';
import { pixelOf, type Pixel, type View } from '../../stage/view.tsx';
import type { Acts } from './acts.ts';
import { inWords, useDesk } from './desk-state.ts';
import { followPointer } from './drag.ts';
import { asPoints, dimensionLines, faceOf, facesSeen, type DimensionLine } from './lines.ts';
import styles from './dimensions.module.css';

/**
 * What is drawn over the stage: the chosen boxes' edges and, of the one that was chosen last, its
 * dimension lines. Their ends are dragged, their numbers are typed over.
 */
export function Dimensions({ view, acts }: { view: View; acts: Acts }) {
  const { boxes, chosen, free, hidden, side, mod } = useDesk();
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
    let result = boxes;
    followPointer(event, {
      move: ({ clientX, clientY }) => {
        const by =
          ((clientX - event.clientX) * along[0] + (clientY - event.clientY) * along[1]) /
          (seen * scale);
        const outward = Math.round((end === 1 ? by : -by) / ways.step) * ways.step;
        result = sized(boxes, free, moves[end], outward, ways.texture);
        desk.draft(result);
      },
      end: (moved) => (moved ? acts.settle(`Size ${inWords(boxes, free)}`, result) : undefined),
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

const axisWords = ['Width', 'Height', 'Depth'];

/** The number on a dimension line: what is typed over it is the new length. */
function Length({ line: { line, axis, length, moves }, acts }: LineProps) {
  const [typed, setTyped] = useState<string>();
  const [x, y] = [0, 1].map((i) => (itemAt(line[0], i) + itemAt(line[1], i)) / 2);
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
