import { VisuallyHidden } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useEffect, useMemo, useState } from 'react';
import type { YardClient } from '../../api/yard.ts';
import { useSession, useView } from '../../api/hooks.tsx';
import { useStable } from '../../parts/use-stable.ts';
import { Bar, charges, type Charge, type Way } from './bar.tsx';
import { Controls, Looking, useYardKeys } from './controls.ts';
import { Day } from './day.tsx';
import { Hand } from './hand.tsx';
import { HerePanel } from './here.tsx';
import { useInHand, type InHand } from './in-hand.ts';
import { LogLine } from './log-line.tsx';
import { YardMaterials } from './material.ts';
import { RegionPanel, useMarking, type Marking } from './region.tsx';
import { Still } from './still.tsx';
import { useTime, type Time } from './time.ts';
import { useSounds } from './use-sounds.ts';
import { useYard } from './use-yard.ts';
import { usePart } from './use-part.ts';
import { Ground, View } from './view.tsx';
import type { Overlays } from './world.tsx';
import styles from './yard.module.css';

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
  const yard = usePart(client, (view) => view.yard);
  const problem = usePart(client, (view) => view.problem);
  const loaded = usePart(client, (view) => view.revision);
  const flies = usePart(client, ({ now }) => now?.player.flies ?? false);
  const { looking, controls, materials } = useEyes(client);
  const [overlays, setOverlays] = useOverlays(client);
  const [charge, setCharge] = useState<Charge>({ strength: charges[0]!, slow: false });
  const inHand = useInHand(client);
  const marking = useMarking(client);
  const time = useTime(client);
  const [isStill, setStill] = useState(false);
  const go = useStable((way: Way) => {
    if (isStill !== (way === 'still')) time.setPace(way === 'still' ? 0 : 1);
    setStill(way === 'still');
    if (way !== 'still') client.do({ do: 'fly', flies: way === 'fly' });
  });
  const fly = () => go(flies ? 'walk' : 'fly');
  useKeys(client, controls, { inHand, marking, time, overlays, setOverlays, charge, fly });
  const { item } = inHand;
  return (
    <div className={styles['yard']}>
      <VisuallyHidden component="h1">The Yard</VisuallyHidden>
      <Ground client={client}>
        <Waiting problem={problem} isThere={yard !== undefined} />
        {materials && (
          <View
            client={client}
            controls={controls}
            materials={materials}
            overlays={overlays}
            region={marking.region}
          />
        )}
        <Bar
          client={client}
          yard={yard}
          way={isStill ? 'still' : flies ? 'fly' : 'walk'}
          onWay={go}
          overlays={overlays}
          onOverlays={setOverlays}
          charge={charge}
          onCharge={setCharge}
        />
        <Hand client={client} materials={materials} inHand={inHand} />
        <Day client={client} time={time} />
      </Ground>
      {isStill ? (
        <Still
          client={client}
          tool={item?.title ?? 'bare hands'}
          onLook={(yaw = looking.yaw, pitch = looking.pitch) => {
            looking.look(yaw, pitch);
            controls.settleLook();
          }}
        />
      ) : (
        <HerePanel
          client={client}
          tool={item?.does === 'digs' ? `the ${item.title}` : 'bare hands'}
          home={`/m/${name}`}
          above={<RegionPanel client={client} marking={marking} />}
          onBreakMany={() => client.do({ do: 'break', times: 1000 })}
        />
      )}
      <LogLine
        client={client}
        isOld={loaded !== undefined && loaded !== revision}
        follows={follows}
        onFollows={onFollows}
        onLoad={() => void client.load(revision)}
      />
    </div>
  );
}

/** What stands over the world that is not there. */
function Waiting({ problem, isThere }: { problem: string | undefined; isThere: boolean }) {
  if (problem !== undefined)
    return (
      <p role="alert" className={styles['problem']}>
        {problem}
      </p>
    );
  if (isThere) return null;
  return (
    <p className={styles['problem']} role="status">
      Building the pack and loading it
    </p>
  );
}

/** Where one looks, what keys and pointer do, and what the world is drawn with. */
function useEyes(client: YardClient) {
  const yard = usePart(client, (view) => view.yard);
  const atlas = usePart(client, (view) => view.atlas);
  const looking = useMemo(() => new Looking(), []);
  const controls = useMemo(() => new Controls(client, looking), [client, looking]);
  const materials = useMemo(() => atlas && new YardMaterials(atlas), [atlas]);
  useEffect(() => () => materials?.dispose(), [materials]);
  useEffect(() => {
    if (yard) looking.look(yard.player.yaw, yard.player.pitch);
  }, [yard, looking]);
  return { looking, controls, materials };
}

/** What is drawn over the world, and whether it is heard, which is remembered. */
function useOverlays(client: YardClient): [Overlays, (overlays: Overlays) => void] {
  const [sounds, setSounds] = useLocalStorage({
    key: 'obrank.yard-sounds',
    defaultValue: true,
    getInitialValueInEffect: false,
  });
  const [drawn, setDrawn] = useState({ levels: false, bodies: false, climate: 0.5 });
  useSounds(client, sounds);
  const set = useStable((next: Overlays) => {
    const { sounds: isHeard, ...rest } = next;
    if (rest.bodies !== drawn.bodies) client.ask({ ask: 'bodies', isWanted: rest.bodies });
    setDrawn(rest);
    setSounds(isHeard);
  });
  return [{ ...drawn, sounds }, set];
}

/** The keys of the Yard. */
function useKeys(
  client: YardClient,
  controls: Controls,
  {
    inHand,
    marking,
    time,
    overlays,
    setOverlays,
    charge,
    fly,
  }: {
    inHand: InHand;
    marking: Marking;
    time: Time;
    overlays: Overlays;
    setOverlays: (overlays: Overlays) => void;
    charge: Charge;
    fly: () => void;
  },
): void {
  const acts = useStableActs({
    actOnIt: () => controls.act('act'),
    nextHeld: () => inHand.step(1),
    previousHeld: () => inHand.step(-1),
    chooseHeld: () => inHand.choose(true),
    flyYard: fly,
    stopTicks: () => time.setPace(time.pace === 0 ? 1 : 0),
    oneTick: time.step,
    nightOrDay: () => time.setHour(time.isNight ? 0.5 : 0),
    lightLevels: () => setOverlays({ ...overlays, levels: !overlays.levels }),
    bodiesShown: () => setOverlays({ ...overlays, bodies: !overlays.bodies }),
    breakMany: () => client.do({ do: 'break', times: 1000 }),
    blastIt: () => client.do({ do: 'blast', ...charge }),
    kindleIt: () => client.do({ do: 'kindle' }),
    markCorner: marking.mark,
  });
  useYardKeys(controls, acts);
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
