import { Button, Menu, TextInput } from '@mantine/core';
import { useState } from 'react';

interface AskInMenuProps {
  /** What the button says. */
  act: string;
  label: string;
  /** What to type, or what is understood of what was typed. */
  description: (typed: string) => string;
  /** Why something cannot be taken; it is never asked for nothing. */
  problemOf: (typed: string) => string | undefined;
  onTake: (typed: string) => void;
}

/** A button that asks for one word, and takes it with Enter once it is a good one. */
export function AskInMenu({ act, label, description, problemOf, onTake }: AskInMenuProps) {
  const [opened, setOpened] = useState(false);
  const [typed, setTyped] = useState('');
  const problem = typed ? problemOf(typed) : undefined;
  const take = () => {
    if (!typed || problem) return;
    onTake(typed);
    setTyped('');
    setOpened(false);
  };
  return (
    <Menu
      opened={opened}
      onChange={setOpened}
      position="bottom-end"
      shadow="sm"
      closeOnItemClick={false}
      trapFocus={false}
    >
      <Menu.Target>
        <Button variant="default">{act}</Button>
      </Menu.Target>
      <Menu.Dropdown p="sm">
        <TextInput
          w={250}
          label={label}
          description={description(typed)}
          value={typed}
          error={problem}
          onChange={(event) => setTyped(event.currentTarget.value.trim())}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === 'Enter') take();
          }}
        />
      </Menu.Dropdown>
    </Menu>
  );
}
