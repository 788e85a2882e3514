import { Button, FileButton, NumberInput, TagsInput } from '@mantine/core';
import { useNavigate } from 'react-router';
import { idOf, tagIdsIn, usualStack } from '../../../../core/mod/index.ts';
import { pictureKinds } from '../../../api/picture-files.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import { Field } from '../../../parts/field.tsx';
import { GroupField } from '../../../parts/group-field.tsx';
import { NameField } from '../../../parts/name-field.tsx';
import { RenameField } from '../../../parts/rename-field.tsx';
import type { ItemEditor } from './one-item.tsx';
import styles from './items.module.css';

interface PictureProps {
  editor: ItemEditor;
  onPicture: (file: File | null) => Promise<void>;
  /** Why the last picture was not taken. */
  refused: string;
}

/** What an item is called, where it is found, what it looks like, and how many lie in one place. */
export function NamesAndPlace({ editor, id, ...picture }: PictureProps & { id: string }) {
  const navigate = useNavigate();
  const session = useSession();
  return (
    <>
      <NameField
        names={editor.item.names}
        text={`item.${editor.name}`}
        onName={(language, text) =>
          session.set(
            `Name it ${text}`,
            ['items', editor.name, 'names', language],
            text || undefined,
          )
        }
      />
      <RenameField
        kind="items"
        name={editor.name}
        id={id}
        onRenamed={(to) => void navigate(`/m/${session.name}/data/items/${to}`, { replace: true })}
      />
      <GroupField
        group={editor.item.group}
        onGroup={(group) => editor.set('Change the group', 'group', group)}
      />
      <PictureField editor={editor} {...picture} />
      <StackField editor={editor} />
      <TagsField editor={editor} />
    </>
  );
}

function PictureField({ editor: { item, set }, onPicture, refused }: PictureProps) {
  const { textures, header } = useMod();
  const choices = Object.keys(textures)
    .sort()
    .map((texture) => ({ value: idOf(header.namespace, texture), label: texture }));
  return (
    <Field
      label="Picture"
      value={
        <span className={styles['picture-choice']}>
          <Choice
            w={156}
            aria-label="Picture"
            placeholder="None"
            clearable
            data={choices}
            value={item.texture ?? null}
            onTake={(texture) => set('Change the picture', 'texture', texture)}
            onClear={() => set('Change the picture', 'texture', undefined)}
          />
          <FileButton accept={pictureKinds} onChange={(file) => void onPicture(file)}>
            {(props) => (
              <Button {...props} variant="default">
                PNG…
              </Button>
            )}
          </FileButton>
        </span>
      }
      note="Or drop a PNG anywhere here."
    >
      {refused && (
        <p className="bad" role="alert">
          {refused}
        </p>
      )}
    </Field>
  );
}

const StackField = ({ editor: { item, set } }: { editor: ItemEditor }) => (
  <Field
    label="Stack"
    value={
      <NumberInput
        aria-label="Stack"
        w={90}
        min={1}
        max={9999}
        value={item.stack ?? usualStack}
        onChange={(stack) =>
          typeof stack === 'number' &&
          Number.isInteger(stack) &&
          set('Change the stack', 'stack', stack)
        }
      />
    }
    note="So many lie in one place."
  />
);

function TagsField({ editor: { item, set } }: { editor: ItemEditor }) {
  const { itemTags, header } = useMod();
  return (
    <Field label="Tags">
      <TagsInput
        aria-label="Item tags"
        placeholder="Add a tag"
        data={Object.keys(itemTags).map((tag) => idOf(header.namespace, tag))}
        value={item.tags ?? []}
        acceptValueOnBlur={false}
        classNames={{ pill: 'mono', input: 'mono' }}
        onChange={(typed) => {
          const tags = tagIdsIn(header.namespace, typed);
          set('Change the tags', 'tags', tags.length ? tags : undefined);
        }}
      />
    </Field>
  );
}
