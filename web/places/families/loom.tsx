import clsx from 'clsx';
import { memo, useRef, type KeyboardEvent } from 'react';
import type { Finding } from '../../../core/inspect/index.ts';
import {
  cellAt,
  formTitle,
  madeAt,
  shippedForm,
  titlesOfCell,
  type CellPlace,
  type MadeCell,
} from '../../../core/families/index.ts';
import { formNamed } from '../../../core/forms/index.ts';
import {
  lookUp,
  resolveBlock,
  type Cell as FamilyCell,
  type Family,
  type FamilyForm,
  type Material,
  type Mod,
} from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { useDeclared, useFindingsByBlock, useModPart } from '../../api/hooks.tsx';
import { Rendering } from '../../parts/rendering.tsx';
import { ItemIcon } from '../../parts/item.tsx';
import { actOnKey } from '../../parts/keys/act-on-key.ts';
import { cellAfter, type GridCell } from '../../parts/grid/moves.ts';
import { useStable } from '../../parts/use-stable.ts';
import { useGrowing } from '../../parts/use-growing.ts';
import { defaultStateOf } from '../blocks/default-state.ts';
import type { Chosen } from './chosen.ts';
import styles from './loom.module.css';

interface LoomProps {
  familyName: string;
  family: Family;
  chosen: Chosen;
  choose: (part: { material?: string; form?: string }) => void;
  onOpen: (place: CellPlace) => void;
  onToggle: (place: CellPlace) => void;
}

/** The material and the form that a part of the loom stands for; empty where it is for all. */
function partsAt(target: EventTarget): { material: string; form: string } | undefined {
  const at = target instanceof HTMLElement ? target.dataset['at'] : undefined;
  const [material = '', form = ''] = at?.split('/') ?? [];
  return at === undefined ? undefined : { material, form };
}

/** So many rows are laid out at once, and as many more with every frame. */
const rowsAFrame = 4;

/**
 * A family as a loom: its materials are the warp, its forms the weft, and each crossing is the thing
 * itself. A coloured thread on its edge says that it differs.
 */
export function Loom({ familyName, family, chosen, onToggle, ...acts }: LoomProps) {
  const [choose, onOpen] = [useStable(acts.choose), useStable(acts.onOpen)];
  const findings = useFindingsByBlock();
  const grid = useRef<HTMLDivElement>(null);
  const { materials, forms } = family;
  const rows = useGrowing(rowsAFrame, rowsAFrame, forms.length);
  const placeAt = (at: GridCell) => ({
    ...(materials[at.column - 1] && { material: materials[at.column - 1]!.name }),
    ...(forms[at.row - 1] && { form: forms[at.row - 1]!.name }),
  });
  const goTo = (part: { material?: string; form?: string }) => {
    choose(part);
    const cell = `[data-at="${part.material ?? ''}/${part.form ?? ''}"]`;
    grid.current?.querySelector<HTMLElement>(cell)?.focus();
  };
  const press = (event: KeyboardEvent) => {
    // Where the focus is, and not what is open: keys may come faster than the address changes.
    const at = partsAt(event.target);
    if (!at) return;
    const { material, form } = at;
    if (material && form)
      actOnKey(event, {
        openCell: () => onOpen({ family: familyName, material, form }),
        leaveOut: () => onToggle({ family: familyName, material, form }),
      });
    const from = {
      row: forms.findIndex((one) => one.name === form) + 1,
      column: materials.findIndex((one) => one.name === material) + 1,
    };
    const size = { rows: forms.length + 1, columns: materials.length + 1 };
    const next = cellAfter(event, from, size, 5);
    if (!next) return;
    event.preventDefault();
    goTo(placeAt(next));
  };
  return (
    <div className={styles['scroll']}>
      <div
        ref={grid}
        role="grid"
        aria-label={`The family ${familyName}`}
        aria-rowcount={forms.length + 1}
        aria-colcount={materials.length + 1}
        className={styles['loom']}
        style={{ gridTemplateColumns: `112px repeat(${materials.length}, minmax(88px, 128px))` }}
        onKeyDown={press}
      >
        <div role="row" className={styles['row']}>
          <div
            role="columnheader"
            data-at="/"
            tabIndex={chosen.station === 'Family' ? 0 : -1}
            className={clsx(styles['corner'], chosen.station === 'Family' && styles['on'])}
            onClick={() => choose({})}
          >
            {count(materials.length, 'material')}
            <br />× {count(forms.length, 'form')}
          </div>
          {materials.map((material) => (
            <Warp
              key={material.name}
              material={material}
              isOn={chosen.material === material}
              isTabStop={chosen.station === 'Material' && chosen.material === material}
              onChoose={() => choose({ material: material.name })}
            />
          ))}
        </div>
        {forms.slice(0, rows).map((form) => (
          <Weft
            key={form.name}
            {...{ familyName, family, form, chosen, findings, choose, onOpen }}
          />
        ))}
      </div>
    </div>
  );
}

/** The middle of the tones of a material, which its thread has. */
const threadOf = ({ tones, traits }: Material): string | undefined =>
  tones?.[Math.floor(tones.length / 2)] ?? traits?.mapColour;

/** The head of a material: its name over its tones. */
function Warp({
  material,
  isOn,
  isTabStop,
  onChoose,
}: {
  material: Material;
  isOn: boolean;
  isTabStop: boolean;
  onChoose: () => void;
}) {
  const { name, tones = [], traits } = material;
  const shown = tones.length ? tones : traits?.mapColour ? [traits.mapColour] : [];
  return (
    <div
      role="columnheader"
      data-at={`${name}/`}
      tabIndex={isTabStop ? 0 : -1}
      className={clsx(styles['warp'], isOn && styles['on'])}
      onClick={onChoose}
    >
      <b title={name}>{name.replaceAll('_', ' ')}</b>
      <span className={styles['tones']}>
        {shown.map((tone, i) => (
          <i key={i} style={{ background: tone }} />
        ))}
      </span>
    </div>
  );
}

