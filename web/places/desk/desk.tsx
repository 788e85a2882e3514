import { memo, useMemo, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { itemAt } from '../../../core/lists/index.ts';
import type { Finding } from '../../../core/inspect/index.ts';
import { entryOf, lookUp, shownNamed } from '../../../core/mod/index.ts';
import { pictureFrame, type Struck } from '../../../core/models/index.ts';
import {
  negate,
  sides,
  sideStep,
  vector,
  type Side,
  type Vec3,
} from '../../../core/space/index.ts';
import { count, spokenName } from '../../../core/words/index.ts';
import { benchPath, deskPath } from '../../api/address.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { fillSlot } from '../../api/model-pictures.ts';
import { FindingsLine } from '../../parts/findings-line.tsx';
import { focusSoon } from '../../parts/focus-soon.ts';
import frame from '../../parts/desk-frame.module.css';
import { DeskHead } from '../../parts/desk-head.tsx';
import { Gone } from '../../parts/gone.tsx';
import { Toggles } from '../../parts/toggles.tsx';
import { Cap } from '../../parts/keys/cap.tsx';
import { useKeys } from '../../parts/keys/use-keys.ts';
import { useStable } from '../../parts/use-stable.ts';
import type { Stop } from '../../parts/station-line.tsx';
import { useActs, copied, type Acts } from './acts.ts';
import { DeskContext, useOpenDesk, type Desk } from './desk-state.ts';
import { DeskStage } from './desk-stage.tsx';
import { PartsList } from './parts-list.tsx';
import { Plans, type PlanSide } from './plans.tsx';
import { blockOfModel, usersOf } from './shown-block.ts';
import { marksOfFindings } from './marks.ts';
import { useShapeDesk, type ShapeDesk } from './shape-state.ts';
import { BoxesStation } from './stations/boxes.tsx';
import { FitStation } from './stations/fit.tsx';
import { HandStation } from './stations/hand.tsx';
import { PicturesStation } from './stations/pictures.tsx';
import { complain } from '../../parts/complain.ts';
import styles from './desk.module.css';

/** The stations of the desk, in the order of the work. */
const stations = ['Boxes', 'Pictures', 'Fit', 'In the hand'] as const;
type Station = (typeof stations)[number];
const pathOf = (station: Station): string => station.toLowerCase().replaceAll(' ', '-');

/** A model on the desk: its boxes, its pictures, what people bump into, how it is held. */
export default function ModelDesk() {
  const { model = '', station = '' } = useParams();
  const mod = useMod();
  const session = useSession();
  if (!lookUp(mod.models, model))
    return (
      <Gone what="model" name={model} to={`/m/${session.name}/library`} all="See all models" />
    );
  return <Open key={model} name={model} station={station} />;
}

function Open({ name, station: asked }: { name: string; station: string }) {
  const desk = useOpenDesk(name);
  const station = stations.find((one) => pathOf(one) === asked) ?? 'Boxes';
  return <OneModel model={desk} station={station} />;
}

/** The block from which one came, or one that shows the model. */
function useUser(desk: Desk) {
  const [search] = useSearchParams();
  const users = useMemo(() => usersOf(desk.mod, desk.id), [desk.mod, desk.id]);
  const asked = search.get('block') ?? '';
  const user = shownNamed(desk.mod, asked) ? asked : users[0];
  return { users, user, search };
}

function OneModel({ model, station }: { model: Desk; station: Station }) {
  const { users, user, search } = useUser(model);
  const isFit = station === 'Fit';
  const shape = useShapeDesk(model, user, isFit);
  const findings = useModelFindings(model);
  // At Fit the boxes of the shape lie on the desk, to be worked on like those of the model.
  const desk =
    isFit && shape ? shape.desk : { ...model, marks: marksOfFindings(findings, model.boxes) };
  const acts = useActs(desk);
  const session = useSession();
  const navigate = useNavigate();
  const [plan, setPlan] = useState<PlanSide>();
  const home = `/m/${session.name}`;
  const goTo = (next: Station) =>
    void navigate({
      pathname: `${home}/${deskPath(desk.name, pathOf(next))}`,
      search: search.toString(),
    });
  const back = () =>
    void navigate(user === undefined ? `${home}/library` : `${home}/${benchPath(user, 'looks')}`);
  const onFace = ({ box, side }: Struck, file?: File) => {
    if (station === 'Pictures') desk.setSide(side);
    const slot = desk.boxes[box]?.sides[side]?.slot;
    if (!file || slot === undefined) return;
    desk.choose([box]);
    fillSlot(session, desk.name, slot, file).catch(complain);
  };
  useDeskKeys(desk, acts, { plan, goTo, back });
  const { step } = model.ways;
  const setWays = useStable(model.setWays);
  const steps = useMemo(
    () => <Steps step={step} onStep={(next) => setWays({ step: next })} />,
    [step, setWays],
  );
  const block = useMemo(() => blockOfModel(desk.mod, desk.id, user), [desk.mod, desk.id, user]);
  return (
    <DeskContext value={desk}>
      <div className={frame['frame']}>
        <PartsList users={users} />
        <Head
          name={desk.name}
          id={desk.id}
          many={desk.boxes.length}
          station={station}
          search={search.toString()}
          findings={findings}
        />
        <div className={frame['middle']}>
          <DeskStage
            block={block}
            acts={acts}
            isWorkedOn={!isFit || shape !== undefined}
            onFace={onFace}
            chips={steps}
          />
          <div className={styles['paper']}>
            <Plans acts={acts} onFocus={setPlan} />
            <KeyNotes />
          </div>
        </div>
        <section className={frame['sheet']} aria-label={station}>
          <StationSheet {...{ station, acts, shape, user }} />
        </section>
        <Foot desk={desk} findings={findings} />
      </div>
    </DeskContext>
  );
}

interface SheetProps {
  station: Station;
  acts: Acts;
  shape: ShapeDesk | undefined;
  user: string | undefined;
}

function StationSheet({ station, acts, shape, user }: SheetProps) {
  if (station === 'Boxes') return <BoxesStation acts={acts} />;
  if (station === 'Pictures') return <PicturesStation />;
  if (station === 'Fit') return <FitStation shape={shape} acts={acts} />;
  return <HandStation user={user} />;
}

interface HeadProps {
  name: string;
  id: string;
  many: number;
  station: Station;
  search: string;
  findings: readonly Finding[];
}

/** The station at which a finding about a model is mended. */
const stationOf = ({ at = '' }: Finding): Station =>
  /\/(slots|sides)\//.test(at) ? 'Pictures' : 'Boxes';

/** The gravest that was found at a station; hints leave it done. */
function stateOf(findings: readonly Finding[], station: Station): Stop['state'] {
  const weights = findings.filter((one) => stationOf(one) === station).map((one) => one.severity);
  return weights.includes('error') ? 'error' : weights.includes('warning') ? 'warning' : 'done';
}

const Head = memo(function Head({ name, id, many, station, search, findings }: HeadProps) {
  const session = useSession();
  return (
    <DeskHead
      title={spokenName(name.replaceAll('/', ', '))}
      kind="model"
      id={id}
      facts={count(many, 'box', 'boxes')}
      label="Stations"
      current={station}
      stops={stations.map((title) => ({
        title,
        to: { pathname: `/m/${session.name}/${deskPath(name, pathOf(title))}`, search },
        state: stateOf(findings, title),
      }))}
    />
  );
});

/** What was found about the model itself. */
function useModelFindings({ name }: Desk) {
  const findings = useFindings();
  return useMemo(
    () =>
      (findings ?? []).filter(({ at = '' }) => {
        const { kind, name: of } = entryOf(at);
        return kind === 'models' && of === name;
      }),
    [findings, name],
  );
}

function Foot({ desk, findings }: { desk: Desk; findings: readonly Finding[] }) {
  const session = useSession();
  return (
    <FindingsLine
      what="model"
      findings={findings}
      to={(one) => `/m/${session.name}/${deskPath(desk.name, pathOf(stationOf(one)))}`}
    >
      <Cap of="station" /> station &nbsp; <Cap of="keys" /> keys
    </FindingsLine>
  );
}

/** The step to which what is dragged snaps. */
const Steps = ({ step, onStep }: { step: 1 | 0.5; onStep: (step: 1 | 0.5) => void }) => (
  <Toggles
    label="Step"
    toggles={([1, 0.5] as const).map((one) => ({
      label: one === 1 ? 'Texels' : 'Half',
      isOn: step === one,
      onPress: () => onStep(one),
    }))}
  />
);

const KeyNotes = () => (
  <div className={styles['keys']}>
    <p>
      <Cap of="moveBox" /> move
    </p>
    <p>
      <Cap of="sizeBox" /> size
    </p>
    <p>
      <Cap of="againBox" /> again &nbsp; <Cap of="mirrorBox" /> mirror
    </p>
    <p>
      <Cap of="leaveDesk" /> to the bench
    </p>
  </div>
);

/** Which way an arrow goes, by the plan that has the focus; the stage goes as the plan from above. */
function wayOf(pressed: string, plan: PlanSide | undefined): Vec3 {
  const side = plan ?? 'top';
  const { up, right } = pictureFrame[side];
  const key = pressed.replace('shift+', '');
  if (key === 'ArrowRight') return right;
  if (key === 'ArrowLeft') return negate(right);
  if (key === 'ArrowUp') return up;
  if (key === 'ArrowDown') return negate(up);
  return key === 'PageUp' ? sideStep(side) : negate(sideStep(side));
}

const sideTowards = (way: Vec3): Side =>
  sides.find((side) => sideStep(side).every((value, axis) => value === way[axis])) ?? 'top';

interface KeyPlaces {
  plan: PlanSide | undefined;
  goTo: (station: Station) => void;
  back: () => void;
}

function useDeskKeys(desk: Desk, acts: Acts, { plan, goTo, back }: KeyPlaces): void {
  const { choose, ways } = desk;
  const step = (by: number) => {
    const { boxes, chosen } = desk.now();
    const last = [...chosen].at(-1);
    const next = last === undefined ? (by > 0 ? 0 : boxes.length - 1) : last + by;
    if (boxes.length) choose([(next + boxes.length) % boxes.length]);
  };
  const mark = (marked: ReadonlySet<number>, set: Desk['hide']) => {
    const { chosen } = desk.now();
    set(chosen, ![...chosen].every((i) => marked.has(i)));
  };
  useKeys({
    station: (digit) => goTo(itemAt(stations, Number(digit) - 1)),
    addBox: acts.add,
    previousBox: () => step(-1),
    nextBox: () => step(1),
    allBoxes: () => choose(desk.now().boxes.keys()),
    moveBox: (pressed) => {
      const way = wayOf(pressed, plan);
      acts.move(vector((axis) => way[axis] * ways.step));
    },
    sizeBox: (pressed) => {
      const way = wayOf(pressed, plan);
      // Left and down make smaller what right and up make larger.
      const grows = /Right|Up$/.test(pressed);
      acts.size(sideTowards(grows ? way : negate(way)), grows ? ways.step : -ways.step);
    },
    againBox: acts.again,
    mirrorBox: (pressed) => acts.mirror(pressed.toLowerCase() as 'x' | 'y' | 'z'),
    halfTexels: () => desk.setWays({ step: ways.step === 1 ? 0.5 : 1 }),
    nameBox: () => focusSoon('#box-name'),
    groupBoxes: acts.group,
    hideBox: () => mark(desk.hidden, desk.hide),
    lockBox: () => mark(desk.locked, desk.lock),
    copyBoxes: acts.copy,
    pasteBoxes: () => void pasteFrom(acts),
    removeBoxes: acts.remove,
    leaveDesk: () => (desk.now().chosen.size ? choose([]) : back()),
  });
}

/** Puts in what the clipboard holds or, where that may not be read, what was copied in this page. */
async function pasteFrom(acts: Acts): Promise<void> {
  const text = await readClipboard();
  if (!acts.paste(text)) acts.paste(copied.text);
}

async function readClipboard(): Promise<string> {
  try {
    return await navigator.clipboard.readText();
  } catch {
    return copied.text;
  }
}
