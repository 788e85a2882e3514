import { useMemo } from 'react';
import { catalogueOf, newGroup } from '../../../../core/mod/index.ts';
import { spokenName } from '../../../../core/words/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { DataTabs } from '../data-tabs.tsx';
import { NewEntry } from '../new-entry.tsx';
import { GroupCard } from './group-card.tsx';
import { Members } from './members.tsx';

/** The catalogue groups in their order: icon, name, and what players find in each. */
export function Groups() {
  const mod = useMod();
  const { groups } = mod.header;
  const catalogue = useMemo(() => catalogueOf(mod), [mod]);
  const inNone = catalogue.get(undefined) ?? [];
  return (
    <div className="data-page">
      <DataTabs>
        <span className="acts">
          <NewGroup />
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
        {groups.map((group, index) => (
          <GroupCard
            key={group.name}
            group={group}
            index={index}
            members={catalogue.get(group.name) ?? []}
          />
        ))}
        {inNone.length > 0 && (
          <section className="group-card" aria-label="In no group">
            <span />
            <span />
            <div className="about">
              <b>In no group</b>
              <p className="note inline">Players cannot find these in the catalogue.</p>
              <Members members={inNone} />
            </div>
            <span />
          </section>
        )}
      </div>
    </div>
  );
}

function NewGroup() {
  const { groups } = useMod().header;
  const session = useSession();
  return (
    <NewEntry
      what="group"
      taken={(name) =>
        groups.some((group) => group.name === name)
          ? 'There is already a group of that name.'
          : undefined
      }
      onName={(name) =>
        session.edit(`Add the group ${name}`, newGroup(session.view.mod, name, spokenName(name)))
      }
    />
  );
}
