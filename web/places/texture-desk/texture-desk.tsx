import { memo, useMemo } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import type { Finding } from '../../../core/inspect/index.ts';
import { blocksShowing } from '../../../core/models/index.ts';
import { entryOf, lookUp, type Texture } from '../../../core/mod/index.ts';
import { count, spokenName } from '../../../core/words/index.ts';
import { texturePath } from '../../api/address.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { DeskHead } from '../../parts/desk-head.tsx';
import frame from '../../parts/desk-frame.module.css';
import { FindingsLine } from '../../parts/findings-line.tsx';
import { Gone } from '../../parts/gone.tsx';
import { Cap } from '../../parts/keys/cap.tsx';
import { RenameButton } from '../../parts/rename-field.tsx';
import { usePasted } from '../../parts/use-pasted.ts';
import type { Stop } from '../../parts/station-line.tsx';
import { standBeside } from './beside.ts';
import { FlatPicture } from './flat-picture.tsx';
import { useFrames } from './frames-state.ts';
import { StripRow } from './strip-row.tsx';
import { useReplacing } from './replacing.ts';
import { useTextureKeys } from './desk-keys.ts';
import { pathOf, stations, type Station } from './stations/index.ts';
import { PaintingContext, useOpenPainting, type Painting } from './painting-state.ts';
import { PictureStage } from './picture-stage.tsx';
import { PicturesList } from './pictures-list.tsx';
import { OtherEyes, seenWithout } from './other-eyes.tsx';
import { useSeeing, useTinted } from './seeing-state.ts';
import { SeeStation } from './stations/see.tsx';
import { FactsStation } from './stations/facts.tsx';
import { FramesStation, useFlashes } from './stations/frames.tsx';
import { MakeStation } from './stations/make.tsx';
import { RecolourStation } from './stations/recolour.tsx';
import { TouchUpStation } from './stations/touch-up.tsx';
import { ToolsStrip, useTones } from './tools-strip.tsx';
import styles from './texture-desk.module.css';

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
  const seeing = useSeeing();
  const tinted = useTinted(beside, seeing, station === 'See');
  const findings = useTextureFindings(name, blocks);
  const tones = useTones(station === 'Touch up' ? painting.saved : undefined);
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const home = `/m/${useSession().name}`;
  const addressOf = (next: Station) => ({
    pathname: `${home}/${texturePath(name, pathOf(next))}`,
    search: search.toString(),
  });
  useTextureKeys(painting, { tones, block, goTo: (next) => void navigate(addressOf(next)) });
  const replace = useReplacing(name);
  const frames = useFrames(painting, station === 'Frames');
  const flashes = useFlashes(frames);
  usePasted(replace);
  return (
    <PaintingContext value={painting}>
      <OtherEyes />
      <div className={frame['frame']}>
        <PicturesList open={name} blocks={blocks} beside={block} station={pathOf(station)} />
        <Head
          {...{ name, station, findings }}
          id={painting.id}
          facts={factsOf(painting)}
          search={search.toString()}
        />
        <div className={frame['middle']}>
          <div
            className={styles['both']}
            style={{ filter: station === 'See' ? seenWithout(seeing.without) : undefined }}
            onDragOver={(event) => event.preventDefault()}
            onDrop={(event) => {
              event.preventDefault();
              replace(event.dataTransfer.files[0]);
            }}
          >
            <FlatPicture isPainted={station === 'Touch up'} />
            <PictureStage
              beside={tinted}
              isPainted={station === 'Touch up'}
              showsDraft={station === 'Make' || station === 'Recolour' || station === 'Touch up'}
            />
          </div>
          {station === 'Frames' && <StripRow frames={frames} flashes={flashes} />}
          {station === 'Touch up' && (
            <div>
              {painting.frames > 1 && <FrameRow painting={painting} />}
              <ToolsStrip tones={tones} />
            </div>
          )}
        </div>
        <section className={frame['sheet']} aria-label={station}>
          {station === 'Touch up' && (
            <TouchUpStation blocks={blocks} beside={block} onFile={replace} />
          )}
          {station === 'Make' && <MakeStation />}
          {station === 'Recolour' && <RecolourStation />}
          {station === 'Frames' && <FramesStation frames={frames} flashes={flashes} />}
          {station === 'See' && (
            <SeeStation block={beside.isStandIn ? undefined : beside.block} seeing={seeing} />
          )}
          {station === 'Facts' && (
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

/** What was found about the texture itself, and about the pictures of the blocks that show it. */
function useTextureFindings(name: string, blocks: readonly string[]): readonly Finding[] {
  const findings = useFindings();
  return useMemo(
    () =>
      (findings ?? []).filter(({ at = '', facet }) => {
        const { kind, name: of } = entryOf(at);
        if (kind === 'textures') return of === name;
        return facet === 'Textures' && kind === 'blocks' && blocks.includes(of);
      }),
    [findings, name, blocks],
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
  const navigate = useNavigate();
  const addressOf = (of: string, next: Station) => ({
    pathname: `/m/${session.name}/${texturePath(of, pathOf(next))}`,
    search,
  });
  return (
    <DeskHead
      title={spokenName(name.replaceAll('/', ', '))}
      kind="texture"
      id={id}
      facts={
        <>
          {facts} ·{' '}
          <RenameButton
            kind="textures"
            name={name}
            id={id}
            onRenamed={(to) => void navigate(addressOf(to, station), { replace: true })}
          />
        </>
      }
      label="Stations"
      current={station}
      stops={stations.map((title) => ({
        title,
        to: addressOf(name, title),
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
