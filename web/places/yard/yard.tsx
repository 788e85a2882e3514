import { Button, Select, Slider, VisuallyHidden } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { Canvas } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useSearchParams } from 'react-router';
import type { YardClient } from '../../api/yard.ts';
import { useSession, useView } from '../../api/hooks.tsx';
import { Toggles } from '../../parts/toggles.tsx';
import { useStable } from '../../parts/use-stable.ts';
import { hasGraphicsCard } from '../../stage/sharpness.tsx';
import { Controls, Looking, useYardKeys } from './controls.ts';
import { Day } from './day.tsx';
import { Hand } from './hand.tsx';
import { HerePanel } from './here.tsx';
import { LogLine } from './log-line.tsx';
import { YardMaterials } from './material.ts';
import { Still } from './still.tsx';
import { useYard } from './use-yard.ts';
import { Chunks, Eyes, Flying, Marks, Signs, Weather, type Overlays } from './world.tsx';
import styles from './yard.module.css';

/** The charges of the reference physics. */
const charges = [4, 10, 24];

/** The Yard: the world of the built pack, and why it is as it is. */
export function Yard() {
  const { name } = useSession();
  const { revision } = useView();
  const [follows, setFollows] = useLocalStorage({
    key: `obrank.yard-follows.${name}`,
    defaultValue: false,
    getInitialValueInEffect: false,
  });
  const client = useYard(name, revision, follows);
  return <InYard key={name} client={client} follows={follows} onFollows={setFollows} />;
}

