import { Button, Code, Group, Modal, Stack, Text } from '@mantine/core';
import { pointerSteps, printJson } from '../../core/json/index.ts';
import { useSession, useView } from '../api/hooks.tsx';

/**
 * Asks when somebody else changed the same place: who, what, when, and which of the two shall
 * stand.
 */
export function ConflictDialog() {
  const session = useSession();
  const { conflict } = useView();
  if (!conflict) return null;
  const { mine, theirs, edit } = conflict;
  const place = pointerSteps(mine.path).join(' › ');
  const show = (value: unknown) => (value === undefined ? 'nothing' : printJson(value).trim());
  return (
    <Modal
      opened
      onClose={() => undefined}
      withCloseButton={false}
      title="Somebody else was faster"
      size="lg"
      closeOnEscape={false}
      closeOnClickOutside={false}
    >
      <Stack gap="sm">
        <Text size="sm">
          At {new Date(edit.time).toLocaleTimeString('en-GB')}, {edit.author} did “{edit.label}”.
          You changed the same place, <span className="mono">{place}</span>. Your text is kept until
          you decide.
        </Text>
        <Group grow align="flex-start">
          <div>
            <Text size="xs" fw={600}>
              Yours
            </Text>
            <Code block>{show(mine.after)}</Code>
          </div>
          <div>
            <Text size="xs" fw={600}>
              Theirs
            </Text>
            <Code block>{show(theirs.after)}</Code>
          </div>
        </Group>
        <Group justify="flex-end">
          <Button variant="default" onClick={() => session.decide('theirs')}>
            Take theirs
          </Button>
          <Button onClick={() => session.decide('mine')}>Keep mine</Button>
        </Group>
      </Stack>
    </Modal>
  );
}
