import { Button } from '@mantine/core';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import { useMemo } from 'react';
import {
  cellAt,
  expansionOf,
  isIn,
  madeAt,
  ownerOf,
  withCell,
  type CellPlace,
} from '../../../core/families/index.ts';
import type { Finding } from '../../../core/inspect/index.ts';
import { entryOf, lookUp, type Family } from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { benchPath } from '../../api/address.ts';
import { useDeclared, useFindings, useSession } from '../../api/hooks.tsx';
import { DeskHead } from '../../parts/desk-head.tsx';
import frame from '../../parts/desk-frame.module.css';
import emptyStyles from '../../parts/empty.module.css';
import { FindingsLine } from '../../parts/findings-line.tsx';
import { Gone } from '../../parts/gone.tsx';
import { Cap } from '../../parts/keys/cap.tsx';
import { searchOf, stations, useChosen, type Chosen, type Station } from './chosen.ts';
import { GatherDialog, openGather } from './gather-dialog.tsx';
import { Loom } from './loom.tsx';
import { NewFamilyDialog, openNewFamily } from './new-family.tsx';
import { CellStation } from './stations/cell.tsx';
import { FamilyStation } from './stations/family.tsx';
import { FormStation } from './stations/form.tsx';
import { MaterialStation } from './stations/material.tsx';
import { useFamilyEdits } from './use-family.ts';
import styles from './families.module.css';

/** Families: one declaration spread over materials and forms. */
export function Families() {
  const { family: name } = useParams();
  const declared = useDeclared();
  const session = useSession();
  const [first] = Object.keys(declared.families);
  const home = `/m/${session.name}/families`;
  if (name === undefined && first !== undefined)
    return <Navigate to={`${home}/${first}`} replace />;
  const family = lookUp(declared.families, name ?? '');
  return (
    <>
      {name === undefined ? (
        <None />
      ) : family ? (
        <OneFamily key={name} name={name} family={family} />
      ) : (
        <Gone what="family" name={name} to={home} all="See all families" />
      )}
      <GatherDialog />
      <NewFamilyDialog />
    </>
  );
}

function None() {
  return (
    <div className="page">
      <h1>Families</h1>
      <div className={emptyStyles['empty']}>
        <h2>No family yet</h2>
        <p>
          Four metals in the rock, four lumps, four bars, four picks: a family declares them once.
          Its materials go across, its forms go down, and each crossing is a block or an item that
          follows. What one of them has otherwise stays its own.
        </p>
        <Button onClick={openGather} data-begin>
          Gather what is there
        </Button>{' '}
        <Button variant="default" onClick={openNewFamily}>
          Begin with a material
        </Button>
      </div>
    </div>
  );
}

function OneFamily({ name, family }: { name: string; family: Family }) {
  const session = useSession();
  const declared = useDeclared();
  const navigate = useNavigate();
  const edits = useFamilyEdits(name);
  const { chosen, choose } = useChosen(family);
  const findings = useFamilyFindings(name);
  const home = `/m/${session.name}`;
  const open = (place: CellPlace) => {
    const made = madeAt(declared, place);
    const isItem = made?.entries[0]?.kind === 'items';
    if (made) void navigate(`${home}/${isItem ? `data/items/${made.name}` : benchPath(made.name)}`);
  };
  const toggle = (place: CellPlace) => {
    const isThere = isIn(family, place.material, place.form);
    edits.edit(`${isThere ? 'Leave out' : 'Take in'} ${place.form} of ${place.material}`, (one) => {
      const { leftOut: _, ...rest } = cellAt(one, place.material, place.form) ?? {};
      return withCell(one, place, isThere ? { ...rest, leftOut: true } : rest);
    });
  };
  return (
    <div className={frame['frame']}>
      <FamilyList current={name} />
      <Head name={name} family={family} chosen={chosen} findings={findings} />
      <Loom familyName={name} {...{ family, chosen, choose }} onOpen={open} onToggle={toggle} />
      <aside className={frame['sheet']} aria-label={chosen.station}>
        <Sheet {...{ name, family, chosen, choose, edits, open, toggle }} />
      </aside>
      <FindingsLine
        what="family"
        findings={findings}
        to={({ block, at = '' }) =>
          block === undefined ? `${home}/inspection` : `${home}/${benchPath(block)}?at=${at}`
        }
      >
        <Cap of="openCell" /> open &nbsp; <Cap of="leaveOut" /> leave out
      </FindingsLine>
    </div>
  );
}