interface WeftProps {
  familyName: string;
  family: Family;
  form: FamilyForm;
  chosen: Chosen;
  findings: ReadonlyMap<string, Finding[]>;
  choose: LoomProps['choose'];
  onOpen: LoomProps['onOpen'];
}

/** A form across all materials. */
function Weft({ familyName, family, form, chosen, findings, choose, onOpen }: WeftProps) {
  const declared = useDeclared();
  const isOn = chosen.form === form;
  return (
    <div role="row" className={styles['row']}>
      <div
        role="rowheader"
        data-at={`/${form.name}`}
        tabIndex={chosen.station === 'Form' && isOn ? 0 : -1}
        className={clsx(styles['weft'], isOn && styles['on'])}
        onClick={() => choose({ form: form.name })}
      >
        <b title={form.name}>{form.name.replaceAll('_', ' ')}</b>
        <span>{form.own ? 'your own' : formTitle(form)}</span>
      </div>
      {family.materials.map((material) => {
        const made = madeAt(declared, {
          family: familyName,
          material: material.name,
          form: form.name,
        });
        return (
          <Cell
            key={material.name}
            {...{ familyName, material, form, made, onOpen }}
            differs={cellAt(family, material.name, form.name)}
            title={titleOfCell(declared, material, form)}
            findings={findings.get(made?.name ?? '') ?? none}
            isChosen={isOn && chosen.material === material}
            onChoose={choose}
          />
        );
      })}
    </div>
  );
}

interface CellProps {
  familyName: string;
  material: Material;
  form: FamilyForm;
  /** What it makes; undefined where it is left out. */
  made: MadeCell | undefined;
  differs: FamilyCell | undefined;
  title: string;
  findings: readonly Finding[];
  isChosen: boolean;
  onChoose: LoomProps['choose'];
  onOpen: LoomProps['onOpen'];
}

/** One crossing: the thing, or two threads that only cross. An edit elsewhere leaves it as it is. */
const Cell = memo(function Cell(props: CellProps) {
  const { familyName, material, form, made, differs, title, findings, isChosen } = props;
  const { onChoose, onOpen } = props;
  const differences = Object.keys(differs?.changed ?? {}).length;
  const thread = threadOf(material);
  const label = made
    ? `${title}${differences ? `, ${count(differences, 'difference')}` : ''}`
    : `${title}, left out`;
  return (
    <button
      type="button"
      role="gridcell"
      data-at={`${material.name}/${form.name}`}
      aria-label={label}
      aria-selected={isChosen}
      title={made ? label : `${title} is left out`}
      tabIndex={isChosen ? 0 : -1}
      className={clsx(styles['cell'], isChosen && styles['chosen'], !made && styles['out'])}
      style={thread === undefined ? undefined : { ['--thread' as string]: thread }}
      onClick={() => onChoose({ material: material.name, form: form.name })}
      onDoubleClick={() => onOpen({ family: familyName, material: material.name, form: form.name })}
    >
      {made && <Thing name={made.name} kind={made.entries[0]?.kind} form={form} />}
      {(differences > 0 || differs?.called !== undefined) && <i className={styles['differs']} />}
      {made && <Grave findings={findings} problem={made.problem} />}
    </button>
  );
});

/** What players call a cell, in the first language in which it has a name. */
export function titleOfCell({ header }: Mod, material: Material, form: FamilyForm): string {
  const titles = titlesOfCell(material, form, header.languages);
  return (
    header.languages.map((language) => lookUp(titles, language)).find((one) => one) ??
    `${material.name} ${form.name}`.replaceAll('_', ' ')
  );
}

interface ThingProps {
  name: string;
  kind: string | undefined;
  form: FamilyForm;
  size?: number;
}

/** A block or an item of the mod, drawn: a block in the state that shows its form best. */
export function Thing({ name, kind, form, size = 72 }: ThingProps) {
  const namespace = useModPart(({ header }) => header.namespace);
  if (kind === 'items')
    return <ItemIcon id={`${namespace}:${name}`} size={Math.round(size * 0.72)} />;
  if (kind === 'blocks') return <Drawn name={name} form={form} size={size} />;
  return <span className={styles['open']} />;
}

function Drawn({ name, form, size }: { name: string; form: FamilyForm; size: number }) {
  const state = useModPart((mod) => stateShown(mod, name, form));
  return <Rendering block={name} state={state} size={size} fills />;
}

function stateShown(mod: Mod, name: string, form: FamilyForm): number {
  const block = lookUp(mod.blocks, name);
  const shown = formNamed(shippedForm(form.kind)?.drawn ?? '')?.shown;
  if (!block || !shown) return defaultStateOf(mod, name);
  const { space } = resolveBlock(mod, name, block);
  const isThere = Object.keys(shown).every((property) =>
    space.properties.some((one) => one.name === property),
  );
  return isThere ? space.encode(shown) : defaultStateOf(mod, name);
}

/** That something grave was found in what a cell makes. */
function Grave({
  findings,
  problem,
}: {
  findings: readonly Finding[];
  problem: string | undefined;
}) {
  const grave = problem !== undefined || findings.some(({ severity }) => severity === 'error');
  const many = findings.filter(({ severity }) => severity !== 'hint').length;
  if (!grave && !many) return null;
  return (
    <span className={clsx('tag', grave ? 'error' : 'warning', styles['grave'])} title={problem}>
      {Math.max(1, many)}
    </span>
  );
}
const none: Finding[] = [];
