import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { pointer, pointerSteps } from '../../../core/json/index.ts';
import { drops, lootSource, type Breaking } from '../../../core/loot/index.ts';
import { lookUp, idOf, namingsOf, type Mod } from '../../../core/mod/index.ts';
import { StateSpace } from '../../../core/states/index.ts';
import { count, spokenName } from '../../../core/words/index.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { DrawsEditor } from '../../parts/loot/draws-editor.tsx';
import { Field } from '../../parts/field.tsx';
import { ItemIcon, itemTitle, useItemOptions } from '../../parts/item.tsx';
import { RenameField } from '../../parts/rename-field.tsx';
import { TextField } from '../../parts/text-field.tsx';
import { Found } from './found.tsx';
import { ListPage } from './list-page.tsx';
import { NewEntry } from './new-entry.tsx';
import styles from './list-page.module.css';
import iconRowStyles from '../../parts/icon-row.module.css';

/** A table knows no states of its own; conditions on states hold for the blocks that have them. */
const noStates = new StateSpace([]);

/** Loot tables that several blocks draw from. */
export function LootTables() {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const { table: open } = useParams();
  const [filter, setFilter] = useState('');
  const home = `/m/${session.name}/data/loot`;
  const names = Object.keys(mod.lootTables)
    .filter((name) => name.includes(filter.trim().toLowerCase()))
    .sort();
  const table = open === undefined ? undefined : lookUp(mod.lootTables, open);
  const add = (name: string) => {
    session.edit(`Add the loot table ${name}`, [
      { path: pointer(['lootTables', name]), after: { draws: [{ times: 1, lots: [] }] } },
    ]);
    void navigate(`${home}/${name}`);
  };
  return (
    <ListPage
      what="loot table"
      whats="loot tables"
      home={home}
      sections={[
        {
          entries: names.map((name) => ({
            name,
            title: <span className="mono">{name}</span>,
            aside: namingsOf(mod, 'lootTables', name).length || 'unused',
          })),
        },
      ]}
      total={Object.keys(mod.lootTables).length}
      filter={filter}
      onFilter={setFilter}
      open={open}
      action={
        <NewEntry
          what="loot table"
          taken={(name) =>
            lookUp(mod.lootTables, name) ? 'There is already a loot table of that name.' : undefined
          }
          onName={add}
        />
      }
      about={
        'A block says in its own Loot what drops. What several blocks drop alike, such as what ' +
        'else turns up in any seam, stands here once, and a lot of theirs draws from it.'
      }
    >
      {table && open !== undefined && <OneTable key={open} mod={mod} name={open} table={table} />}
    </ListPage>
  );
}

interface TableProps {
  mod: Mod;
  name: string;
  table: Mod['lootTables'][string];
}

/** With bare hands, as what one draw brings is told. */
const usualBreaking: Breaking = { tool: 'bare hands', careful: false, state: 0 };

/** One table: its draws, what one of them brings, and who draws from it. */
function OneTable(props: TableProps) {
  const { mod, name, table } = props;
  const session = useSession();
  const navigate = useNavigate();
  const findings = useFindings() ?? [];
  const options = useItemOptions();
  const id = idOf(mod.header.namespace, name);
  const path = pointer(['lootTables', name]);
  return (
    <div className={styles['data-open']}>
      <h2>
        {spokenName(name)} <span className="mono">{id}</span>
      </h2>
      <Found findings={findings.filter(({ at }) => at === path || at?.startsWith(`${path}/`))} />
      <div className={styles['columns']}>
        <div>
          <Field label="Note">
            <TextField
              long
              text={table.note ?? ''}
              placeholder="What it is for."
              onText={(text) =>
                session.set('Change the note', ['lootTables', name, 'note'], text || undefined)
              }
            />
          </Field>
          <DrawsEditor
            draws={table.draws}
            space={noStates}
            breaking={usualBreaking}
            usual={options[0]?.value}
            table={id}
            onDraws={(label, draws) => session.set(label, ['lootTables', name, 'draws'], draws)}
          />
        </div>
        <div>
          <OneDraw {...props} id={id} />
          <Users {...props} />
          <RenameField
            kind="lootTables"
            name={name}
            id={id}
            note="Lots name it by this."
            onRenamed={(to) =>
              void navigate(`/m/${session.name}/data/loot/${to}`, { replace: true })
            }
          />
          <RemoveTable {...props} />
        </div>
      </div>
    </div>
  );
}

function OneDraw({ mod, table, id }: TableProps & { id: string }) {
  const source = lootSource(mod, { space: noStates });
  const brought = drops(table.draws, usualBreaking, source, [id]);
  return (
    <Field label="One draw from it brings" note="With bare hands, on average, exact.">
      <div className={iconRowStyles['icon-row']}>
        {brought.map(({ give, mean, chance }) => (
          <span key={give} className={iconRowStyles['one']}>
            <ItemIcon id={give} size={22} />
            <b>{Number(mean.toFixed(3))}</b> {itemTitle(mod, give)}{' '}
            <span className="soft">{Number((chance * 100).toFixed(1))}%</span>
          </span>
        ))}
        {!brought.length && <span className="note">nothing</span>}
      </div>
    </Field>
  );
}

/** The blocks and tables whose lots draw from it. */
function Users({ mod, name }: TableProps) {
  const session = useSession();
  const users = new Map(
    namingsOf(mod, 'lootTables', name).map(({ path }) => {
      const [kind = '', user = ''] = pointerSteps(path);
      return [`${kind} ${user}`, { isBlock: kind === 'blocks', user }];
    }),
  );
  return (
    <Field
      label="Drawn from by"
      note={users.size ? undefined : 'Nobody draws from it yet. A lot that “draws from” it does.'}
    >
      <div className={iconRowStyles['icon-row']}>
        {[...users].map(([key, { isBlock, user }]) =>
          isBlock ? (
            <Link key={key} to={`/m/${session.name}/blocks/${user}/loot`}>
              <ItemIcon id={idOf(mod.header.namespace, user)} size={20} />
              {user}
            </Link>
          ) : (
            <Link key={key} to={`/m/${session.name}/data/loot/${user}`}>
              {user}
            </Link>
          ),
        )}
      </div>
    </Field>
  );
}

function RemoveTable({ mod, name }: TableProps) {
  const session = useSession();
  const navigate = useNavigate();
  const uses = namingsOf(mod, 'lootTables', name).length;
  const remove = () => {
    session.set(`Remove the loot table ${name}`, ['lootTables', name], undefined);
    void navigate(`/m/${session.name}/data/loot`);
  };
  return (
    <Button
      variant="subtle"
      color="brick"
      disabled={uses > 0}
      title={uses ? `${count(uses, 'lot')} would draw from nothing.` : undefined}
      onClick={remove}
    >
      Remove this table
    </Button>
  );
}
