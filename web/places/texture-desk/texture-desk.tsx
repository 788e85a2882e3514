import { memo, useMemo, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { itemAt } from '../../../core/lists/index.ts';
import type { Finding } from '../../../core/inspect/index.ts';
import { blocksShowing } from '../../../core/models/index.ts';
import { entryOf, lookUp, type Texture } from '../../../core/mod/index.ts';
import { shifted, type PaintingTool, type Texel } from '../../../core/textures/painting/index.ts';
import { count, spokenName } from '../../../core/words/index.ts';
import { benchPath, texturePath } from '../../api/address.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { DeskHead } from '../../parts/desk-head.tsx';
import frame from '../../parts/desk-frame.module.css';
import { FindingsLine } from '../../parts/findings-line.tsx';
import { Gone } from '../../parts/gone.tsx';
import { Cap } from '../../parts/keys/cap.tsx';
import type { KeyActs } from '../../parts/keys/act-on-key.ts';
import { useKeys } from '../../parts/keys/use-keys.ts';
import type { Stop } from '../../parts/station-line.tsx';
import { standBeside } from './beside.ts';
import { FlatPicture } from './flat-picture.tsx';
import { PaintingContext, useOpenPainting, type Painting } from './painting-state.ts';
import { PictureStage } from './picture-stage.tsx';
import { PicturesList } from './pictures-list.tsx';
import { FactsStation } from './stations/facts.tsx';
import { TouchUpStation } from './stations/touch-up.tsx';
import { toolFacts, ToolsStrip, useTones } from './tools-strip.tsx';
import styles from './texture-desk.module.css';

/** The stations of the desk, in the order of the work. */
const stations = ['Touch up', 'Facts'] as const;
type Station = (typeof stations)[number];
const pathOf = (station: Station): string => station.toLowerCase().replaceAll(' ', '-');

/** A texture on its desk: the picture and the block that shows it, which are one. */
export default function TextureDesk() {
  const { texture: name = '', station: asked = '' } = useParams();
  const mod = useMod();
  const session = useSession();
  const texture = lookUp(mod.textures, name);
  if (!texture)
    return (
      <Gone what="texture" name={name} to={`/m/${session.name}/library`} all="See all textures" />
    );
  const station = stations.find((one) => pathOf(one) === asked) ?? 'Touch up';
  return <Open key={name} {...{ name, texture, station }} />;
}

interface OpenProps {
  name: string;
  texture: Texture;
  station: Station;
}

function Open({ name, texture, station }: OpenProps) {
  const painting = useOpenPainting(name, texture);
  const { blocks, block, beside } = useBeside(painting.id);
  const findings = useTextureFindings(name);
  const tones = useTones(painting.pixels);
  const [search] = useSearchParams();
  const home = `/m/${useSession().name}`;
  useTextureKeys(painting, tones, block);
  return (
    <PaintingContext value={painting}>
      <div className={frame['frame']}>
        <PicturesList open={name} blocks={blocks} beside={block} station={pathOf(station)} />
        <Head
          {...{ name, station, findings }}
          id={painting.id}
          facts={factsOf(painting)}
          search={search.toString()}
        />
        <div className={frame['middle']}>
          <div className={styles['both']}>
            <FlatPicture />
            <PictureStage beside={beside} isPainted={station === 'Touch up'} />
          </div>
          <div>
            {painting.frames > 1 && <FrameRow painting={painting} />}
            <ToolsStrip tones={tones} />
          </div>
        </div>
        <section className={frame['sheet']} aria-label={station}>
          {station === 'Touch up' ? (
            <TouchUpStation blocks={blocks} beside={block} />
          ) : (
            <FactsStation block={beside.isStandIn ? undefined : beside.block} />
          )}
        </section>
        <FindingsLine
          what="texture"
          findings={findings}
          to={() => `${home}/${texturePath(name, 'facts')}`}
        >
          <Cap of="useTool" /> use the tool &nbsp; <Cap of="keys" /> keys
        </FindingsLine>
      </div>
    </PaintingContext>
  );
}

const factsOf = ({ texture: { picture }, frames, area }: Painting): string =>
  frames > 1
    ? `${count(frames, 'frame')} of ${area.width} × ${area.height}`
    : `${picture.width} × ${picture.height} texels`;

/** The block that was asked for or, without one, the first that shows the picture. */
function useBeside(id: string) {
  const mod = useMod();
  const [search] = useSearchParams();
  const blocks = useMemo(() => blocksShowing(mod, id), [mod, id]);
  const asked = search.get('block') ?? undefined;
  const block = asked !== undefined && blocks.includes(asked) ? asked : blocks[0];
  const beside = useMemo(() => standBeside(mod, id, block), [mod, id, block]);
  return { blocks, block, beside };
}

/** What was found about the texture itself. */
function useTextureFindings(name: string): readonly Finding[] {
  const findings = useFindings();
  return useMemo(
    () =>
      (findings ?? []).filter(({ at = '' }) => {
        const { kind, name: of } = entryOf(at);
        return kind === 'textures' && of === name;
      }),
    [findings, name],
  );
}

interface HeadProps {
  name: string;
  id: string;
  facts: string;
  station: Station;
  search: string;
  findings: readonly Finding[];
}

/** The gravest that was found; hints leave it done. Whatever is found of a picture is a fact of it. */
function stateOf(findings: readonly Finding[], station: Station): Stop['state'] {
  const weights = station === 'Facts' ? findings.map(({ severity }) => severity) : [];
  return weights.includes('error') ? 'error' : weights.includes('warning') ? 'warning' : 'done';
}

const Head = memo(function Head({ name, id, facts, station, search, findings }: HeadProps) {
  const session = useSession();
  return (
    <DeskHead
      title={spokenName(name.replaceAll('/', ', '))}
      kind="texture"
      id={id}
      facts={facts}
      label="Stations"
      current={station}
      stops={stations.map((title) => ({
        title,
        to: { pathname: `/m/${session.name}/${texturePath(name, pathOf(title))}`, search },
        state: stateOf(findings, title),
      }))}
    />
  );
});

/** The frames of a strip by their numbers. */
function FrameRow({ painting: { frames, frame, setFrame } }: { painting: Painting }) {
  return (
    <div className={styles['frames']} role="group" aria-label="Frames">
      <span className="soft">Frame</span>
      {Array.from({ length: frames }, (_, i) => (
        <button
          key={i}
          type="button"
          className="chip"
          aria-pressed={i === frame}
          onClick={() => setFrame(i)}
        >
          {i + 1}
        </button>
      ))}
    </div>
  );
}

const ways: Record<string, Texel> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where a key leads the cursor of the keys from a texel. */
function texelAfter(key: string, [x, y]: Texel, width: number, height: number): Texel {
  const [right, down] = ways[key] ?? [0, 0];
  if (key === 'Home') return [0, y];
  if (key === 'End') return [width - 1, y];
  if (key === 'PageUp') return [x, 0];
  if (key === 'PageDown') return [x, height - 1];
  return [Math.max(0, Math.min(width - 1, x + right)), Math.max(0, Math.min(height - 1, y + down))];
}

function useTextureKeys(
  painting: Painting,
  tones: ReturnType<typeof useTones>,
  block: string | undefined,
): void {
  const { area, hovered, hover, ways: now, setWays, frame: shown, setFrame } = painting;
  const { name: mod } = useSession();
  const { texture: name = '' } = useParams();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const [anchor, setAnchor] = useState<Texel>();
  const cursor: Texel = hovered ?? [area.width >> 1, area.height >> 1];
  const tool = (next: PaintingTool) => () => setWays({ tool: next });
  const symmetry = (way: 'across' | 'down') => () =>
    setWays({ symmetry: { ...now.symmetry, [way]: !now.symmetry[way] } });
  /** The tone of the ramp that comes before or after the one that is painted with. */
  const toneBy = (by: number) => () => {
    const at = tones.findIndex(({ colour }) => colour.join() === now.colour.join());
    const next = tones[Math.max(0, Math.min(tones.length - 1, at < 0 ? 0 : at + by))];
    if (next) setWays({ colour: next.colour });
  };
  const stroke = (from: Texel, to: Texel) => {
    painting.press(from);
    painting.drag([to]);
    painting.release();
  };
  const useTool = () => {
    const takesTwo = ['line', 'rectangle', 'move'].includes(now.tool);
    if (!takesTwo) stroke(cursor, cursor);
    else if (anchor) {
      stroke(anchor, cursor);
      setAnchor(undefined);
    } else setAnchor(cursor);
    hover(cursor);
  };
  const leave = () => {
    if (anchor) setAnchor(undefined);
    else if (painting.marked) painting.mark(undefined);
    else
      void navigate(
        block === undefined ? `/m/${mod}/library` : `/m/${mod}/${benchPath(block, 'textures')}`,
      );
  };
  const acts: KeyActs = {
    textureStation: (digit) => {
      const path = texturePath(name, pathOf(itemAt(stations, Number(digit) - 1)));
      void navigate({ pathname: `/m/${mod}/${path}`, search: search.toString() });
    },
    moveCursor: (key) => hover(texelAfter(key, cursor, area.width, area.height)),
    useTool,
    shiftPicture: (key) => {
      const [right, down] = ways[key.replace('shift+', '')] ?? [0, 0];
      painting.change('Shift', (pixels, part) => shifted(pixels, right, down, part));
    },
    ...Object.fromEntries(
      Object.entries(toolFacts).map(([one, { key }]) => [key, tool(one as PaintingTool)]),
    ),
    symmetryAcross: symmetry('across'),
    symmetryDown: symmetry('down'),
    darkerTone: toneBy(-1),
    lighterTone: toneBy(1),
    previousFrame: () => setFrame(shown - 1),
    nextFrame: () => setFrame(shown + 1),
    leaveTexture: leave,
  };
  useKeys(acts);
}
