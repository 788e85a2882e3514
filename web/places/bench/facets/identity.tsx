import { itemAt } from '../../../../core/lists/index.ts';
import { Button, Checkbox, Group, SegmentedControl, Select } from '@mantine/core';
import { useNavigate } from 'react-router';
import { lookUp, removeBlock, stocks, titleOf } from '../../../../core/mod/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { HowHad } from '../../../parts/how-had.tsx';
import { RenameField } from '../../../parts/rename-field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import type { FacetProps } from './index.tsx';
import { Choice } from '../../../parts/choice/index.tsx';

/** Name, group, stock, item form and a note. */
export function IdentityFacet({ editor }: FacetProps) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const { declared, block, set } = editor;
  const language = itemAt(mod.header.languages, 0);
  const { identity } = declared;
  const title = titleOf(mod, editor.name, declared.names);
  const remove = () => {
    session.edit(`Remove ${title}`, removeBlock(session.view.mod, editor.name));
    void navigate(`/m/${session.name}/blocks`);
  };
  return (
    <>
      <Field
        label="Name"
        value={
          <TextField
            w={220}
            aria-label="Name"
            text={lookUp(declared.names, language) ?? ''}
            onText={(text) => set(`Name it ${text}`, ['names', language], text || undefined)}
          />
        }
        note={`In ${language}; other languages are in Names.`}
      />
      <RenameField
        key={editor.name}
        kind="blocks"
        name={editor.name}
        id={block.id}
        onRenamed={(to) =>
          void navigate(`/m/${session.name}/blocks/${to}/identity`, { replace: true })
        }
      />
      <Field
        label="Catalogue group"
        value={
          <Select
            w={220}
            aria-label="Catalogue group"
            placeholder="In no group"
            clearable
            data={mod.header.groups.map((group) => ({
              value: group.name,
              label: lookUp(group.names, language) ?? group.name,
            }))}
            value={identity.group ?? null}
            onChange={(value) => set('Change the group', ['identity', 'group'], value ?? undefined)}
          />
        }
      />
      <Field
        label="Stock"
        value={
          <Choice
            w={220}
            aria-label="Stock"
            data={stocks.map((one) => ({ value: one.name, label: one.title }))}
            value={identity.stock ?? null}
            placeholder="None"
            onTake={(value) => set(`Start from ${value}`, ['identity', 'stock'], value)}
          />
        }
        note="Traits that the block does not set itself come from here."
      />
      <Field
        label="Held as"
        value={
          <SegmentedControl
            aria-label="Held as"
            value={identity.item ?? 'none'}
            onChange={(value) => set('Change how it is held', ['identity', 'item'], value)}
            data={[
              { value: 'block', label: 'block' },
              { value: 'flat', label: 'flat picture' },
              { value: 'none', label: 'not at all' },
            ]}
          />
        }
      />
      <Field
        label="The world has it"
        value={
          <Checkbox
            aria-label="The world has it"
            checked={identity.natural ?? false}
            onChange={(event) =>
              set(
                event.currentTarget.checked ? 'The world has it' : 'The world does not have it',
                ['identity', 'natural'],
                event.currentTarget.checked || undefined,
              )
            }
          />
        }
        note="It lies in the ground, grows, or stands in a pool: nobody needs to make it."
      />
      {(identity.item ?? 'none') !== 'none' && <HowHad id={block.id} />}
      <Field label="Note">
        <TextField
          long
          text={identity.note ?? ''}
          placeholder="For yourself and for others who read the mod."
          onText={(text) => set('Change the note', ['identity', 'note'], text || undefined)}
        />
      </Field>
      <Group justify="flex-end" mt="xl">
        <Button variant="subtle" color="brick" onClick={remove}>
          Remove this block
        </Button>
      </Group>
    </>
  );
}
