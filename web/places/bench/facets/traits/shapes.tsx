import clsx from 'clsx';
import { itemAt } from '../../../../../core/lists/index.ts';
import { Select } from '@mantine/core';
import { shapeIn } from '../../../../../core/models/index.ts';
import type { Shape } from '../../../../../core/mod/index.ts';
import type { Rows } from '../../../../../core/states/index.ts';
import { count } from '../../../../../core/words/index.ts';
import { useMod, type BlockEditor } from '../../../../api/hooks.tsx';
import { Fit } from './fit.tsx';
import { Field } from '../../../../parts/field.tsx';
import { MakeItDepend } from '../../../../parts/make-it-depend.tsx';
import { firstWhen, RowsEditor } from '../../../../parts/rows-editor.tsx';
import styles from '../../../../parts/field.module.css';

const says = { model: 'as the model', whole: 'the whole cell', none: 'none' } as const;

/** What one bumps into and what one points at, each by state. */
export function ShapeFields({ editor, state }: { editor: BlockEditor; state: number }) {
  return (
    <>
      <ShapeField editor={editor} state={state} shape="collision" label="Collision" />
      <ShapeField editor={editor} state={state} shape="outline" label="Outline" />
    </>
  );
}

function ShapeField({
  editor: { block, declared, set },
  state,
  shape,
  label,
}: {
  editor: BlockEditor;
  state: number;
  shape: 'collision' | 'outline';
  label: string;
}) {
  const mod = useMod();
  const rows = block.shapes[shape];
  const many = rows.length > 1 || rows[0]?.when !== undefined;
  const put = (title: string, next: Rows<Shape>) =>
    set(title, ['shapes'], {
      ...declared.shapes,
      [shape]: next.length === 1 && !itemAt(next, 0).when ? itemAt(next, 0).value : [...next],
    });
  const boxes = block.space.tooLarge ? [] : shapeIn(mod, block, rows, state);
  return (
    <Field
      label={label}
      value={
        many ? (
          <span className={clsx('mono', styles['value'])}>by state</span>
        ) : (
          <ShapeSelect
            label={label}
            value={rows[0]?.value ?? 'model'}
            onValue={(value) => put(`Change the ${shape} shape`, [{ value }])}
          />
        )
      }
      note={
        `${boxes.length ? count(boxes.length, 'box', 'boxes') : 'Nothing'} in this ` +
        `state.${shape === 'outline' ? ' The stage shows it under Outline.' : ''}`
      }
    >
      {many ? (
        <RowsEditor<Shape>
          what={`the ${shape} shape`}
          rows={rows}
          space={block.space}
          inline
          fresh={() => 'model'}
          onRows={put}
          value={(value, onValue, i) => (
            <ShapeSelect label={`${label}, row ${i + 1}`} value={value} onValue={onValue} />
          )}
        />
      ) : (
        block.space.size > 1 && (
          <MakeItDepend
            what={`the ${shape} shape`}
            onMake={() =>
              put(`Let the ${shape} shape depend on the state`, [
                { when: firstWhen(block.space), value: 'none' },
                ...rows,
              ])
            }
          />
        )
      )}
      <Fit
        block={block}
        onFit={(many, fitted) =>
          put(`Fit the ${shape} shape with ${count(many, 'box', 'boxes')}`, fitted)
        }
      />
    </Field>
  );
}

interface SelectProps {
  label: string;
  value: Shape;
  onValue: (value: Shape) => void;
}

/** One of the shapes that have a name; boxes of one's own are counted, and stay until another is chosen. */
function ShapeSelect({ label, value, onValue }: SelectProps) {
  const named = Object.entries(says).map(([name, words]) => ({ value: name, label: words }));
  const own = Array.isArray(value)
    ? [{ value: 'boxes', label: count(value.length, 'box', 'boxes') }]
    : [];
  return (
    <Select
      aria-label={label}
      w={114}
      allowDeselect={false}
      data={[...named, ...own]}
      value={Array.isArray(value) ? 'boxes' : value}
      onChange={(next) => next && next !== 'boxes' && onValue(next as Shape)}
    />
  );
}
