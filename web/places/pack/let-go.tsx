import { Button, Group, Modal, Stack, Text } from '@mantine/core';
import { count } from '../../../core/words/index.ts';
import { openPack, useOpenPack } from '../../api/open-pack.ts';

/** Asks before what was mended and not saved is let go. */
export function LetGoDialog() {
  const { pack, waiting } = useOpenPack();
  if (!pack || !waiting) return null;
  return (
    <Modal
      opened
      onClose={() => openPack.answer(false)}
      title={`${count(pack.changed.length, 'file')} mended, not saved`}
    >
      <Stack gap="sm">
        <Text size="sm">
          What you mended in {pack.name} stands in no file yet, and is gone when the pack is let go.
        </Text>
        <Group justify="flex-end">
          <Button variant="default" onClick={() => openPack.answer(true)}>
            Let it go
          </Button>
          <Button data-autofocus onClick={() => openPack.answer(false)}>
            Keep it open
          </Button>
        </Group>
      </Stack>
    </Modal>
  );
}
