import { Checkbox } from '@mantine/core';
import { pointer } from '../../../../core/json/index.ts';
import { idOf, titleOf, toolKinds, type ToolKind } from '../../../../core/mod/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { ItemSelect, useItemOptions } from '../../../parts/item.tsx';
import type { ItemEditor } from './one-item.tsx';
import styles from './items.module.css';
import iconRowStyles from '../../../parts/icon-row.module.css';

/** Whether an item is a tool or a bucket, with what belongs to it, and whether the world has it. */
export function WhatItIs({ editor, id }: { editor: ItemEditor; id: string }) {
  const { item, set } = editor;
  return (
    <>
      <Field label="What it is" value={<KindChoice editor={editor} id={id} />}>
        <ToolFields editor={editor} />
        <BucketFields editor={editor} />
      </Field>
      <Field
        label="The world has it"
        value={
          <Checkbox
            aria-label="The world has it"
            checked={item.natural ?? false}
            onChange={(event) =>
              set(
                event.currentTarget.checked ? 'The world has it' : 'The world does not have it',
                'natural',
                event.currentTarget.checked || undefined,
              )
            }
          />
        }
        note="It lies about, or traders bring it: nobody needs to make it."
      />
    </>
  );
}

function KindChoice({ editor: { name, item }, id }: { editor: ItemEditor; id: string }) {
  const mod = useMod();
  const session = useSession();
  const options = useItemOptions();
  const become = (kind: string) => {
    const title = titleOf(mod, name, item.names);
    const tool = kind === 'tool' ? { kind: 'pick' as const, grade: 0 } : undefined;
    const bucket =
      kind === 'bucket'
        ? {
            of: idOf(mod.header.namespace, Object.keys(mod.blocks)[0] ?? 'pool'),
            empty: options.find(({ value }) => value !== id)?.value ?? id,
          }
        : undefined;
    session.edit(`Make ${title} ${kind === 'plain' ? 'a plain item' : `a ${kind}`}`, [
      { path: pointer(['items', name, 'tool']), before: item.tool, after: tool },
      { path: pointer(['items', name, 'bucket']), before: item.bucket, after: bucket },
    ]);
  };
  return (
    <select
      className="pick"
      aria-label="What it is"
      value={item.tool ? 'tool' : item.bucket ? 'bucket' : 'plain'}
      onChange={(event) => become(event.currentTarget.value)}
    >
      <option value="plain">a plain item</option>
      <option value="tool">a tool of the ladder</option>
      <option value="bucket">a bucket</option>
    </select>
  );
}

function ToolFields({ editor: { item, set } }: { editor: ItemEditor }) {
  const { grades } = useMod().header.tools;
  const { tool } = item;
  if (!tool) return null;
  const grade = grades[tool.grade];
  return (
    <div className={iconRowStyles['icon-row']}>
      <select
        className="pick"
        aria-label="Kind of tool"
        value={tool.kind}
        onChange={(event) => {
          const kind = event.currentTarget.value as ToolKind;
          set('Change the kind of tool', 'tool', { ...tool, kind });
        }}
      >
        {toolKinds.map((kind) => (
          <option key={kind}>{kind}</option>
        ))}
      </select>
      <select
        className="pick"
        aria-label="Grade"
        value={tool.grade}
        onChange={(event) =>
          set('Change the grade', 'tool', { ...tool, grade: Number(event.currentTarget.value) })
        }
      >
        {grades.map(({ name }, index) => (
          <option key={name} value={index}>
            {name}
          </option>
        ))}
        {!grade && <option value={tool.grade}>grade {tool.grade}</option>}
      </select>
      <span className="note inline">
        digs {grade ? `${grade.pace} times as fast` : 'as with bare hands'}
      </span>
    </div>
  );
}

function BucketFields({ editor: { item, set } }: { editor: ItemEditor }) {
  const { blocks, fluids, header } = useMod();
  const options = useItemOptions();
  const { bucket } = item;
  if (!bucket) return null;
  const ids = [...Object.keys(fluids), ...Object.keys(blocks)].map((block) =>
    idOf(header.namespace, block),
  );
  return (
    <div className={iconRowStyles['icon-row']}>
      <span className="note inline">of</span>
      <select
        className="pick"
        aria-label="What is in the bucket"
        value={bucket.of}
        onChange={(event) =>
          set('Change what is in it', 'bucket', { ...bucket, of: event.currentTarget.value })
        }
      >
        {[...new Set([...ids, bucket.of])].map((block) => (
          <option key={block}>{block}</option>
        ))}
      </select>
      <span className="note inline">out of</span>
      <span className={styles['bucket-empty']}>
        <ItemSelect
          aria-label="Empty bucket"
          value={bucket.empty}
          options={options}
          onItem={(empty) => set('Change the empty bucket', 'bucket', { ...bucket, empty })}
        />
      </span>
    </div>
  );
}
