import { Button, Modal, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { newFamily, plainMaterial, shippedForms } from '../../../core/families/index.ts';
import { withoutUndefined } from '../../../core/json/index.ts';
import { nameFrom, stocks, type Family, type Mod } from '../../../core/mod/index.ts';
import { nameProblem } from '../../../core/mod/names.ts';
import { count } from '../../../core/words/index.ts';
import { useDeclared, useSession } from '../../api/hooks.tsx';
import { Choice } from '../../parts/choice/index.tsx';
import { complain } from '../../parts/complain.ts';
import { createOpened } from '../../parts/opened.ts';
import { editWithPictures } from './toned.ts';
import styles from './families.module.css';

const dialog = createOpened();

/** Opens the dialog in which a family is begun with one material. */
export const openNewFamily = dialog.open;

export function NewFamilyDialog() {
  return (
    <Modal opened={dialog.useOpened()} onClose={dialog.close} title="New family" size={720}>
      <NewFamily />
    </Modal>
  );
}

const firstForms = ['cube', 'slab', 'stair'];

function familyOf(mod: Mod, material: string, stock: string, forms: readonly string[]): Family {
  return withoutUndefined({
    group: mod.header.groups[0]?.name,
    materials: [{ ...plainMaterial(mod, material), stock }],
    forms: forms.map((kind) => ({ name: kind, kind })),
  });
}

function NewFamily() {
  const declared = useDeclared();
  const session = useSession();
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const [material, setMaterial] = useState('');
  const [stock, setStock] = useState('brick');
  const [forms, setForms] = useState<readonly string[]>(firstForms);
  const [name, first] = [nameFrom(typed), nameFrom(material)];
  const taken = name in declared.families ? `There is already a family called ${name}.` : undefined;
  const problem = name ? (nameProblem(name) ?? taken) : undefined;
  const isReady = name && first && forms.length > 0 && problem === undefined;
  const make = () => {
    if (!isReady) return;
    editWithPictures(
      session,
      `New family ${name}`,
      name,
      () => [first],
      (mod) => newFamily(mod, name, familyOf(mod, first, stock, forms)),
    ).then(() => {
      dialog.close();
      void navigate(`/m/${session.name}/families/${name}?material=${first}`);
    }, complain);
  };
  return (
    <>
      <TextInput
        label="What the family is called"
        placeholder="shell lime"
        data-autofocus
        value={typed}
        error={problem}
        onChange={(event) => setTyped(event.currentTarget.value)}
      />
      <TextInput
        mt="xs"
        label="Its first material"
        placeholder="lime"
        value={material}
        onChange={(event) => setMaterial(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Enter' && make()}
      />
      <Choice
        mt="xs"
        label="Which starts from the stock"
        data={stocks.map(({ name: value, title }) => ({ value, label: title }))}
        value={stock}
        onTake={setStock}
      />
      <p className="part">Its forms</p>
      <div className={styles['things']} role="group" aria-label="Forms">
        {shippedForms.map((form) => (
          <label key={form.name} title={form.note}>
            <input
              type="checkbox"
              checked={forms.includes(form.name)}
              onChange={() =>
                setForms((before) =>
                  before.includes(form.name)
                    ? before.filter((one) => one !== form.name)
                    : [...before, form.name],
                )
              }
            />
            {form.title}
          </label>
        ))}
      </div>
      <Button
        disabled={!isReady}
        title={isReady ? undefined : (problem ?? 'It needs a name, a material and a form')}
        onClick={make}
      >
        Make {count(forms.length, 'thing')}
      </Button>
    </>
  );
}