interface SheetProps {
  name: string;
  family: Family;
  chosen: Chosen;
  choose: (part: { material?: string; form?: string }) => void;
  edits: ReturnType<typeof useFamilyEdits>;
  open: (place: CellPlace) => void;
  toggle: (place: CellPlace) => void;
}

function Sheet({ name, family, chosen, choose, edits, open, toggle }: SheetProps) {
  const session = useSession();
  const navigate = useNavigate();
  const { material, form } = chosen;
  if (material && form) {
    const place = { family: name, material: material.name, form: form.name };
    return (
      <CellStation
        key={`${material.name} ${form.name}`}
        {...{ family, material, form, edits }}
        onOpen={() => open(place)}
        onToggle={() => toggle(place)}
      />
    );
  }
  if (material)
    return <MaterialStation key={material.name} {...{ family, material, edits, choose }} />;
  if (form) return <FormStation key={form.name} {...{ family, form, edits, choose }} />;
  return (
    <FamilyStation
      {...{ family, edits, choose }}
      onRemoved={() => void navigate(`/m/${session.name}/families`)}
    />
  );
}

function Head({
  name,
  family,
  chosen,
  findings,
}: {
  name: string;
  family: Family;
  chosen: Chosen;
  findings: readonly Finding[];
}) {
  const session = useSession();
  const declared = useDeclared();
  const { materials, forms } = family;
  const made = useMemo(
    () =>
      [...expansionOf(declared).cells.values()].filter(
        ({ place, entries }) => place.family === name && entries.length > 0,
      ).length,
    [declared, name],
  );
  const out = materials.length * forms.length - made;
  const part = { material: chosen.material ?? materials[0], form: chosen.form ?? forms[0] };
  const searches: Record<Station, string> = {
    Family: '',
    Material: searchOf(part.material ? { material: part.material.name } : {}),
    Form: searchOf(part.form ? { form: part.form.name } : {}),
    Cell: searchOf({
      ...(part.material && { material: part.material.name }),
      ...(part.form && { form: part.form.name }),
    }),
  };
  const worst = findings.some(({ severity }) => severity === 'error')
    ? 'error'
    : findings.some(({ severity }) => severity === 'warning')
      ? 'warning'
      : 'done';
  return (
    <DeskHead
      title={`${name.charAt(0).toUpperCase()}${name.slice(1).replaceAll('_', ' ')}`}
      kind="family"
      id={name}
      facts={`${count(made, 'thing')} of ${count(materials.length, 'material')} × ${count(forms.length, 'form')}${out ? `, ${out} left out` : ''}`}
      label="Stations"
      current={chosen.station}
      stops={stations.map((title) => ({
        title,
        to: { pathname: `/m/${session.name}/families/${name}`, search: searches[title] },
        state: title === 'Cell' ? worst : 'done',
      }))}
    />
  );
}

/** All families of the mod, and the ways to another one. */
function FamilyList({ current }: { current: string }) {
  const session = useSession();
  const { families } = useDeclared();
  return (
    <aside className={frame['aside']} aria-label="Families">
      <div className={styles['acts']}>
        <Button variant="default" onClick={openGather}>
          Gather what is there
        </Button>
        <Button variant="default" onClick={openNewFamily}>
          New family
        </Button>
      </div>
      <nav className={styles['list']} aria-label="Families of the mod">
        {Object.entries(families).map(([name, { materials, forms }]) => (
          <Link
            key={name}
            to={`/m/${session.name}/families/${name}`}
            aria-current={name === current ? 'page' : undefined}
            className={styles['family']}
          >
            <b>{name.replaceAll('_', ' ')}</b>
            <span>
              {materials.length} × {forms.length}
            </span>
          </Link>
        ))}
      </nav>
    </aside>
  );
}

/** What was found in what a family makes, and in the family itself. */
function useFamilyFindings(name: string): readonly Finding[] {
  const findings = useFindings();
  const declared = useDeclared();
  return useMemo(
    () =>
      (findings ?? []).filter(({ at = '' }) => {
        const entry = entryOf(at);
        if (entry.kind === 'families') return entry.name === name;
        return ownerOf(declared, entry.kind, entry.name)?.place.family === name;
      }),
    [findings, declared, name],
  );
}
