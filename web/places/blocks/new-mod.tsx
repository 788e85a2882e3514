import { Button, Group, Modal, Stack, Text, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { nameFrom, nameProblem } from '../../../core/mod/names.ts';
import { endpoints } from '../../../core/api/index.ts';
import { call } from '../../api/client.ts';
import { createOpened } from '../../parts/opened.ts';
import { focusMade } from '../../parts/keys/focus-made.ts';

const dialog = createOpened();

/** How to begin a mod from anywhere: opens the dialog. */
export const openNewMod = dialog.open;

/** The dialog that begins a mod. It stands once in the frame. */
export const NewModDialog = () => <NewMod opened={dialog.useOpened()} onClose={dialog.close} />;

/** Begins a mod: a title, and the namespace that follows from it. */
export function NewMod({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const [title, setTitle] = useState('');
  const [own, setOwn] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const [isMade, setMade] = useState(false);
  const namespace = own ?? nameFrom(title);
  const create = async () => {
    try {
      await call(endpoints.beginMod, {}, { body: { namespace, title } });
      setMade(true);
      onClose();
      setTitle('');
      setOwn(undefined);
      void navigate(`/m/${namespace}/blocks`);
      focusMade('[data-begin]');
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const leave = () => {
    setMade(false);
    onClose();
  };
  const flaw = nameProblem(namespace);
  const fits = flaw === undefined && title.trim() !== '';
  return (
    <Modal opened={opened} onClose={leave} title="New mod" returnFocus={!isMade}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (fits) void create();
        }}
      >
        <Stack gap="sm">
          <Text size="sm" c="dimmed">
            A mod holds everything under one namespace. Every id begins with it, so it stays as it
            is.
          </Text>
          <TextInput
            label="Title"
            value={title}
            onChange={(event) => setTitle(event.currentTarget.value)}
            data-autofocus
            placeholder="Tidal works"
            maxLength={100}
          />
          <TextInput
            label="Namespace"
            value={namespace}
            onChange={(event) => setOwn(event.currentTarget.value)}
            classNames={{ input: 'mono' }}
            error={problem ?? (namespace ? flaw : undefined)}
          />
          <Group justify="flex-end">
            <Button
              type="submit"
              disabled={!fits}
              title={fits ? undefined : 'It needs a title and a namespace'}
            >
              Begin the mod
            </Button>
          </Group>
        </Stack>
      </form>
    </Modal>
  );
}
