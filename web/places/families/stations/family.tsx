import { Button, TextInput } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { drawForm } from '../../../../core/draw/index.ts';
import {
  editFamily,
  formFromThing,
  partNameProblem,
  picturesBehind,
  plainMaterial,
  shippedForms,
  takeFamilyApart,
  withForm,
  withMaterial,
  type ShippedForm,
} from '../../../../core/families/index.ts';
import { formNamed } from '../../../../core/forms/index.ts';
import { nameFrom, type Family } from '../../../../core/mod/index.ts';
import { count, listed } from '../../../../core/words/index.ts';
import { useDeclared, useModPart, useSession } from '../../../api/hooks.tsx';
import { AskFirst } from '../../../parts/ask-first.tsx';
import { complain } from '../../../parts/complain.ts';
import { Field } from '../../../parts/field.tsx';
import { GroupField } from '../../../parts/group-field.tsx';
import { ItemSelect, useItemOptions } from '../../../parts/item.tsx';
import { Later } from '../../../parts/later.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import { editWithPictures } from '../toned.ts';
import { consequenceInWords, type FamilyEdits } from '../use-family.ts';
import styles from './stations.module.css';

interface FamilyProps {
  family: Family;
  edits: FamilyEdits;
  choose: (part: { material?: string; form?: string }) => void;
  onRemoved: () => void;
}

/** The family itself: what is woven in, and what it is for. */
export function FamilyStation(props: FamilyProps) {
  const { family, edits, onRemoved } = props;
  const session = useSession();
  const takeApart = () => {
    session.editDeclared(
      `Take the family ${edits.name} apart`,
      takeFamilyApart(session.view.declared, edits.name),
    );
    onRemoved();
  };
  return (
    <>
      <div className={styles['head']}>
        <h2>What is woven in</h2>
        <AskFirst
          act={`Remove ${edits.name}`}
          says={() => removalInWords(edits, family)}
          onAct={() => {
            edits.remove();
            onRemoved();
          }}
        />
      </div>
      <Behind edits={edits} />
      <NewMaterial {...props} />
      <NewForms {...props} />
      <OwnForm {...props} />
      <h3 className="part">The family itself</h3>
      <GroupField
        group={family.group}
        onGroup={(group) =>
          edits.edit(`Put ${edits.name} into ${group ?? 'no group'}`, ({ group: _, ...rest }) =>
            group === undefined ? rest : { ...rest, group },
          )
        }
      />
      <Field label="Note">
        <TextField
          long
          aria-label="Note on the family"
          maxLength={4000}
          text={family.note ?? ''}
          onText={(note) =>
            edits.edit(`Note on ${edits.name}`, ({ note: _, ...rest }) =>
              note ? { ...rest, note } : rest,
            )
          }
        />
      </Field>
      <p className="note">
        <button type="button" className="link plain" onClick={takeApart}>
          Take the family apart
        </button>
        : what it makes stays, each as an entry of its own.
      </p>
    </>
  );
}

/** Pictures whose original was painted anew, and a way to make them again from what it is now. */
function Behind({ edits }: Pick<FamilyProps, 'edits'>) {
  const session = useSession();
  const behind = picturesBehind(useDeclared(), edits.name);
  if (!behind.length) return null;
  const originals = [...new Set(behind.map(({ picture }) => picture.from))];
  const again = () =>
    void editWithPictures(
      session,
      `Make ${count(behind.length, 'picture')} of ${edits.name} again`,
      edits.name,
      () => [...new Set(behind.map(({ material }) => material))],
      () => [],
    ).catch(complain);
  return (
    <p className={styles['behind']} role="status">
      {count(behind.length, 'picture')} {behind.length > 1 ? 'were' : 'was'} made from{' '}
      {listed(originals)} as {originals.length > 1 ? 'they were' : 'it was'} before.{' '}
      <button type="button" className="link plain" onClick={again}>
        {behind.length > 1 ? 'Make them again' : 'Make it again'}
      </button>
    </p>
  );
}

const removalInWords = (edits: FamilyEdits, family: Family): string | undefined =>
  consequenceInWords(edits.consequence(() => ({ ...family, materials: [], forms: [], cells: {} })));

