import { Button, Group, Modal, SegmentedControl, Stack, Text, TextInput } from '@mantine/core';
import { useState, useSyncExternalStore } from 'react';
import { useNavigate } from 'react-router';
import { lookUp, newBlock, stockNamed, stocks, titleOf } from '../../../core/mod/index.ts';
import { namePattern } from '../../../core/mod/names.ts';
import { basePicture, encodePicture } from '../../../core/textures/index.ts';
import { endpoints } from '../../../core/api/index.ts';
import { call } from '../../api/client.ts';
import { useSession, useView } from '../../api/hooks.tsx';
import { Choice } from '../../parts/choice/index.tsx';

const dialog = { open: false, listeners: new Set<() => void>() };
const show = (open: boolean) => {
  dialog.open = open;
  for (const listener of dialog.listeners) listener();
};
const openDialog = () => show(true);

/** How to begin a block from anywhere: opens the dialog. */
export const useNewBlock = () => openDialog;

/** Declares a block: what it is called, and what it starts from. */
export function NewBlockDialog() {
  const opened = useSyncExternalStore(
    (listener) => {
      dialog.listeners.add(listener);
      return () => dialog.listeners.delete(listener);
    },
    () => dialog.open,
  );
  return (
    <Modal opened={opened} onClose={() => show(false)} title="New block">
      <NewBlockForm />
    </Modal>
  );
}

function NewBlockForm() {
  const session = useSession();
  const { mod } = useView();
  const navigate = useNavigate();
  const [title, setTitle] = useState('');
  const [own, setOwn] = useState<string>();
  const [from, setFrom] = useState<'stock' | 'block'>('stock');
  const [stock, setStock] = useState('chalk');
  const [copyOf, setCopyOf] = useState<string | null>(null);
  const [problem, setProblem] = useState<string>();
  const name =
    own ??
    title
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '_')
      .replaceAll(/^[_0-9]+|_+$/g, '');
  const wrong = !name
    ? undefined
    : !namePattern.test(name)
      ? 'Use lowercase letters, digits and underscores, beginning with a letter.'
      : lookUp(mod.blocks, name)
        ? `There is already a block called ${name}.`
        : undefined;
  const ready =
    name !== '' && !wrong && title.trim() !== '' && (from === 'stock' || copyOf !== null);

  const declare = async () => {
    try {
      let start: Parameters<typeof newBlock>[3];
      if (from === 'block') start = { copyOf: copyOf! };
      else {
        const seed = [...name].reduce(
          (sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 65_521,
          7,
        );
        const png = encodePicture(
          basePicture(stockNamed(stock)!.traits.mapColour, mod.header.texels, seed),
        );
        const file = { bytes: png, type: 'image/png' };
        start = { stock, picture: await call(endpoints.uploadPicture, {}, { file }) };
      }
      session.edit(`Declare ${title}`, newBlock(session.view.mod, name, title.trim(), start));
      show(false);
      void navigate(`/m/${session.name}/blocks/${name}/traits`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) void declare();
      }}
    >
      <Stack gap="sm">
        <TextInput
          label="Name"
          placeholder="Kelp glass"
          value={title}
          onChange={(event) => setTitle(event.currentTarget.value)}
          data-autofocus
        />
        <TextInput
          label="Id"
          value={name}
          onChange={(event) => setOwn(event.currentTarget.value)}
          leftSection={<span className="mono soft">{mod.header.namespace}:</span>}
          leftSectionWidth={mod.header.namespace.length * 7.3 + 16}
          classNames={{ input: 'mono' }}
          error={wrong}
        />
        <SegmentedControl
          value={from}
          onChange={(value) => setFrom(value)}
          data={[
            { value: 'stock', label: 'From stock' },
            {
              value: 'block',
              label: 'From another block',
              disabled: !Object.keys(mod.blocks).length,
            },
          ]}
          aria-label="Start from"
        />
        {from === 'stock' ? (
          <Choice
            label="Stock material"
            data={stocks.map((one) => ({ value: one.name, label: one.title }))}
            value={stock}
            onTake={setStock}
          />
        ) : (
          <Choice
            label="Block"
            data={Object.entries(mod.blocks).map(([value, block]) => ({
              value,
              label: titleOf(mod, value, block.names),
            }))}
            value={copyOf}
            onTake={setCopyOf}
            placeholder="Choose a block"
          />
        )}
        <Text size="xs" c="dimmed">
          {from === 'stock'
            ? 'It starts as a cube with the traits of the material, a plain texture of its own, a ' +
              'tag for its tool and a number in the registry.'
            : 'It starts as a copy under its own name and number.'}
        </Text>
        {problem && (
          <Text size="xs" c="var(--brick)" role="alert">
            {problem}
          </Text>
        )}
        <Group justify="flex-end">
          <Button type="submit" disabled={!ready}>
            Declare the block
          </Button>
        </Group>
      </Stack>
    </form>
  );
}
