import { Button, Checkbox, Group, SegmentedControl } from '@mantine/core';
import { useNavigate } from 'react-router';
import { removeBlock, stocks, titleOf } from '../../../../core/mod/index.ts';
import { useSession, type BlockEditor } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { GroupField } from '../../../parts/group-field.tsx';
import { HowHad } from '../../../parts/how-had.tsx';
import { NameField } from '../../../parts/name-field.tsx';
import { RenameField } from '../../../parts/rename-field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import type { FacetProps } from './index.tsx';
import { Choice } from '../../../parts/choice/index.tsx';

/** Name, group, stock, item form and a note. */
export function IdentityFacet({ editor }: FacetProps) {
  const session = useSession();
  const navigate = useNavigate();
  const { name, declared, block, set } = editor;
  const { identity } = declared;
  return (
    <>
      <NameField
        names={declared.names}
        text={`block.${name}`}
        onName={(language, text) => set(`Name it ${text}`, ['names', language], text || undefined)}
      />
      <RenameField
        key={name}
        kind="blocks"
        name={name}
        id={block.id}
        onRenamed={(to) =>
          void navigate(`/m/${session.name}/blocks/${to}/identity`, { replace: true })
        }
      />
      <GroupField
        group={identity.group}
        onGroup={(group) => set('Change the group', ['identity', 'group'], group)}
      />
      <StockField editor={editor} />
      <HeldAs editor={editor} />
      <Natural editor={editor} />
      {(identity.item ?? 'none') !== 'none' && <HowHad id={block.id} />}
      <Field label="Note">
        <TextField
          long
          text={identity.note ?? ''}
          placeholder="For yourself and for others who read the mod."
          onText={(text) => set('Change the note', ['identity', 'note'], text || undefined)}
        />
      </Field>
      <RemoveBlock editor={editor} />
    </>
  );
}

interface PartProps {
  editor: BlockEditor;
}

const StockField = ({ editor: { declared, set } }: PartProps) => (
  <Field
    label="Stock"
    value={
      <Choice
        w={220}
        aria-label="Stock"
        data={stocks.map(({ name, title }) => ({ value: name, label: title }))}
        value={declared.identity.stock ?? null}
        placeholder="None"
        onTake={(value) => set(`Start from ${value}`, ['identity', 'stock'], value)}
      />
    }
    note="Traits that the block does not set itself come from here."
  />
);

const HeldAs = ({ editor: { declared, set } }: PartProps) => (
  <Field
    label="Held as"
    value={
      <SegmentedControl
        aria-label="Held as"
        value={declared.identity.item ?? 'none'}
        onChange={(value) => set('Change how it is held', ['identity', 'item'], value)}
        data={[
          { value: 'block', label: 'block' },
          { value: 'flat', label: 'flat picture' },
          { value: 'none', label: 'not at all' },
        ]}
      />
    }
  />
);

const Natural = ({ editor: { declared, set } }: PartProps) => (
  <Field
    label="The world has it"
    value={
      <Checkbox
        aria-label="The world has it"
        checked={declared.identity.natural ?? false}
        onChange={(event) => {
          const { checked } = event.currentTarget;
          const label = checked ? 'The world has it' : 'The world does not have it';
          set(label, ['identity', 'natural'], checked || undefined);
        }}
      />
    }
    note="It lies in the ground, grows, or stands in a pool: nobody needs to make it."
  />
);

function RemoveBlock({ editor: { name, declared } }: PartProps) {
  const session = useSession();
  const navigate = useNavigate();
  const remove = () => {
    const { mod } = session.view;
    session.edit(`Remove ${titleOf(mod, name, declared.names)}`, removeBlock(mod, name));
    void navigate(`/m/${session.name}/blocks`);
  };
  return (
    <Group justify="flex-end" mt="xl">
      <Button variant="subtle" color="brick" data-remove-block onClick={remove}>
        Remove this block
      </Button>
    </Group>
  );
}
