import { pointer } from '../../../../core/json/index.ts';
import { lookUp, type ResolvedBlock, type Traits } from '../../../../core/mod/index.ts';
import {
  climateColour,
  colourFromHex,
  hexOf,
  missingCones,
  type MissingCone,
} from '../../../../core/textures/facts/index.ts';
import { climateTints } from '../../../../core/textures/index.ts';
import { useModPart, useSession } from '../../../api/hooks.tsx';
import { Toggles } from '../../../parts/toggles.tsx';
import { Frame } from '../flat-picture.tsx';
import { usePainting } from '../painting-state.ts';
import { isClimateTint, type Seeing } from '../seeing-state.ts';
import styles from './facts.module.css';
import type { PictureProps } from './facts.tsx';
import { Mixing } from './mixing.tsx';
import { SliderLine } from './slider-line.tsx';
import { Neighbours } from './neighbours.tsx';
import { Tiling } from './tiling.tsx';
import touchUp from './touch-up.module.css';

interface SeeProps {
  /** The block beside the picture; undefined where nobody shows it. */
  block: ResolvedBlock | undefined;
  seeing: Seeing;
}

/** The picture as it will be seen: beside itself, beside others, tinted, from afar, by others. */
export function SeeStation({ block, seeing }: SeeProps) {
  const { pixels, area } = usePainting();
  if (!pixels) return <p className="note">The picture is being read.</p>;
  return (
    <>
      <h2>Side by side</h2>
      <Tiling pixels={pixels} area={area} />
      <h3 className="part">In a wall with others</h3>
      <Neighbours pixels={pixels} area={area} />
      <h3 className="part">Under a tint</h3>
      <Tint block={block} seeing={seeing} />
      <h3 className="part">From afar</h3>
      <Afar pixels={pixels} area={area} />
      <h3 className="part">By other eyes</h3>
      <Eyes seeing={seeing} />
    </>
  );
}

const tints = ['none', ...climateTints] as const;
/** A tint of one's own begins with this. */
const firstOwn = '#c8a24a';

/** The tint of the block: tried on the stage, in any climate; declared when it is liked. */
function Tint({ block, seeing }: SeeProps) {
  const session = useSession();
  const declared = useModPart((mod) => block && lookUp(mod.blocks, block.name));
  const { tint: tried, setTint, climate, setClimate } = seeing;
  const tint = tried ?? block?.traits.tint ?? 'none';
  const own = colourFromHex(tint);
  const declare = () => {
    if (!block) return;
    const path = pointer(['blocks', block.name, 'traits', 'tint']);
    session.edit(`Tint ${block.name}`, [{ path, before: declared?.traits.tint, after: tint }]);
    setTint(undefined);
  };
  const choices: { label: string; tint: Traits['tint']; isOn: boolean }[] = [
    ...tints.map((one) => ({ label: one, tint: one, isOn: one === tint })),
    { label: 'fixed', tint: own ? tint : firstOwn, isOn: own !== undefined },
  ];
  return (
    <>
      <div className={styles['row']}>
        <Toggles
          label="Tint"
          toggles={choices.map(({ label, tint: one, isOn }) => ({
            label,
            isOn,
            onPress: () => setTint(one),
          }))}
        />
      </div>
      {own && <Mixing colour={own} onColour={(colour) => setTint(hexOf(colour))} />}
      {isClimateTint(tint) && (
        <SliderLine
          title="Climate"
          called="Climate, from cold to hot"
          min={0}
          max={1}
          step={0.01}
          value={climate}
          onChange={setClimate}
        >
          <i className={styles['chip']} style={{ background: climateColour(tint, climate) }} />
        </SliderLine>
      )}
      <p className="note">{tintInWords(block, tried)}</p>
      {declared && tried !== undefined && tried !== block?.traits.tint && (
        <div className={touchUp['verbs']}>
          <button type="button" className="chip" onClick={declare}>
            Tint {block?.name} so
          </button>
          <button type="button" className="link plain" onClick={() => setTint(undefined)}>
            as it was
          </button>
        </div>
      )}
    </>
  );
}

function tintInWords(block: ResolvedBlock | undefined, tried: Traits['tint'] | undefined): string {
  if (!block) return 'No block shows it: the tint lies on the cube that stands in.';
  const { name, traits } = block;
  if (tried !== undefined && tried !== traits.tint)
    return `Tried here: ${name} is declared with ${traits.tint === 'none' ? 'no tint' : `the tint ${traits.tint}`}.`;
  return traits.tint === 'none' ? `${name} has no tint.` : `${name} is tinted: ${traits.tint}.`;
}

/** The frame as it is seen from farther and farther away. */
function Afar({ pixels, area }: PictureProps) {
  return (
    <div className={styles['afar']}>
      {[64, 32, 16, 8].map((size) => (
        <span key={size} style={{ width: size, height: (size * area.height) / area.width }}>
          <SmoothFrame pixels={pixels} area={area} />
        </span>
      ))}
    </div>
  );
}

/** A frame that is made smaller by taking texels together, as engines do. */
function SmoothFrame({ pixels, area }: PictureProps) {
  return <Frame pixels={pixels} area={area} className={styles['smooth']} />;
}

const eyes: Readonly<Record<MissingCone, string>> = {
  long: 'Without red cones',
  middle: 'Without green cones',
  short: 'Without blue cones',
};

/** Everything on the desk as somebody sees it who has fewer kinds of cones. */
function Eyes({ seeing: { without, setWithout } }: { seeing: Seeing }) {
  return (
    <>
      <div className={touchUp['verbs']} role="group" aria-label="Eyes">
        {missingCones.map((cone) => (
          <button
            key={cone}
            type="button"
            className="chip"
            aria-pressed={cone === without}
            onClick={() => setWithout(cone === without ? undefined : cone)}
          >
            {eyes[cone]}
          </button>
        ))}
      </div>
      <p className="note">
        About one man in twelve sees red and green less apart. What has to be told apart should
        differ in how light it is.
      </p>
    </>
  );
}
