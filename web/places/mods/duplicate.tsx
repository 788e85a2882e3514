import { Button, Group, Modal, Stack, Text, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { endpoints, type ModSummary } from '../../../core/api/index.ts';
import { nameFrom, nameProblem } from '../../../core/mod/names.ts';
import { call } from '../../api/client.ts';

/** Begins a mod as another one is now, under a namespace of its own. */
export function DuplicateDialog({
  mod,
  onClose,
}: {
  mod: ModSummary | undefined;
  onClose: () => void;
}) {
  return (
    <Modal opened={mod !== undefined} onClose={onClose} title={`Duplicate ${mod?.title ?? ''}`}>
      {mod && <Duplicate key={mod.name} mod={mod} />}
    </Modal>
  );
}

function Duplicate({ mod }: { mod: ModSummary }) {
  const navigate = useNavigate();
  const [title, setTitle] = useState(`${mod.title} copy`);
  const [own, setOwn] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const namespace = own ?? nameFrom(title);
  const flaw = nameProblem(namespace);
  const fits = flaw === undefined && title.trim() !== '';
  const duplicate = async () => {
    try {
      await call(endpoints.duplicateMod, { mod: mod.name }, { body: { namespace, title } });
      void navigate(`/m/${namespace}/home`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (fits) void duplicate();
      }}
    >
      <Stack gap="sm">
        <Text size="sm" c="dimmed">
          Everything is copied as it is now, and every id follows the new namespace. The history
          begins anew.
        </Text>
        <TextInput
          label="Title"
          value={title}
          maxLength={100}
          data-autofocus
          onChange={(event) => setTitle(event.currentTarget.value)}
        />
        <TextInput
          label="Namespace"
          value={namespace}
          classNames={{ input: 'mono' }}
          error={problem ?? (namespace ? flaw : undefined)}
          onChange={(event) => setOwn(event.currentTarget.value)}
        />
        <Group justify="flex-end">
          <Button
            type="submit"
            disabled={!fits}
            title={fits ? undefined : 'It needs a title and a namespace'}
          >
            Duplicate it
          </Button>
        </Group>
      </Stack>
    </form>
  );
}
