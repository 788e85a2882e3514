import { useMemo } from 'react';
import { catalogueOf, newGroup } from '../../../../core/mod/index.ts';
import { spokenName } from '../../../../core/words/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { DataTabs } from '../data-tabs.tsx';
import { NewEntry } from '../new-entry.tsx';
import { GroupCard } from './group-card.tsx';
import { Members } from './members.tsx';
import styles from './groups.module.css';
import pageStyles from '../page.module.css';
import dataTabsStyles from '../data-tabs.module.css';
import listPageStyles from '../list-page.module.css';

/** The catalogue groups in their order: icon, name, and what players find in each. */
export function Groups() {
  const mod = useMod();
  const { groups } = mod.header;
  const catalogue = useMemo(() => catalogueOf(mod), [mod]);
  const inNone = catalogue.get(undefined) ?? [];
  return (
    <div className={pageStyles['data-page']}>
      <DataTabs>
        <span className={dataTabsStyles['acts']}>
          <NewGroup />
        </span>
      </DataTabs>
      <div className={listPageStyles['data-open']}>
        {!groups.length && (
          <div className={listPageStyles['data-empty']}>
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
          <section className={styles['group-card']} aria-label="In no group">
            <span />
            <span />
            <div>
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