function NewMaterial({ family, edits, choose }: FamilyProps) {
  const session = useSession();
  const [typed, setTyped] = useState('');
  const name = nameFrom(typed);
  const problem = name ? partNameProblem(family, 'material', name) : undefined;
  const add = () => {
    if (!name || problem) return;
    editWithPictures(
      session,
      `Weave ${name} into ${edits.name}`,
      edits.name,
      () => [name],
      (mod) =>
        editFamily(mod, edits.name, (one) =>
          withMaterial(one, plainMaterial(mod, name, one.materials.at(-1))),
        ),
    ).then(() => choose({ material: name }), complain);
    setTyped('');
  };
  return (
    <Field
      label="Material"
      value={
        <span className={styles['acts']}>
          <TextInput
            w={170}
            aria-label="Name of a new material"
            placeholder="shell lime"
            value={typed}
            error={problem}
            onChange={(event) => setTyped(event.currentTarget.value)}
            onKeyDown={(event) => event.key === 'Enter' && add()}
          />
          <Button disabled={!name || problem !== undefined} onClick={add}>
            Weave it in
          </Button>
        </span>
      }
      note={
        name && !problem
          ? `${count(family.forms.length, 'thing')} of ${name} will be made, with pictures to begin with.`
          : 'It comes in every form at once; single cells can be left out.'
      }
    />
  );
}

function NewForms({ family, edits, choose }: FamilyProps) {
  const session = useSession();
  const stock = family.materials[0]?.stock ?? 'granite';
  const there = new Set(family.forms.map(({ kind }) => kind));
  const left = shippedForms.filter(({ name }) => !there.has(name));
  const add = ({ name }: ShippedForm) =>
    editWithPictures(
      session,
      `Weave ${name} into ${edits.name}`,
      edits.name,
      (one) => one.materials.map((material) => material.name),
      (mod) => editFamily(mod, edits.name, (one) => withForm(one, name)),
    ).then(() => choose({ form: name }), complain);
  return (
    <Field label="Forms that ship">
      <div className={styles['forms']}>
        {left.map((form, i) => (
          <button key={form.name} type="button" title={form.note} onClick={() => void add(form)}>
            <Later frames={1 + Math.floor(i / 2)}>
              <FormDrawing form={form} stock={stock} />
            </Later>
            {form.title}
          </button>
        ))}
      </div>
    </Field>
  );
}

/** In CSS pixels. */
const drawingSize = 46;

/** A form that ships as it would look; of an item its outline. */
function FormDrawing({ form, stock }: { form: ShippedForm; stock: string }) {
  const texels = useModPart(({ header }) => header.texels);
  const canvas = useRef<HTMLCanvasElement>(null);
  const pixels = Math.round(drawingSize * Math.min(2, Math.max(1, window.devicePixelRatio)));
  const drawn = formNamed(form.drawn ?? '');
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !drawn) return;
    const { data } = drawForm(drawn, stock, texels, pixels);
    context.putImageData(new ImageData(new Uint8ClampedArray(data), pixels, pixels), 0, 0);
  }, [drawn, stock, texels, pixels]);
  if (!drawn) return <i className={styles['thing']} aria-hidden />;
  return <canvas ref={canvas} width={pixels} height={pixels} aria-hidden />;
}

function OwnForm({ family, edits, choose }: FamilyProps) {
  const session = useSession();
  const declared = useDeclared();
  const options = useItemOptions(false);
  const own = options.filter(({ value }) => {
    const name = value.slice(value.indexOf(':') + 1);
    return name in declared.blocks || name in declared.items;
  });
  const [first] = family.materials;
  if (!first || !own.length) return null;
  return (
    <Field
      label="A form of your own"
      value={
        <ItemSelect
          w={220}
          aria-label="A form out of a block"
          placeholder="Out of a block or an item…"
          value={undefined}
          options={own}
          onItem={(id) => {
            const thing = id.slice(id.indexOf(':') + 1);
            const material =
              family.materials.find(({ name }) => thing.includes(name))?.name ?? first.name;
            const part = thing.replace(material, '').replaceAll(/^_+|_+$/g, '');
            const name = partNameProblem(family, 'form', part) ? thing : part;
            try {
              session.editDeclared(
                `Make a form of ${thing}`,
                formFromThing(session.view.declared, edits.name, { name, material, thing }),
              );
              choose({ form: name });
            } catch (error) {
              complain(error);
            }
          }}
        />
      }
      note="It becomes the cell of one material, as it is, and every other gets one like it."
    />
  );
}
