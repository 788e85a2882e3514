import { Button, Modal, TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { gatherFamily, proposeFamily, type Grid } from '../../../core/families/index.ts';
import { nameFrom, titleOf, type Mod } from '../../../core/mod/index.ts';
import { nameProblem } from '../../../core/mod/names.ts';
import { count } from '../../../core/words/index.ts';
import { useDeclared, useSession } from '../../api/hooks.tsx';
import { complain } from '../../parts/complain.ts';
import { ItemIcon } from '../../parts/item.tsx';
import { createOpened } from '../../parts/opened.ts';
import styles from './families.module.css';

const dialog = createOpened();

/** Opens the dialog in which blocks and items are gathered into a family. */
export const openGather = dialog.open;

export function GatherDialog() {
  return (
    <Modal
      opened={dialog.useOpened()}
      onClose={dialog.close}
      title="Gather blocks and items into a family"
      size={940}
    >
      <Gather />
    </Modal>
  );
}

interface Own {
  name: string;
  title: string;
}

/** What stands in the mod as an entry of its own, by what players call it. */
const ownThings = (mod: Mod): Own[] =>
  [...Object.entries(mod.blocks), ...Object.entries(mod.items)]
    .map(([name, { names }]) => ({ name, title: titleOf(mod, name, names) }))
    .sort((a, b) => a.title.localeCompare(b.title, 'en'));

function Gather() {
  const declared = useDeclared();
  const session = useSession();
  const navigate = useNavigate();
  const [filter, setFilter] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [typed, setTyped] = useState('');
  const things = useMemo(() => ownThings(declared), [declared]);
  const grid = useMemo(() => proposeFamily(declared, [...chosen]), [declared, chosen]);
  const wanted = filter.trim().toLowerCase();
  const shown = things.filter(({ name, title }) =>
    `${name} ${title}`.toLowerCase().includes(wanted),
  );
  const name = nameFrom(typed);
  const taken = name in declared.families ? `There is already a family called ${name}.` : undefined;
  const problem = name ? (nameProblem(name) ?? taken) : undefined;
  const gather = () => {
    if (!grid || !name || problem) return;
    try {
      session.editDeclared(
        `Gather ${count(chosen.size, 'thing')} into ${name}`,
        gatherFamily(session.view.declared, name, grid),
      );
      dialog.close();
      void navigate(`/m/${session.name}/families/${name}`);
    } catch (error) {
      complain(error);
    }
  };
  const put = (names: readonly string[], isIn: boolean) =>
    setChosen((before) => {
      const next = new Set(before);
      for (const one of names)
        if (isIn) next.add(one);
        else next.delete(one);
      return next;
    });
  return (
    <>
      <p className="note">
        Choose what belongs together. What they share becomes the family; what differs stays a
        difference. Names, numbers and files stay as they are.
      </p>
      <TextInput
        aria-label="Filter what is there"
        placeholder="Filter by name"
        data-autofocus
        value={filter}
        onChange={(event) => setFilter(event.currentTarget.value)}
        rightSectionWidth={96}
        rightSection={
          <button
            type="button"
            className="link plain"
            onClick={() =>
              put(
                shown.map((one) => one.name),
                true,
              )
            }
          >
            Choose these
          </button>
        }
      />
      <div className={styles['things']} role="group" aria-label="Blocks and items">
        {shown.map((one) => (
          <label key={one.name} title={one.name}>
            <input
              type="checkbox"
              checked={chosen.has(one.name)}
              onChange={(event) => put([one.name], event.currentTarget.checked)}
            />
            <ItemIcon id={`${declared.header.namespace}:${one.name}`} size={26} />
            {one.title}
          </label>
        ))}
      </div>
      <Proposed grid={grid} many={chosen.size} />
      <TextInput
        w={260}
        label="What the family is called"
        placeholder="metals"
        value={typed}
        error={problem}
        onChange={(event) => setTyped(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Enter' && gather()}
      />
      <Button
        mt="sm"
        disabled={!grid || !name || problem !== undefined}
        title={grid ? (name ? problem : 'It needs a name') : 'Nothing is gathered yet'}
        onClick={gather}
      >
        Gather {chosen.size > 0 ? count(chosen.size, 'thing') : 'them'}
      </Button>
    </>
  );
}

/** How what was chosen would stand: materials across, forms down. */
function Proposed({ grid, many }: { grid: Grid | undefined; many: number }) {
  if (!grid)
    return (
      <p className="note">
        {many < 2
          ? 'Two or more are needed.'
          : 'Their names have nothing in common: in a family two of them are called alike but for one word.'}
      </p>
    );
  return (
    <table className={styles['proposed']} aria-label="The family as it would be">
      <thead>
        <tr>
          <th />
          {grid.materials.map((material) => (
            <th key={material}>{material.replaceAll('_', ' ')}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {grid.forms.map(({ name }) => (
          <tr key={name}>
            <th>{name.replaceAll('_', ' ')}</th>
            {grid.materials.map((material) => (
              <td key={material} className="mono">
                {grid.cells[material]?.[name] ?? '–'}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