function InYard({
  client,
  follows,
  onFollows,
}: {
  client: YardClient;
  follows: boolean;
  onFollows: (follows: boolean) => void;
}) {
  const { name } = useSession();
  const { revision } = useView();
  const home = `/m/${name}`;
  const view = useSyncExternalStore(client.subscribe, client.getView);
  const { yard, now, atlas } = view;
  const looking = useMemo(() => new Looking(), []);
  const controls = useMemo(() => new Controls(client, looking), [client, looking]);
  const [overlays, setOverlays] = useState<Overlays>({
    levels: false,
    bodies: false,
    climate: 0.5,
  });
  const [isStill, setStill] = useState(false);
  const [isChoosing, setChoosing] = useState(false);
  const [pace, setPaceNow] = useState(1);
  const [charge, setCharge] = useState(charges[0]!);
  const materials = useMemo(() => atlas && new YardMaterials(atlas), [atlas]);
  useEffect(() => () => materials?.dispose(), [materials]);
  useEffect(() => {
    if (yard) looking.look(yard.player.yaw, yard.player.pitch);
  }, [yard, looking]);
  const items = yard?.items ?? [];
  const held = now?.held?.item;
  const hold = useStable((item: string | undefined) => {
    const carries = now?.collected.find((one) => one.item === item)?.carries;
    client.do({ do: 'hold', held: item === undefined ? undefined : { item, carries } });
  });
  useFirstHeld(client, hold);
  const step = useStable((by: number) => {
    const at = items.findIndex(({ id }) => id === held);
    const next = items[(at + by + items.length) % items.length];
    if (next) hold(next.id);
  });
  const setPace = useStable((to: number) => {
    setPaceNow(to);
    client.ask({ ask: 'pace', pace: to });
  });
  const setHour = useStable((hour: number) =>
    client.do({ do: 'hour', hour: Math.round(hour * 1000) % 1000 }),
  );
  const showBodies = useStable((isOn: boolean) => {
    setOverlays({ ...overlays, bodies: isOn });
    client.ask({ ask: 'bodies', isWanted: isOn });
  });
  const fly = useStable(() => client.do({ do: 'fly', flies: !now?.player.flies }));
  const still = useStable((isOn: boolean) => {
    setStill(isOn);
    setPace(isOn ? 0 : 1);
  });
  const isNight = now !== undefined && (now.hour < 0.25 || now.hour > 0.75);
  useYardKeys(
    controls,
    useStableActs({
      actOnIt: () => controls.act('act'),
      nextHeld: () => step(1),
      previousHeld: () => step(-1),
      chooseHeld: () => setChoosing(true),
      flyYard: fly,
      stopTicks: () => setPace(pace === 0 ? 1 : 0),
      oneTick: () => client.ask({ ask: 'step' }),
      nightOrDay: () => setHour(isNight ? 0.5 : 0),
      lightLevels: () => setOverlays({ ...overlays, levels: !overlays.levels }),
      bodiesShown: () => showBodies(!overlays.bodies),
      breakMany: () => client.do({ do: 'break', times: 1000 }),
      blastIt: () => client.do({ do: 'blast', strength: charge }),
      kindleIt: () => client.do({ do: 'kindle' }),
    }),
  );
  const item = items.find(({ id }) => id === held);
  return (
    <div className={styles['yard']}>
      <VisuallyHidden component="h1">The Yard</VisuallyHidden>
      <div className={styles['world']} style={skyOf(now?.hour ?? 0.5)}>
        {view.problem !== undefined && (
          <p role="alert" className={styles['problem']}>
            {view.problem}
          </p>
        )}
        {!yard && view.problem === undefined && (
          <p className={styles['problem']} role="status">
            Building the pack and loading it
          </p>
        )}
        {materials && (
          <View client={client} controls={controls} materials={materials} overlays={overlays} />
        )}
        <div className={styles['chips']}>
          <Toggles
            label="How one is here"
            toggles={[
              { label: 'Walk', isOn: !isStill && !now?.player.flies, onPress: () => leave(false) },
              {
                label: 'Fly',
                isOn: !isStill && now?.player.flies === true,
                onPress: () => leave(true),
              },
              { label: 'Still', isOn: isStill, onPress: () => still(!isStill) },
            ]}
          />
          <Toggles
            label="Overlays"
            toggles={[
              {
                label: 'Shapes',
                isOn: overlays.bodies,
                onPress: () => showBodies(!overlays.bodies),
              },
              {
                label: 'Light',
                isOn: overlays.levels,
                onPress: () => setOverlays({ ...overlays, levels: !overlays.levels }),
              },
            ]}
          />
          <Select
            size="xs"
            aria-label="Scene"
            allowDeselect={false}
            value={yard?.scene ?? null}
            data={yard?.scenes.map((scene) => scene.name) ?? []}
            onChange={(scene) => scene !== null && client.ask({ ask: 'scene', scene })}
            className={styles['scene']}
          />
          <Button
            size="xs"
            variant="default"
            onClick={() => yard && client.ask({ ask: 'scene', scene: yard.scene })}
          >
            Reset
          </Button>
          <Select
            size="xs"
            aria-label="Charge"
            allowDeselect={false}
            value={String(charge)}
            data={charges.map((one) => ({ value: String(one), label: `Charge ${one}` }))}
            onChange={(one) => one !== null && setCharge(Number(one))}
            className={styles['charge']}
          />
          <span className={styles['climate']}>
            Climate
            <Slider
              className={styles['climates']}
              size="xs"
              min={0}
              max={1}
              step={0.02}
              label={(value) =>
                value < 0.3 ? 'cold and wet' : value > 0.7 ? 'hot and dry' : 'a mild coast'
              }
              thumbLabel="Climate"
              value={overlays.climate}
              onChange={(climate) => setOverlays({ ...overlays, climate })}
            />
          </span>
        </div>
        <Hand
          client={client}
          materials={materials}
          items={items}
          held={held}
          isChoosing={isChoosing}
          onChoosing={(isOn) => {
            setChoosing(isOn);
            if (!isOn) focusOnWorld();
          }}
          onHold={hold}
        />
        <Day
          hour={now?.hour ?? 0.5}
          tick={now?.tick ?? 0}
          tickRate={yard?.tickRate ?? 20}
          pace={pace}
          onHour={setHour}
          onPace={setPace}
          onStep={() => client.ask({ ask: 'step' })}
        />
      </div>
      {isStill ? (
        <Still
          client={client}
          now={now}
          tool={item?.title ?? 'bare hands'}
          onLook={(yaw = looking.yaw, pitch = looking.pitch) => {
            looking.look(yaw, pitch);
            controls.settleLook();
          }}
        />
      ) : (
        <HerePanel
          here={now?.here}
          now={now}
          tool={item?.does === 'digs' ? `the ${item.title}` : 'bare hands'}
          home={home}
          onBreakMany={() => client.do({ do: 'break', times: 1000 })}
        />
      )}
      <LogLine
        client={client}
        isOld={view.revision !== undefined && view.revision !== revision}
        follows={follows}
        onFollows={onFollows}
        onLoad={() => void client.load(revision)}
      />
    </div>
  );

  function leave(flies: boolean): void {
    if (isStill) still(false);
    client.do({ do: 'fly', flies });
  }
}

