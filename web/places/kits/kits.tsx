import { Button } from '@mantine/core';
import clsx from 'clsx';
import { useEffect } from 'react';
import { Link, Navigate, useParams, useSearchParams } from 'react-router';
import { lookUp, type OwnKit } from '../../../core/mod/index.ts';
import { kitsOf } from '../../../core/mod/kits-of.ts';
import { count } from '../../../core/words/index.ts';
import { kitPath } from '../../api/address.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { DeskHead } from '../../parts/desk-head.tsx';
import { FindingsLine } from '../../parts/findings-line.tsx';
import { Gone } from '../../parts/gone.tsx';
import frame from '../../parts/desk-frame.module.css';
import emptyStyles from '../../parts/empty.module.css';
import list from '../../parts/side-list.module.css';
import { NewKitDialog, openNewKit } from './new-kit.tsx';
import { ExpectedStation } from './stations/expected.tsx';
import { HoldsStation } from './stations/holds.tsx';
import { ItselfStation } from './stations/itself.tsx';
import { NamesStation } from './stations/names.tsx';
import { RuleList } from './rule-list.tsx';
import { useKitEdits, type KitEdits } from './use-kit.ts';
import { WritesStation } from './writes/writes.tsx';
import styles from './kits.module.css';

/** The stations of a kit, in the order of the work. */
const stationNames = ['Writes', 'Holds', 'Names', 'Expected', 'Itself'] as const;
type Station = (typeof stationNames)[number];

/** The workshop of kits: what each writes, letter by letter, beside the template that writes it. */
export function Kits() {
  const { kit: name } = useParams();
  const { kits } = useMod();
  const session = useSession();
  const [first] = Object.keys(kits);
  const home = `/m/${session.name}`;
  if (name === undefined && first !== undefined)
    return <Navigate to={`${home}/${kitPath(first)}`} replace />;
  const own = lookUp(kits, name ?? '');
  return (
    <>
      {name === undefined ? (
        <None />
      ) : own ? (
        <OneKit key={name} name={name} own={own} />
      ) : (
        <Gone what="kit" name={name} to={`${home}/kits`} all="See all kits" />
      )}
      <NewKitDialog />
    </>
  );
}

function None() {
  return (
    <div className="page">
      <h1>Kits</h1>
      <div className={emptyStyles['empty']}>
        <h2>No kit of your own yet</h2>
        <p>
          A kit says how this mod is written for one engine: what that engine holds, which files are
          written for what, and a template for each. You write it here, and see beside each template
          what comes of it, letter by letter.
        </p>
        <Button onClick={openNewKit} data-begin>
          New kit
        </Button>
      </div>
    </div>
  );
}

function OneKit({ name, own }: { name: string; own: OwnKit }) {
  const session = useSession();
  const mod = useMod();
  const edits = useKitEdits(name, own);
  const [search] = useSearchParams();
  const findings = useKitFindings(name);
  const home = `/m/${session.name}`;
  const station =
    stationNames.find((one) => one.toLowerCase() === search.get('station')) ?? 'Writes';
  const isBuilt = kitsOf(mod.header).includes(name);
  useEffect(() => {
    document.title = `${own.title} · ${mod.header.title}`;
  }, [own.title, mod.header.title]);
  return (
    <div className={clsx(frame['frame'], styles['workshop'])}>
      <KitList current={name} edits={edits} />
      <DeskHead
        title={own.title}
        kind="kit"
        id={name}
        facts={`${count(own.files.length, 'rule')}${isBuilt ? '' : ', not built for'}`}
        label="Stations"
        current={station}
        stops={stationNames.map((title) => ({
          title,
          to: { pathname: `${home}/kits/${name}`, search: `station=${title.toLowerCase()}` },
          state: 'done',
        }))}
      />
      {stationOf(station, edits)}
      <FindingsLine what="kit" findings={findings} to={() => `${home}/${kitPath(name)}`}>
        {station === 'Writes' && 'Esc, then Tab leaves the template'}
      </FindingsLine>
    </div>
  );
}

function stationOf(station: Station, edits: ReturnType<typeof useKitEdits>) {
  switch (station) {
    case 'Writes':
      return <WritesStation edits={edits} />;
    case 'Holds':
      return <HoldsStation edits={edits} />;
    case 'Names':
      return <NamesStation edits={edits} />;
    case 'Expected':
      return <ExpectedStation edits={edits} />;
    case 'Itself':
      return <ItselfStation edits={edits} />;
  }
}

/** What was found in a kit and in its texts. */
function useKitFindings(name: string) {
  const findings = useFindings() ?? [];
  return findings.filter(
    ({ at = '' }) =>
      at === `/kits/${name}` ||
      at.startsWith(`/kits/${name}/`) ||
      at.startsWith(`/kitFiles/${name}~1`),
  );
}

/** All kits of the mod, and the way to another one. */
function KitList({ current, edits }: { current: string; edits: KitEdits }) {
  const session = useSession();
  const mod = useMod();
  const built = kitsOf(mod.header);
  return (
    <aside className={frame['aside']} aria-label="Kits">
      <div className={list['acts']}>
        <Button variant="default" onClick={openNewKit}>
          New kit
        </Button>
      </div>
      <nav className={list['list']} aria-label="Kits of the mod">
        {Object.entries(mod.kits).map(([name, kit]) => (
          <div key={name}>
            <Link
              to={`/m/${session.name}/${kitPath(name)}`}
              aria-current={name === current ? 'page' : undefined}
              className={list['entry']}
            >
              <b>{kit.title}</b>
              <span>{built.includes(name) ? 'built for' : ''}</span>
            </Link>
            {name === current && <RuleList edits={edits} />}
          </div>
        ))}
      </nav>
      <p className={styles['legend']}>
        <Link to={`/m/${session.name}/build`}>Build</Link>
      </p>
    </aside>
  );
}
