import { Button, Popover } from '@mantine/core';
import clsx from 'clsx';
import { itemAt } from '../../../../core/lists/index.ts';
import {
  lookUp,
  removeGroup,
  type CatalogueEntry,
  type Header,
} from '../../../../core/mod/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { ItemIcon, ItemSelect, useItemOptions } from '../../../parts/item.tsx';
import { RenameField } from '../../../parts/rename-field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import { Members } from './members.tsx';
import styles from './groups.module.css';
import iconRowStyles from '../../../parts/icon-row.module.css';

type Group = Header['groups'][number];
interface GroupProps {
  group: Group;
  index: number;
  members: readonly CatalogueEntry[];
}

/** One group: its place among the others, its icon, its names, and what is in it. */
export function GroupCard({ group, index, members }: GroupProps) {
  const { languages } = useMod().header;
  return (
    <section
      className={styles['group-card']}
      aria-label={lookUp(group.names, itemAt(languages, 0)) ?? group.name}
    >
      <Order group={group} index={index} />
      <ItemIcon id={group.icon ?? ''} size={40} />
      <div>
        <NamesAndIcon group={group} index={index} />
        <div className={styles['id']}>
          <RenameField
            kind="groups"
            name={group.name}
            id={group.name}
            note={`Players find ${count(members.length, 'thing')} here.`}
            onRenamed={() => undefined}
          />
        </div>
        <Members members={members} />
      </div>
      <RemoveGroup group={group} many={members.length} />
    </section>
  );
}

function Order({ group, index }: { group: Group; index: number }) {
  const { groups } = useMod().header;
  const session = useSession();
  const moveTo = (to: number) => {
    const next = [...groups];
    next.splice(to, 0, ...next.splice(index, 1));
    session.set('Reorder the catalogue', ['header', 'groups'], next);
  };
  return (
    <span className={styles['order']}>
      <button
        type="button"
        className="tiny"
        aria-label={`Move ${group.name} up`}
        disabled={index === 0}
        onClick={() => moveTo(index - 1)}
      >
        ↑
      </button>
      <span className="mono">{index + 1}</span>
      <button
        type="button"
        className="tiny"
        aria-label={`Move ${group.name} down`}
        disabled={index === groups.length - 1}
        onClick={() => moveTo(index + 1)}
      >
        ↓
      </button>
    </span>
  );
}

function NamesAndIcon({ group, index }: { group: Group; index: number }) {
  const { languages } = useMod().header;
  const session = useSession();
  const options = useItemOptions();
  const set = (label: string, steps: string[], after: string | undefined) =>
    session.set(label, ['header', 'groups', index, ...steps], after);
  return (
    <div className={iconRowStyles['icon-row']}>
      {languages.map((language) => (
        <TextField
          key={language}
          w={150}
          aria-label={`Name of ${group.name} in ${language}`}
          placeholder={`group.${group.name}`}
          leftSection={<span className={clsx('note', styles['language-mark'])}>{language}</span>}
          text={lookUp(group.names, language) ?? ''}
          onText={(text) =>
            set(`Name the group in ${language}`, ['names', language], text || undefined)
          }
        />
      ))}
      <ItemSelect
        w={170}
        aria-label={`Icon of ${group.name}`}
        placeholder="Icon"
        value={group.icon}
        options={options}
        onItem={(icon) => set('Change the icon of a group', ['icon'], icon)}
      />
    </div>
  );
}

/** Asks before it removes: what is in the group will be in none. */
function RemoveGroup({ group, many }: { group: Group; many: number }) {
  const session = useSession();
  const remove = () =>
    session.edit(`Remove the group ${group.name}`, removeGroup(session.view.mod, group.name));
  return (
    <Popover position="left" shadow="sm">
      <Popover.Target>
        <button type="button" className="tiny" aria-label={`Remove ${group.name}`}>
          ×
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <p className="note inline">
          {many ? `${count(many, 'thing')} will be in no group.` : 'Nothing is in it.'}
        </p>
        <Button color="brick" mt="xs" onClick={remove}>
          Remove it
        </Button>
      </Popover.Dropdown>
    </Popover>
  );
}
