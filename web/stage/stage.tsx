import { SegmentedControl, useComputedColorScheme } from '@mantine/core';
import { Canvas } from '@react-three/fiber';
import clsx from 'clsx';
import { Component, memo, useMemo, type ReactNode } from 'react';
import { shapeIn } from '../../core/models/index.ts';
import type { Mod, ResolvedBlock } from '../../core/mod/index.ts';
import { Rendering } from '../parts/rendering.tsx';
import { Toggles } from '../parts/toggles.tsx';
import { useStable } from '../parts/use-stable.ts';
import { arrangements, hours, useStageOptions, type SceneOptions } from './options.ts';
import { quietAboutClock } from './quiet.ts';
import { Scene } from './scene.tsx';
import { hasGraphicsCard, SharpAtRest } from './sharpness.tsx';
import { Watch, type View } from './view.tsx';
import styles from './stage.module.css';

quietAboutClock();

const inks = {
  light: { grid: '#cfc7b5', soft: '#6f7468', tide: '#0e666b' },
  dark: { grid: '#3f5058', soft: '#a9b6b7', tide: '#6fbdb8' },
};

interface StageProps {
  mod: Mod;
  block: ResolvedBlock;
  state: number;
  /** More chips beside those of the stage. */
  chips?: ReactNode;
  /** Hears from where one looks, at first and whenever that changes. */
  onView?: (view: View) => void;
}

/** The live stage: a block in the state that is chosen, to be turned and looked at. */
export const Stage = memo(function Stage({ mod, block, state, chips, onView }: StageProps) {
  const scheme = useComputedColorScheme('light');
  const [options, setOptions] = useStageOptions();
  const hasCard = hasGraphicsCard();
  const outline = useMemo(
    () =>
      options.outline && !block.space.tooLarge
        ? shapeIn(mod, block, block.shapes.outline, state)
        : [],
    [options.outline, mod, block, state],
  );
  const set = useStable((part: Partial<SceneOptions>) => setOptions({ ...options, ...part }));
  return (
    <div
      className={clsx(styles['stage'], styles[options.hour.toLowerCase()])}
      role="group"
      aria-label="Stage"
    >
      <Chips options={options} onOptions={set}>
        {chips}
      </Chips>
      <WithoutGraphics
        fallback={
          <div className={styles['flat']}>
            <Rendering block={block.name} state={state} size={320} title={block.name} />
            <p className="note">
              This browser has no WebGL, so the block is drawn flat and cannot be turned.
            </p>
          </div>
        }
      >
        <Canvas
          frameloop="demand"
          camera={{ fov: 32, position: [2.3, 2.2, 2.3] }}
          gl={{ antialias: hasCard, alpha: true }}
          dpr={hasCard ? [1, 2] : 1}
          role="img"
          aria-label={`${block.name} on the stage. Drag to turn it.`}
          flat
        >
          <Scene
            mod={mod}
            block={block}
            state={state}
            options={options}
            outline={outline}
            colours={options.hour === 'Night' ? inks.dark : inks[scheme]}
          />
          {!hasCard && <SharpAtRest />}
          {onView && <Watch onView={onView} />}
        </Canvas>
      </WithoutGraphics>
    </div>
  );
});

interface ChipsProps {
  options: SceneOptions;
  children: ReactNode;
  onOptions: (part: Partial<SceneOptions>) => void;
}

/** How the block stands, at which hour, and what is drawn over it. */
const Chips = memo(function Chips({ options, onOptions, children }: ChipsProps) {
  return (
    <div className={styles['chips']}>
      <SegmentedControl
        value={options.arrangement}
        onChange={(value) => onOptions({ arrangement: value })}
        data={[...arrangements]}
        aria-label="Arrangement"
      />
      <SegmentedControl
        value={options.hour}
        onChange={(value) => onOptions({ hour: value })}
        data={[...hours]}
        aria-label="Hour"
      />
      <Toggles
        label="Overlays"
        toggles={(['outline', 'light'] as const).map((overlay) => ({
          label: overlay === 'outline' ? 'Outline' : 'Light',
          isOn: options[overlay],
          onPress: () => onOptions({ [overlay]: !options[overlay] }),
        }))}
      />
      {children}
    </div>
  );
});

/** Shows the drawing of the worker where the browser cannot draw in three dimensions. */
class WithoutGraphics extends Component<
  { fallback: ReactNode; children: ReactNode },
  { failed: boolean }
> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    return this.state.failed ? this.props.fallback : this.props.children;
  }
}
