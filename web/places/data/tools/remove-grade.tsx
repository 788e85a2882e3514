import { Button, Popover } from '@mantine/core';
import { useState } from 'react';
import { itemAt } from '../../../../core/lists/index.ts';
import { gradeUsers, titleOf } from '../../../../core/mod/index.ts';
import { listed } from '../../../../core/words/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import styles from './tools.module.css';

/** So many are named. */
const mostNamed = 6;

/** Takes a grade away, after saying who asks for it and for what they will ask then. */
export function RemoveGrade({ grade, onRemove }: { grade: number; onRemove: () => void }) {
  const mod = useMod();
  const [isAsking, setAsking] = useState(false);
  const { grades } = mod.header.tools;
  const { name } = itemAt(grades, grade);
  const users = isAsking ? usersInWords(mod, grade) : [];
  const instead = grades[grade + 1] ?? grades[grade - 1];
  const press = () => {
    if (usersInWords(mod, grade).length) setAsking(true);
    else onRemove();
  };
  return (
    <Popover
      opened={isAsking}
      onChange={setAsking}
      position="bottom-end"
      width={320}
      shadow="md"
      withArrow
      trapFocus
    >
      <Popover.Target>
        <button
          type="button"
          className="tiny"
          aria-label={`Remove ${name}`}
          title={grades.length === 1 ? 'The ladder needs one grade at least' : undefined}
          disabled={grades.length === 1}
          onClick={press}
        >
          ×
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <p className={styles['asked']}>
          Of {name}, or asking for it: {listed(users)}.{' '}
          {instead && `From then on it is ${instead.name} for them.`}
        </p>
        <Button
          color="brick"
          onClick={() => {
            setAsking(false);
            onRemove();
          }}
        >
          Remove {name}
        </Button>
      </Popover.Dropdown>
    </Popover>
  );
}

/** Who asks for a grade or is of it, by name. */
function usersInWords(
  mod: Parameters<typeof gradeUsers>[0] & Parameters<typeof titleOf>[0],
  grade: number,
): string[] {
  const { blocks, lootTables, items } = gradeUsers(mod, grade);
  const all = [
    ...blocks.map((name) => titleOf(mod, name, mod.blocks[name]?.names)),
    ...items.map((name) => titleOf(mod, name, mod.items[name]?.names)),
    ...lootTables.map((name) => `the loot table ${name}`),
  ];
  const more = all.length - mostNamed;
  return more > 0 ? [...all.slice(0, mostNamed), `${more} more`] : all;
}
