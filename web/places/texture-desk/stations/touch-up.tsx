import { FileButton, Switch } from '@mantine/core';
import clsx from 'clsx';
import { useNavigate } from 'react-router';
import { ownTextureFor } from '../../../../core/models/index.ts';
import { shownNamed, titleOf } from '../../../../core/mod/index.ts';
import { mirroredArea, shifted, turnedArea } from '../../../../core/textures/painting/index.ts';
import { count } from '../../../../core/words/index.ts';
import { pictureKinds } from '../../../api/picture-files.ts';
import { blobAddress, texturePath } from '../../../api/address.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Toggles } from '../../../parts/toggles.tsx';
import { ModColours } from './mod-colours.tsx';
import { Mixing } from './mixing.tsx';
import { SliderLine } from './slider-line.tsx';
import { usePainting } from '../painting-state.ts';
import { toolFacts } from '../tools.ts';
import styles from './touch-up.module.css';

interface TouchUpProps {
  /** The blocks that show the picture, and the one beside it. */
  blocks: readonly string[];
  beside: string | undefined;
  /** Takes another file in the picture's place. */
  onFile: (file: File | null) => void;
}

/** With what one paints, what is done to the whole frame, and whose picture it is. */
export function TouchUpStation({ blocks, beside, onFile }: TouchUpProps) {
  const { ways, setWays } = usePainting();
  return (
    <>
      <h2>{toolFacts[ways.tool].title}</h2>
      <p className="note">{toolFacts[ways.tool].does}</p>
      <ToolWays />
      <h3 className="part">Colour</h3>
      <Mixing colour={ways.colour} onColour={(colour) => setWays({ colour })} />
      <ModColours colour={ways.colour} onColour={(colour) => setWays({ colour })} />
      <h3 className="part">The whole frame</h3>
      <WholeFrame />
      <h3 className="part">Whose it is</h3>
      <Whose blocks={blocks} beside={beside} onFile={onFile} />
    </>
  );
}

/** What a tool asks for beside its colour. */
function ToolWays() {
  const { ways, setWays, frames } = usePainting();
  const { tool, symmetry, alpha, isFilled, showsBefore } = ways;
  const draws = tool !== 'pick' && tool !== 'move';
  return (
    <div className={styles['ways']}>
      {draws && (
        <Toggles
          label="Symmetry"
          toggles={(['across', 'down'] as const).map((way) => ({
            label: way === 'across' ? 'Left as right' : 'Above as below',
            isOn: symmetry[way],
            onPress: () => setWays({ symmetry: { ...symmetry, [way]: !symmetry[way] } }),
          }))}
        />
      )}
      {tool === 'rectangle' && (
        <Switch
          label="With its inside"
          checked={isFilled}
          onChange={(event) => setWays({ isFilled: event.currentTarget.checked })}
        />
      )}
      {frames > 1 && (
        <Switch
          label="The frame before shows through"
          checked={showsBefore}
          onChange={(event) => setWays({ showsBefore: event.currentTarget.checked })}
        />
      )}
      {tool === 'alpha' && (
        <SliderLine
          title="How solid"
          min={0}
          max={255}
          value={alpha}
          onChange={(value) => setWays({ alpha: value })}
        >
          <span className="mono">{alpha === 0 ? 'clear' : alpha}</span>
        </SliderLine>
      )}
    </div>
  );
}

/** Mirroring, turning and shifting of the frame that is worked on. */
function WholeFrame() {
  const { change, area } = usePainting();
  const acts: [string, Parameters<typeof change>][] = [
    ['Mirror left and right', ['Mirror', (pixels, frame) => mirroredArea(pixels, 'across', frame)]],
    ['Mirror up and down', ['Mirror', (pixels, frame) => mirroredArea(pixels, 'down', frame)]],
    [
      'Shift by half',
      ['Shift', (pixels, frame) => shifted(pixels, frame.width >> 1, frame.height >> 1, frame)],
    ],
  ];
  if (area.width === area.height) acts.push(['Turn a quarter', ['Turn', turnedArea]]);
  return (
    <div className={styles['verbs']}>
      {acts.map(([title, act]) => (
        <button key={title} type="button" className="chip" onClick={() => change(...act)}>
          {title}
        </button>
      ))}
    </div>
  );
}

/** Who else shows the picture, and what can be done about that; another file in its place. */
function Whose({ blocks, beside, onFile }: TouchUpProps) {
  const { name, id, texture } = usePainting();
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const title = (block: string) => titleOf(mod, block, shownNamed(mod, block)?.names);
  const makeOwn = () => {
    if (beside === undefined) return;
    const { changes, name: own } = ownTextureFor(mod, beside, id);
    session.edit(`A picture of its own for ${title(beside)}`, changes);
    void navigate(
      `/m/${session.name}/${texturePath(own, 'touch-up')}?block=${encodeURIComponent(beside)}`,
    );
  };
  return (
    <>
      <p className="note">
        {blocks.length === 0
          ? 'No block shows it.'
          : blocks.length === 1
            ? `Only ${title(blocks[0]!)} shows it.`
            : `${count(blocks.length, 'block')} show it: what you change is changed on all of them.`}
      </p>
      <div className={styles['verbs']}>
        {blocks.length > 1 && beside !== undefined && (
          <button type="button" className="chip" onClick={makeOwn}>
            Make its own for {title(beside)}
          </button>
        )}
        <FileButton accept={pictureKinds} onChange={onFile}>
          {(props) => (
            <button {...props} type="button" className="chip">
              Put another file in its place
            </button>
          )}
        </FileButton>
        <a
          className={clsx('chip', styles['save'])}
          href={blobAddress(texture.picture.sha256)}
          download={`${name.replaceAll('/', '_')}.png`}
        >
          Save as a file
        </a>
      </div>
    </>
  );
}
