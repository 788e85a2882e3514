import { useMemo } from 'react';
import { pointer } from '../../../../core/json/index.ts';
import { lookUp, type ResolvedBlock } from '../../../../core/mod/index.ts';
import { alphasOf, underMode, type Alphas } from '../../../../core/textures/facts/index.ts';
import type { Pixels } from '../../../../core/textures/index.ts';
import type { Area } from '../../../../core/textures/painting/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useModPart, useSession } from '../../../api/hooks.tsx';
import { Frame } from '../flat-picture.tsx';
import { Alike } from './alike.tsx';
import { usePainting } from '../painting-state.ts';
import styles from './facts.module.css';

interface FactsProps {
  /** The block beside the picture; undefined where nobody shows it. */
  block: ResolvedBlock | undefined;
}

/** What the picture is: how solid, what the game shows of that, its file, and its like. */
export function FactsStation({ block }: FactsProps) {
  const { pixels, area, texture, frames } = usePainting();
  const texels = useModPart(({ header }) => header.texels);
  const { picture } = texture;
  if (!pixels) return <p className="note">The picture is being read.</p>;
  return (
    <>
      <h2>How solid</h2>
      <Solid pixels={pixels} area={area} block={block} />
      <h3 className="part">The file</h3>
      <dl className={styles['facts']}>
        <dt>Size</dt>
        <dd>
          {picture.width} × {picture.height} texels
          {frames > 1 && `, ${count(frames, 'frame')} of ${area.width} × ${area.height}`}
        </dd>
        <dt>Of a block</dt>
        <dd>{area.width === texels ? 'one texel each' : `${area.width} for ${texels} texels`}</dd>
        <dt>Bytes</dt>
        <dd>{picture.bytes.toLocaleString('en')}</dd>
        <dt>Mean colour</dt>
        <dd>
          <i className={styles['chip']} style={{ background: picture.mean }} />
          <span className="mono">{picture.mean}</span>
          {block && <MapColour block={block} mean={picture.mean} />}
        </dd>
        <dt>Grey</dt>
        <dd>{picture.grey ? 'yes: a tint colours it evenly' : 'no'}</dd>
      </dl>
      <h3 className="part">Much like it</h3>
      <Alike />
    </>
  );
}

/** The mean colour as the colour of the block on maps. */
function MapColour({ block, mean }: { block: ResolvedBlock; mean: string }) {
  const session = useSession();
  const kept = useModPart((mod) => lookUp(mod.blocks, block.name)?.traits.mapColour);
  const isOwn = useModPart((mod) => lookUp(mod.blocks, block.name) !== undefined);
  if (!isOwn || block.traits.mapColour === mean) return null;
  const set = () =>
    session.edit(`Map colour of ${block.name}`, [
      { path: pointer(['blocks', block.name, 'traits', 'mapColour']), before: kept, after: mean },
    ]);
  return (
    <button type="button" className="link plain" onClick={set}>
      use it on maps
    </button>
  );
}

export interface PictureProps {
  pixels: Pixels;
  area: Area;
}

/** How many texels are how solid, and what the block's alpha mode makes of that. */
function Solid({ pixels, area, block }: PictureProps & FactsProps) {
  const { left, top, width, height } = area;
  const alphas = useMemo(
    () => alphasOf(pixels, { left, top, width, height }),
    [pixels, left, top, width, height],
  );
  const { alphaMode = 'blend', alphaCutoff = 0.5 } = block?.traits ?? {};
  const shown = useMemo(
    () => underMode(pixels, alphaMode, alphaCutoff),
    [pixels, alphaMode, alphaCutoff],
  );
  return (
    <>
      <AlphaBars alphas={alphas} cutoff={block && alphaMode === 'mask' ? alphaCutoff : undefined} />
      <p className="note">{solidInWords(alphas)}</p>
      {block && (
        <div className={styles['shown']}>
          <div className={styles['paper']}>
            <Frame pixels={shown} area={area} />
          </div>
          <p>
            <b>What the game shows</b> on {block.name}, under alpha mode{' '}
            <span className="mono">{alphaMode}</span>
            {alphaMode === 'mask' && `, cut at ${alphaCutoff}`}. {lossInWords(alphas, alphaMode)}
          </p>
        </div>
      )}
    </>
  );
}

function solidInWords({ clear, partial, solid }: Alphas): string {
  const all = clear + partial + solid;
  if (solid === all) return 'Every texel is solid.';
  const parts = [
    [solid, 'solid'],
    [clear, 'clear'],
    [partial, 'in between'],
  ].filter(([many]) => many);
  return `Of ${count(all, 'texel')}, ${parts.map((part) => part.join(' ')).join(', ')}.`;
}

function lossInWords({ clear, partial }: Alphas, mode: string): string {
  if (mode === 'opaque' && clear + partial > 0)
    return `${count(clear + partial, 'texel')} that ${clear + partial === 1 ? 'is' : 'are'} see-through here ${clear + partial === 1 ? 'is' : 'are'} drawn solid.`;
  if (mode === 'mask' && partial > 0)
    return `${count(partial, 'texel')} in between become${partial === 1 ? 's' : ''} solid or a hole.`;
  return 'Nothing is lost.';
}

/** How many texels have which alpha, in sixteen steps from clear to solid. */
function AlphaBars({ alphas, cutoff }: { alphas: Alphas; cutoff: number | undefined }) {
  const { bySixteens } = alphas;
  // By roots, so that a few texels beside many are still seen.
  const most = Math.sqrt(Math.max(...bySixteens, 1));
  return (
    <svg
      className={styles['bars']}
      viewBox="0 0 320 56"
      preserveAspectRatio="none"
      role="img"
      aria-label={solidInWords(alphas)}
    >
      {bySixteens.map((many, i) => {
        const tall = (Math.sqrt(many) / most) * 50;
        return <rect key={i} x={i * 20 + 1} width={18} y={54 - tall} height={tall} />;
      })}
      <line x1="0" x2="320" y1="55" y2="55" />
      {cutoff !== undefined && (
        <line className={styles['cut']} x1={cutoff * 320} x2={cutoff * 320} y1="0" y2="56" />
      )}
    </svg>
  );
}
