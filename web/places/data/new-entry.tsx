import { Button, Popover, TextInput } from '@mantine/core';
import { useState } from 'react';
import { nameProblem } from '../../../core/mod/names.ts';

/** A button that asks for a name and, once it is a good one, makes something of it. */
export function NewEntry({
  what,
  taken,
  onName,
  hint,
}: {
  what: string;
  /** Why a name cannot be taken. */ taken: (name: string) => string | undefined;
  onName: (name: string) => void;
  hint?: string;
}) {
  const [opened, setOpened] = useState(false);
  const [typed, setTyped] = useState('');
  const name = typed
    .trim()
    .toLowerCase()
    .replaceAll(/[\s-]+/g, '_');
  const problem = !name ? undefined : (nameProblem(name) ?? taken(name));
  const make = () => {
    if (!name || problem) return;
    onName(name);
    setTyped('');
    setOpened(false);
  };
  return (
    <Popover opened={opened} onChange={setOpened} position="bottom-end" shadow="sm" trapFocus>
      <Popover.Target>
        <Button variant="default" onClick={() => setOpened(!opened)}>
          New {what}
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <TextInput
          w={250}
          label={`Id of the new ${what}`}
          description={hint ?? 'Players read a name, which follows from it and can be changed.'}
          value={typed}
          error={problem}
          data-autofocus
          onChange={(event) => setTyped(event.currentTarget.value)}
          onKeyDown={(event) => event.key === 'Enter' && make()}
        />
        <Button
          mt="xs"
          disabled={!name || problem !== undefined}
          title={name ? problem : 'It needs an id'}
          onClick={make}
        >
          {name && !problem ? `Add ${name}` : 'Add it'}
        </Button>
      </Popover.Dropdown>
    </Popover>
  );
}
