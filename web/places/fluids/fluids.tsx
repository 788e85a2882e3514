import clsx from 'clsx';
import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { Link, Navigate, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Finding } from '../../../core/inspect/index.ts';
import { entryOf, idOf, lookUp, titleOf, type Fluid } from '../../../core/mod/index.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { DeskHead } from '../../parts/desk-head.tsx';
import frame from '../../parts/desk-frame.module.css';
import emptyStyles from '../../parts/empty.module.css';
import list from '../../parts/side-list.module.css';
import { FindingsLine } from '../../parts/findings-line.tsx';
import { Gone } from '../../parts/gone.tsx';
import { Cap } from '../../parts/keys/cap.tsx';
import { NewFluidDialog, openNewFluid } from './new-fluid.tsx';
import { fluidColour } from './section/ink.ts';
import { FluidSection } from './section/section.tsx';
import { DoesStation } from './stations/does.tsx';
import { FlowStation } from './stations/flow.tsx';
import { LooksStation } from './stations/looks.tsx';
import { WorldStation } from './stations/world.tsx';
import { fluidPath } from '../../api/address.ts';
import { useFluidEdits } from './use-fluid.ts';
import styles from './fluids.module.css';

/** The stations of a fluid, in the order of the work, and which parts of it stand where. */
const stations = {
  Flow: ['reach', 'pace', 'rises', 'renews', 'leaves'],
  Does: ['meets', 'drag', 'harm', 'fire'],
  Looks: ['still', 'flowing', 'alphaMode', 'sight', 'light', 'absorbs', 'tint', 'mapColour'],
  World: ['pools', 'soundSet', 'names', 'note'],
} as const satisfies Record<string, readonly (keyof Fluid)[]>;
type Station = keyof typeof stations;
const stationNames = Object.keys(stations) as Station[];

/** Fluids: each poured into a cut through the ground, beside what is declared of it. */
export function Fluids() {
  const { fluid: name } = useParams();
  const { fluids } = useMod();
  const session = useSession();
  const [first] = Object.keys(fluids);
  const home = `/m/${session.name}`;
  if (name === undefined && first !== undefined)
    return <Navigate to={`${home}/${fluidPath(first)}`} replace />;
  const fluid = lookUp(fluids, name ?? '');
  return (
    <>
      {name === undefined ? (
        <None />
      ) : fluid ? (
        <OneFluid key={name} name={name} fluid={fluid} />
      ) : (
        <Gone what="fluid" name={name} to={`${home}/fluids`} all="See all fluids" />
      )}
      <NewFluidDialog />
    </>
  );
}

function None() {
  return (
    <div className="page">
      <h1>Fluids</h1>
      <div className={emptyStyles['empty']}>
        <h2>No fluid yet</h2>
        <p>
          A fluid is poured, runs over steps, falls into holes and dries. Here you see it do so in a
          cut through the ground, with how far it comes and when, before the game is started.
        </p>
        <Button onClick={openNewFluid} data-begin>
          New fluid
        </Button>
      </div>
    </div>
  );
}

function OneFluid({ name, fluid }: { name: string; fluid: Fluid }) {
  const session = useSession();
  const navigate = useNavigate();
  const mod = useMod();
  const [search] = useSearchParams();
  const edits = useFluidEdits(name);
  const findings = useFluidFindings(name);
  const home = `/m/${session.name}`;
  const station = stationNames.find((one) => one.toLowerCase() === search.get('station')) ?? 'Flow';
  const props = { fluid, edits };
  const stationOf = ({ at = '' }: Finding): Station => {
    const part = at.split('/')[3] ?? '';
    return (
      stationNames.find((one) => (stations[one] as readonly string[]).includes(part)) ?? 'World'
    );
  };
  return (
    <div className={frame['frame']}>
      <FluidList current={name} />
      <DeskHead
        title={titleOf(mod, name, fluid.names)}
        kind="fluid"
        id={idOf(mod.header.namespace, name)}
        facts={factsOf(fluid, mod.header.tickRate)}
        label="Stations"
        current={station}
        stops={stationNames.map((title) => ({
          title,
          to: { pathname: `${home}/fluids/${name}`, search: `station=${title.toLowerCase()}` },
          state: worstOf(findings.filter((one) => stationOf(one) === title)),
        }))}
      />
      <FluidSection name={titleOf(mod, name, fluid.names)} fluid={fluid} />
      <aside className={frame['sheet']} aria-label={station}>
        {station === 'Flow' && <FlowStation {...props} />}
        {station === 'Does' && <DoesStation {...props} />}
        {station === 'Looks' && <LooksStation {...props} />}
        {station === 'World' && (
          <WorldStation
            {...props}
            onRenamed={(to) =>
              void navigate(`${home}/${fluidPath(to, 'world')}`, { replace: true })
            }
            onRemoved={() => void navigate(`${home}/fluids`)}
          />
        )}
      </aside>
      <FindingsLine
        what="fluid"
        findings={findings}
        to={(finding) =>
          entryOf(finding.at ?? '').kind === 'fluids'
            ? `${home}/${fluidPath(name, stationOf(finding))}`
            : `${home}/data/items/${entryOf(finding.at ?? '').name}`
        }
      >
        <Cap of="playFluid" /> run &nbsp; <Cap of="stepFluid" /> step
      </FindingsLine>
    </div>
  );
}

const factsOf = ({ reach, pace, rises }: Fluid, tickRate: number): string =>
  `${rises ? 'rises, ' : ''}${reach} levels, a cell in ${(pace / tickRate).toFixed(2).replace(/\.?0+$/, '')} s`;

const worstOf = (findings: readonly Finding[]): 'error' | 'warning' | 'done' =>
  findings.some(({ severity }) => severity === 'error')
    ? 'error'
    : findings.some(({ severity }) => severity === 'warning')
      ? 'warning'
      : 'done';

/** All fluids of the mod, and the way to another one. */
function FluidList({ current }: { current: string }) {
  const session = useSession();
  const mod = useMod();
  return (
    <aside className={frame['aside']} aria-label="Fluids">
      <div className={list['acts']}>
        <Button variant="default" onClick={openNewFluid}>
          New fluid
        </Button>
      </div>
      <nav className={list['list']} aria-label="Fluids of the mod">
        {Object.entries(mod.fluids).map(([name, fluid]) => (
          <Link
            key={name}
            to={`/m/${session.name}/${fluidPath(name)}`}
            aria-current={name === current ? 'page' : undefined}
            className={clsx(list['entry'], styles['fluid'])}
          >
            <i style={{ background: fluidColour(mod, fluid) }} aria-hidden />
            <b>{titleOf(mod, name, fluid.names)}</b>
            <span>
              {fluid.reach} · {fluid.pace}
            </span>
          </Link>
        ))}
      </nav>
      <p className={styles['legend']}>levels · ticks a cell</p>
    </aside>
  );
}

/** What was found in a fluid, and in its buckets. */
function useFluidFindings(name: string): readonly Finding[] {
  const findings = useFindings();
  const { items, header } = useMod();
  return useMemo(() => {
    const id = idOf(header.namespace, name);
    return (findings ?? []).filter(({ at = '' }) => {
      const entry = entryOf(at);
      if (entry.kind === 'fluids') return entry.name === name;
      return entry.kind === 'items' && lookUp(items, entry.name)?.bucket?.of === id;
    });
  }, [findings, items, header, name]);
}
