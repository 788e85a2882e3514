import { Button } from '@mantine/core';
import {
  canLiftToForm,
  cellAt,
  givenValue,
  leaveFamily,
  liftToForm,
  liftToMaterial,
  madeAt,
  traitOfDifference,
  withCell,
} from '../../../../core/families/index.ts';
import type { Cell, Family, FamilyForm, Material } from '../../../../core/mod/index.ts';
import { useDeclared, useFindingsByBlock, useSession } from '../../../api/hooks.tsx';
import { FindingsTag } from '../../../parts/findings-tag.tsx';
import { Thing, titleOfCell } from '../loom.tsx';
import type { FamilyEdits } from '../use-family.ts';
import { DifferenceList } from './differences.tsx';
import styles from './stations.module.css';

interface CellProps {
  family: Family;
  material: Material;
  form: FamilyForm;
  edits: FamilyEdits;
  onOpen: () => void;
  onToggle: () => void;
}

/** One crossing: the thing itself, what it has otherwise than its family, and the way to its bench. */
export function CellStation(props: CellProps) {
  const { family, material, form, edits, onOpen, onToggle } = props;
  const session = useSession();
  const declared = useDeclared();
  const place = { family: edits.name, material: material.name, form: form.name };
  const made = madeAt(declared, place);
  const cell = cellAt(family, material.name, form.name);
  const title = titleOfCell(declared, material, form);
  if (!made) return <LeftOut title={title} onToggle={onToggle} />;
  const put = (label: string, next: Cell | undefined) =>
    edits.edit(label, (one) => withCell(one, place, next));
  const isBlock = made.entries[0]?.kind === 'blocks';
  return (
    <>
      <h2>{title}</h2>
      <p className="note mono">
        {declared.header.namespace}:{made.name}
      </p>
      <div className={styles['shown']}>
        <Thing name={made.name} kind={made.entries[0]?.kind} size={150} form={form} />
        <div className={styles['column']}>
          <Button onClick={onOpen}>{isBlock ? 'Open on the bench' : 'Open the item'}</Button>
          <Button variant="default" onClick={onToggle}>
            Leave it out
          </Button>
          <Button
            variant="default"
            title="It stays as it is, as an entry of its own that no longer follows the family"
            onClick={() =>
              session.editDeclared(
                `Take ${made.name} out of ${edits.name}`,
                leaveFamily(declared, place),
              )
            }
          >
            Let it go its own way
          </Button>
          {isBlock && <Found name={made.name} />}
        </div>
      </div>
      {made.problem !== undefined && (
        <p className="bad" role="alert">
          {made.problem}
        </p>
      )}
      <h3 className="part">Otherwise than its family</h3>
      <DifferenceList
        differences={cell?.changed ?? {}}
        nothing={`Nothing: it is ${material.name.replaceAll('_', ' ')} in the form ${form.name.replaceAll('_', ' ')}. What you change on its bench stands here.`}
        given={(path) => givenValue(declared, place, path)}
        onBack={(path) => {
          const { [path]: _, ...others } = cell?.changed ?? {};
          const { changed: __, ...rest } = cell ?? {};
          const next = Object.keys(others).length ? { ...rest, changed: others } : rest;
          put(`Back to the family: ${made.name}`, next);
        }}
        acts={(path) => [
          ...(canLiftToForm(path)
            ? [
                {
                  title: 'In every material',
                  onAct: () =>
                    edits.edit(`As in ${made.name}: every ${form.name}`, () =>
                      liftToForm(session.view.declared, place, path),
                    ),
                },
              ]
            : []),
          ...(traitOfDifference(path)
            ? [
                {
                  title: `In all of ${material.name.replaceAll('_', ' ')}`,
                  onAct: () =>
                    edits.edit(`As in ${made.name}: all of ${material.name}`, () =>
                      liftToMaterial(session.view.declared, place, path),
                    ),
                },
              ]
            : []),
        ]}
      />
      {cell?.called !== undefined && (
        <p className="note">
          It has a name of its own.{' '}
          <button
            type="button"
            className="link plain"
            onClick={() => {
              const { called: _, ...rest } = cell;
              put(`Name ${made.name} by its family`, rest);
            }}
          >
            Name it by the pattern
          </button>
        </p>
      )}
    </>
  );
}

function Found({ name }: { name: string }) {
  const findings = useFindingsByBlock().get(name) ?? [];
  return (
    <span>
      <FindingsTag findings={findings} />
    </span>
  );
}

function LeftOut({ title, onToggle }: { title: string; onToggle: () => void }) {
  return (
    <>
      <h2>{title}</h2>
      <p className="note">
        It is left out: of this material there is no such form. Where it was released, its number is
        retired and comes back with it.
      </p>
      <Button onClick={onToggle}>Take it in</Button>
    </>
  );
}
