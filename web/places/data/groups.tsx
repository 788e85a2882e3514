import { itemAt } from '../../../core/lists/index.ts';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { Button, Popover } from '@mantine/core';
import { lookUp, idOf, newGroup, removeGroup, titleOf } from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { ItemIcon, ItemSelect, useItemOptions } from '../../parts/item.tsx';
import { RenameField } from '../../parts/rename-field.tsx';
import { TextField } from '../../parts/text-field.tsx';
import { DataTabs } from './data-tabs.tsx';
import { NewEntry } from './new-entry.tsx';

const mostShown = 60;

/** The catalogue groups in their order: icon, name, and what players find in each. */
export function Groups() {
  const mod = useMod();
  const session = useSession();
  const options = useItemOptions();
  const { header } = mod;
  const { groups, languages } = header;
  const home = `/m/${session.name}`;
  const members = useMemo(() => {
    const found = new Map<string | undefined, { id: string; title: string; to: string }[]>();
    const known = new Set(groups.map((group) => group.name));
    const add = (group: string | undefined, one: { id: string; title: string; to: string }) => {
      const key = group !== undefined && known.has(group) ? group : undefined;
      found.set(key, [...(found.get(key) ?? []), one]);
    };
    for (const [name, block] of Object.entries(mod.blocks))
      if ((block.identity.item ?? 'none') !== 'none')
        add(block.identity.group, {
          id: idOf(header.namespace, name),
          title: titleOf(mod, name, block.names),
          to: `${home}/blocks/${name}/identity`,
        });
    for (const [name, item] of Object.entries(mod.items))
      add(item.group, {
        id: idOf(header.namespace, name),
        title: titleOf(mod, name, item.names),
        to: `${home}/data/items/${name}`,
      });
    return found;
  }, [mod, groups, header, home]);
  const move = (from: number, to: number) => {
    const next = [...groups];
    next.splice(to, 0, ...next.splice(from, 1));
    session.set('Reorder the catalogue', ['header', 'groups'], next);
  };
  return (
    <div className="data-page">
      <DataTabs>
        <span className="acts">
          <NewEntry
            what="group"
            taken={(name) =>
              groups.some((group) => group.name === name)
                ? 'There is already a group of that name.'
                : undefined
            }
            onName={(name) => {
              const spoken = name.replaceAll('_', ' ');
              session.edit(
                `Add the group ${name}`,
                newGroup(session.view.mod, name, spoken[0]!.toUpperCase() + spoken.slice(1)),
              );
            }}
          />
        </span>
      </DataTabs>
      <div className="data-open">
        {!groups.length && (
          <div className="data-empty">
            <h2>No catalogue group yet</h2>
            <p className="note">
              Groups are the shelves of the catalogue in which players look for things.
            </p>
          </div>
        )}
        {groups.map((group, at) => {
          const there = members.get(group.name) ?? [];
          return (
            <section
              key={group.name}
              className="group-card"
              aria-label={lookUp(group.names, itemAt(languages, 0)) ?? group.name}
            >
              <span className="order">
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Move ${group.name} up`}
                  disabled={at === 0}
                  onClick={() => move(at, at - 1)}
                >
                  ↑
                </button>
                <span className="mono">{at + 1}</span>
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Move ${group.name} down`}
                  disabled={at === groups.length - 1}
                  onClick={() => move(at, at + 1)}
                >
                  ↓
                </button>
              </span>
              <ItemIcon id={group.icon ?? ''} size={40} />
              <div className="about">
                <div className="icon-row">
                  {languages.map((language) => (
                    <TextField
                      key={language}
                      w={150}
                      aria-label={`Name of ${group.name} in ${language}`}
                      placeholder={`group.${group.name}`}
                      leftSection={
                        <span className="note" style={{ fontSize: 11 }}>
                          {language}
                        </span>
                      }
                      text={lookUp(group.names, language) ?? ''}
                      onText={(text) =>
                        session.set(
                          `Name the group in ${language}`,
                          ['header', 'groups', at, 'names', language],
                          text || undefined,
                        )
                      }
                    />
                  ))}
                  <ItemSelect
                    w={170}
                    aria-label={`Icon of ${group.name}`}
                    placeholder="Icon"
                    value={group.icon}
                    options={options}
                    onItem={(icon) =>
                      session.set(
                        'Change the icon of a group',
                        ['header', 'groups', at, 'icon'],
                        icon,
                      )
                    }
                  />
                </div>
                <RenameField
                  kind="groups"
                  name={group.name}
                  id={group.name}
                  note={`Players find ${count(there.length, 'thing')} here.`}
                  onRenamed={() => undefined}
                />
                <div className="icon-row">
                  {there.slice(0, mostShown).map(({ id, title, to }) => (
                    <Link key={id} to={to} title={id}>
                      <ItemIcon id={id} size={22} />
                      {title}
                    </Link>
                  ))}
                  {there.length > mostShown && (
                    <span className="note">and {there.length - mostShown} more</span>
                  )}
                  {!there.length && (
                    <span className="note">
                      Nothing is in it. A block's Identity and an item's page say where it is found.
                    </span>
                  )}
                </div>
              </div>
              <Popover position="left" shadow="sm">
                <Popover.Target>
                  <button type="button" className="tiny" aria-label={`Remove ${group.name}`}>
                    ×
                  </button>
                </Popover.Target>
                <Popover.Dropdown>
                  <p className="note" style={{ marginTop: 0 }}>
                    {there.length
                      ? `${count(there.length, 'thing')} will be in no group.`
                      : 'Nothing is in it.'}
                  </p>
                  <Button
                    color="brick"
                    onClick={() =>
                      session.edit(
                        `Remove the group ${group.name}`,
                        removeGroup(session.view.mod, group.name),
                      )
                    }
                  >
                    Remove it
                  </Button>
                </Popover.Dropdown>
              </Popover>
            </section>
          );
        })}
        {(members.get(undefined)?.length ?? 0) > 0 && (
          <section className="group-card" aria-label="In no group">
            <span />
            <span />
            <div className="about">
              <b>In no group</b>
              <p className="note" style={{ margin: '2px 0' }}>
                Players cannot find these in the catalogue.
              </p>
              <div className="icon-row">
                {members
                  .get(undefined)!
                  .slice(0, mostShown)
                  .map(({ id, title, to }) => (
                    <Link key={id} to={to}>
                      <ItemIcon id={id} size={22} />
                      {title}
                    </Link>
                  ))}
              </div>
            </div>
            <span />
          </section>
        )}
      </div>
    </div>
  );
}
