import { Button, Popover, TextInput } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import styles from './inspection.module.css';

/** Asks for the reason of something that is told otherwise, and then does it. */
export function Reason({
  button,
  label,
  acts,
}: {
  /** What is pressed to be asked. */
  button: (open: () => void) => ReactNode;
  label: string;
  /** What can be done for that reason. */
  acts: readonly { title: string; act: (why: string) => void }[];
}) {
  const [opened, setOpened] = useState(false);
  const [why, setWhy] = useState('');
  const done = (act: (why: string) => void) => {
    act(why.trim());
    setOpened(false);
    setWhy('');
  };
  return (
    <Popover
      opened={opened}
      onChange={setOpened}
      position="bottom-end"
      width={380}
      shadow="sm"
      trapFocus
    >
      <Popover.Target>{button(() => setOpened(!opened))}</Popover.Target>
      <Popover.Dropdown>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            const [first] = acts;
            if (why.trim() && first) done(first.act);
          }}
        >
          <TextInput
            label={label}
            placeholder="The reason, for whoever comes after"
            value={why}
            maxLength={500}
            onChange={(event) => setWhy(event.currentTarget.value)}
            data-autofocus
          />
          <div className={styles['acts']}>
            {acts.map(({ title, act }, i) => (
              <Button
                key={title}
                type={i ? 'button' : 'submit'}
                variant={i ? 'default' : 'filled'}
                disabled={!why.trim()}
                onClick={i ? () => done(act) : undefined}
              >
                {title}
              </Button>
            ))}
          </div>
        </form>
      </Popover.Dropdown>
    </Popover>
  );
}
