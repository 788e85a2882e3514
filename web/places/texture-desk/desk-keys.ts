import { useNavigate } from 'react-router';
import { itemAt } from '../../../core/lists/index.ts';
import type { Tone } from '../../../core/textures/facts/index.ts';
import { shifted, type PaintingTool, type Texel } from '../../../core/textures/painting/index.ts';
import { benchPath } from '../../api/address.ts';
import { useSession } from '../../api/hooks.tsx';
import type { KeyActs } from '../../parts/keys/act-on-key.ts';
import { useKeys } from '../../parts/keys/use-keys.ts';
import type { Painting } from './painting-state.ts';
import { stations, type Station } from './stations/index.ts';

const ways: Record<string, Texel> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where a key leads the cursor of the keys from a texel of a frame. */
function texelAfter(key: string, [x, y]: Texel, width: number, height: number): Texel {
  const [right, down] = ways[key] ?? [0, 0];
  if (key === 'Home') return [0, y];
  if (key === 'End') return [width - 1, y];
  if (key === 'PageUp') return [x, 0];
  if (key === 'PageDown') return [x, height - 1];
  return [Math.max(0, Math.min(width - 1, x + right)), Math.max(0, Math.min(height - 1, y + down))];
}

/** What keys do while the picture itself has the focus: its cursor, and the tool at it. */
export function pictureKeys(painting: Painting): KeyActs {
  const { area, hovered, hover, anchor, setAnchor } = painting;
  const cursor: Texel = hovered ?? [area.width >> 1, area.height >> 1];
  const useTool = () => {
    const takesTwo = ['line', 'rectangle', 'move'].includes(painting.ways.tool);
    hover(cursor);
    if (takesTwo && !anchor) setAnchor(cursor);
    else {
      painting.press(anchor ?? cursor);
      painting.drag([cursor]);
      painting.release();
      setAnchor(undefined);
    }
  };
  return {
    shiftPicture: (key) => {
      const [right, down] = ways[key] ?? [0, 0];
      painting.change('Shift', (pixels, frame) => shifted(pixels, right, down, frame));
    },
    moveCursor: (key) => hover(texelAfter(key, cursor, area.width, area.height)),
    useTool,
  };
}

interface Around {
  tones: readonly Tone[];
  /** The block beside the picture. */
  block: string | undefined;
  goTo: (station: Station) => void;
}

/** The keys of the desk, wherever on it one is. */
export function useTextureKeys(painting: Painting, { tones, block, goTo }: Around): void {
  const { ways: now, setWays, frame, frames, setFrame, anchor, setAnchor, marked, mark } = painting;
  const { name: mod } = useSession();
  const navigate = useNavigate();
  const tool = (next: PaintingTool) => () => setWays({ tool: next });
  const symmetry = (way: 'across' | 'down') => () =>
    setWays({ symmetry: { ...now.symmetry, [way]: !now.symmetry[way] } });
  /** The tone of the ramp that comes before or after the one that is painted with. */
  const toneBy = (by: number) => () => {
    const at = tones.findIndex(({ colour }) => colour.join() === now.colour.join());
    const next = tones[Math.max(0, Math.min(tones.length - 1, at < 0 ? 0 : at + by))];
    if (next) setWays({ colour: next.colour });
  };
  const back = block === undefined ? 'library' : benchPath(block, 'textures');
  const leave = () => {
    if (anchor) setAnchor(undefined);
    else if (marked) mark(undefined);
    else void navigate(`/m/${mod}/${back}`);
  };
  useKeys({
    textureStation: (digit) => goTo(itemAt(stations, Number(digit) - 1)),
    drawTool: tool('draw'),
    lineTool: tool('line'),
    rectangleTool: tool('rectangle'),
    fillTool: tool('fill'),
    replaceTool: tool('change'),
    alphaTool: tool('alpha'),
    pickTool: tool('pick'),
    moveTool: tool('move'),
    symmetryAcross: symmetry('across'),
    symmetryDown: symmetry('down'),
    darkerTone: toneBy(-1),
    lighterTone: toneBy(1),
    previousFrame: () => setFrame((frame + frames - 1) % frames),
    nextFrame: () => setFrame((frame + 1) % frames),
    leaveTexture: leave,
  });
}