/** The first item, or the one that another place sent here, is in the hand from the start. */
function useFirstHeld(client: YardClient, hold: (item: string) => void): void {
  const [search, setSearch] = useSearchParams();
  const yard = useSyncExternalStore(client.subscribe, () => client.view.yard);
  const wanted = search.get('place');
  useEffect(() => {
    if (!yard) return;
    const item = yard.items.find(({ id }) => id.endsWith(`:${wanted}`)) ?? yard.items[0];
    if (item && client.view.now?.held === undefined) hold(item.id);
    if (wanted !== null && item) {
      hold(item.id);
      client.do({ do: 'bring' });
      setSearch({}, { replace: true });
    }
    // Once for each pack that is loaded.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [yard]);
}

/** Acts whose object stays the same, so that keys are not bound anew with every tick. */
function useStableActs<T extends Record<string, () => void>>(acts: T): T {
  const act = useStable((name: string) => acts[name]?.());
  return useMemo(
    () => Object.fromEntries(Object.keys(acts).map((name) => [name, () => act(name)])) as T,
    // The names are the same for as long as the place is shown.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [act],
  );
}

/** The sky by the hour, from above to the horizon. */
function skyOf(hour: number): { background: string } {
  const sun = -Math.cos(2 * Math.PI * hour);
  const stops: [number, number[], number[]][] = [
    [-1, [14, 20, 28], [24, 32, 42]],
    [-0.25, [24, 36, 50], [70, 62, 66]],
    [0.1, [70, 104, 122], [214, 168, 120]],
    [0.5, [128, 172, 186], [226, 222, 206]],
    [1, [146, 190, 204], [232, 232, 222]],
  ];
  const after = stops.findIndex(([height]) => height >= sun);
  const [from, to] = [stops[Math.max(0, after - 1)]!, stops[Math.max(0, after)]!];
  const share = to[0] === from[0] ? 0 : (sun - from[0]) / (to[0] - from[0]);
  const mixed = (which: 1 | 2) =>
    `rgb(${from[which].map((part, i) => Math.round(part + (to[which][i]! - part) * share)).join(' ')})`;
  return { background: `linear-gradient(${mixed(1)}, ${mixed(2)})` };
}

/** The world as one sees it, with the pointer's hand in it. */
function View({
  client,
  controls,
  materials,
  overlays,
}: {
  client: YardClient;
  controls: Controls;
  materials: YardMaterials;
  overlays: Overlays;
}) {
  const box = useRef<HTMLDivElement>(null);
  const hasCard = hasGraphicsCard();
  const now = useSyncExternalStore(client.subscribe, () => client.view.now);
  const isHeld = () => document.pointerLockElement === box.current;
  return (
    <div
      ref={box}
      className={styles['view']}
      role="application"
      aria-label="The Yard. Keys walk, look, dig and place; Still says in words what is around."
      tabIndex={0}
      onContextMenu={(event) => event.preventDefault()}
      onPointerDown={(event) => {
        event.currentTarget.focus();
        if (!isHeld()) void holdPointer(event.currentTarget);
        else if (event.button === 0) controls.dig(true);
        else if (event.button === 2) controls.act('act');
      }}
      onPointerUp={() => controls.dig(false)}
      onPointerMove={(event) => {
        if (isHeld() || event.buttons === 1) controls.pointer(event.movementX, event.movementY);
      }}
    >
      <Canvas
        frameloop="demand"
        flat
        dpr={hasCard ? [1, 2] : 1}
        gl={{ antialias: hasCard, alpha: true }}
        camera={{ fov: 68, near: 0.05, far: 160 }}
      >
        <Eyes client={client} looking={controls.looking} />
        <Chunks client={client} materials={materials} />
        <Weather client={client} materials={materials} overlays={overlays} />
        <Flying client={client} materials={materials} />
        <Marks client={client} bodies={overlays.bodies} />
        <Signs client={client} />
      </Canvas>
      <svg className={styles['aim']} viewBox="-12 -12 24 24" aria-hidden>
        <path d="M 2.6 -7 A 7.5 7.5 0 1 0 7 -2.6" />
      </svg>
      {now?.here && (
        <p className={styles['tip']} aria-live="polite">
          <b>{now.here.title}</b>
          {now.here.block?.properties.map(({ name, value, why }) => (
            <span key={name}>
              <span className="mono">
                {name}={value}
              </span>
              {why.startsWith('rule') && <small>{why}</small>}
            </span>
          ))}
        </p>
      )}
    </div>
  );
}

/** The keys go to the world again, unless something else has taken them. */
const focusOnWorld = () =>
  requestAnimationFrame(() => {
    if (document.activeElement === document.body)
      document.querySelector<HTMLElement>('[role="application"]')?.focus();
  });

/** Lets the pointer turn the head until Escape. Where the browser refuses, dragging does. */
async function holdPointer(element: HTMLElement): Promise<void> {
  try {
    await element.requestPointerLock();
  } catch {
    // Dragging turns the head as well.
  }
}
