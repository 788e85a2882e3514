import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { pointer } from '../../../core/json/index.ts';
import { drops, lootSource } from '../../../core/loot/index.ts';
import { lookUp, idOf, namingsOf, type Mod } from '../../../core/mod/index.ts';
import { StateSpace } from '../../../core/states/index.ts';
import { count } from '../../../core/words/index.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { DrawsEditor } from '../../parts/loot/draws-editor.tsx';
import { Field } from '../../parts/field.tsx';
import { ItemIcon, itemTitle, useItemOptions } from '../../parts/item.tsx';
import { RenameField } from '../../parts/rename-field.tsx';
import { TextField } from '../../parts/text-field.tsx';
import { Found } from './found.tsx';
import { ListPage } from './list-page.tsx';
import { NewEntry } from './new-entry.tsx';

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

function OneTable({
  mod,
  name,
  table,
}: {
  mod: Mod;
  name: string;
  table: Mod['lootTables'][string];
}) {
  const session = useSession();
  const navigate = useNavigate();
  const findings = useFindings() ?? [];
  const options = useItemOptions();
  const id = idOf(mod.header.namespace, name);
  const path = pointer(['lootTables', name]);
  const uses = namingsOf(mod, 'lootTables', name);
  const users = [...new Set(uses.map(({ path: at }) => at.split('/').slice(1, 3).join('/')))];
  const breaking = useMemo(() => ({ tool: 'bare hands' as const, careful: false, state: 0 }), []);
  const found = drops(table.draws, breaking, lootSource(mod, { space: noStates }), [id]);
  return (
    <div className="data-open">
      <h2>
        {name[0]!.toUpperCase() + name.slice(1).replaceAll('_', ' ')}{' '}
        <span className="mono">{id}</span>
      </h2>
      <Found findings={findings.filter(({ at }) => at === path || at?.startsWith(`${path}/`))} />
      <div className="columns">
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
            breaking={breaking}
            usual={options[0]?.value}
            table={id}
            onDraws={(label, draws) => session.set(label, ['lootTables', name, 'draws'], draws)}
          />
        </div>
        <div>
          <Field label="One draw from it brings" note="With bare hands, on average, exact.">
            <div className="icon-row">
              {found.map(({ give, mean, chance }) => (
                <span key={give} className="one">
                  <ItemIcon id={give} size={22} />
                  <b>{Number(mean.toFixed(3))}</b> {itemTitle(mod, give)}{' '}
                  <span className="soft">{Number((chance * 100).toFixed(1))}%</span>
                </span>
              ))}
              {!found.length && <span className="note">nothing</span>}
            </div>
          </Field>
          <Field
            label="Drawn from by"
            note={
              uses.length ? undefined : 'Nobody draws from it yet. A lot that “draws from” it does.'
            }
          >
            <div className="icon-row">
              {users.map((user) => {
                const [kind, who] = user.split('/') as [string, string];
                return kind === 'blocks' ? (
                  <Link key={user} to={`/m/${session.name}/blocks/${who}/loot`}>
                    <ItemIcon id={idOf(mod.header.namespace, who)} size={20} />
                    {who}
                  </Link>
                ) : (
                  <Link key={user} to={`/m/${session.name}/data/loot/${who}`}>
                    {who}
                  </Link>
                );
              })}
            </div>
          </Field>
          <RenameField
            kind="lootTables"
            name={name}
            id={id}
            note="Lots name it by this."
            onRenamed={(to) =>
              void navigate(`/m/${session.name}/data/loot/${to}`, { replace: true })
            }
          />
          <Button
            variant="subtle"
            color="brick"
            disabled={uses.length > 0}
            title={
              uses.length ? `${count(uses.length, 'lot')} would draw from nothing.` : undefined
            }
            onClick={() => {
              session.edit(`Remove the loot table ${name}`, [{ path, before: table }]);
              void navigate(`/m/${session.name}/data/loot`);
            }}
          >
            Remove this table
          </Button>
        </div>
      </div>
    </div>
  );
}
