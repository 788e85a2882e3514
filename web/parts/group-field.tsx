import { Select } from '@mantine/core';
import { itemAt } from '../../core/lists/index.ts';
import { lookUp } from '../../core/mod/index.ts';
import { useModPart } from '../api/hooks.tsx';
import { Field } from './field.tsx';

interface GroupFieldProps {
  group: string | undefined;
  onGroup: (group: string | undefined) => void;
}

/** The shelf of the catalogue on which players find a block or an item. */
export function GroupField({ group, onGroup }: GroupFieldProps) {
  const choices = useModPart(({ header }) =>
    header.groups.map(({ name, names }) => ({
      value: name,
      label: lookUp(names, itemAt(header.languages, 0)) ?? name,
    })),
  );
  return (
    <Field
      label="Catalogue group"
      value={
        <Select
          w={220}
          aria-label="Catalogue group"
          placeholder="In no group"
          clearable
          data={choices}
          value={group ?? null}
          onChange={(value) => onGroup(value ?? undefined)}
        />
      }
    />
  );
}
