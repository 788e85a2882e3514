import { Button, Group, Modal } from '@mantine/core';
import { lazy, Suspense, useState } from 'react';
import {
  changeForm,
  formNamed,
  formOf,
  keptPictures,
  lostByForm,
  missingRoles,
  type Form,
} from '../../../../core/forms/index.ts';
import { titleOf } from '../../../../core/mod/index.ts';
import { listed, messageOf } from '../../../../core/words/index.ts';
import { useMod, useSession, type BlockEditor } from '../../../api/hooks.tsx';
import { paintRoles } from '../../../api/textures.ts';
import { Waiting } from '../../../parts/waiting.tsx';

const FormChoice = lazy(() =>
  import('../../../parts/form-choice.tsx').then((file) => ({ default: file.FormChoice })),
);

/** Offers another shape for a block, and says what it would lose before it takes it. */
export function AnotherShape({ editor }: { editor: BlockEditor }) {
  const [isOpen, setOpen] = useState(false);
  const mod = useMod();
  return (
    <>
      <Button variant="default" onClick={() => setOpen(true)}>
        Another shape
      </Button>
      <Modal
        opened={isOpen}
        onClose={() => setOpen(false)}
        title={`Another shape for ${titleOf(mod, editor.name, editor.declared.names)}`}
        size={660}
      >
        <ShapeForm editor={editor} onDone={() => setOpen(false)} />
      </Modal>
    </>
  );
}

function ShapeForm({ editor, onDone }: { editor: BlockEditor; onDone: () => void }) {
  const mod = useMod();
  const { name, declared } = editor;
  const now = formOf(mod, declared)?.name;
  const [wanted, setWanted] = useState<string>();
  const { take, problem } = useTakeForm(editor, onDone);
  const form = formNamed(wanted ?? '');
  const stock = declared.identity.stock ?? 'chalk';
  return (
    <>
      <Suspense fallback={<Waiting height="340px" />}>
        <FormChoice form={wanted ?? now} stock={stock} onForm={setWanted} />
      </Suspense>
      {form && form.name !== now && (
        <>
          <p>{lossInWords(lostByForm(declared, form))}</p>
          <p className="note">
            {picturesInWords(missingRoles(form, keptPictures(mod, name, form)))}
          </p>
        </>
      )}
      {problem !== undefined && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
      <Group justify="flex-end" mt="sm">
        <Button
          disabled={!form || form.name === now}
          title={form && form.name !== now ? undefined : 'It has this shape'}
          onClick={() => form && void take(form, stock)}
        >
          Take this shape
        </Button>
      </Group>
    </>
  );
}

/** Paints what is missing and changes the block, in one step with undo. */
function useTakeForm({ name }: BlockEditor, onDone: () => void) {
  const session = useSession();
  const [problem, setProblem] = useState<string>();
  const take = async (form: Form, stock: string) => {
    try {
      const missing = missingRoles(form, keptPictures(session.view.mod, name, form));
      const painted = await paintRoles(session.view.mod, missing, stock, name);
      const { mod } = session.view;
      const pictures = { ...painted, ...keptPictures(mod, name, form) };
      session.edit(
        `Make ${name} a ${form.title.toLowerCase()}`,
        changeForm(mod, name, form, pictures),
      );
      onDone();
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  return { take, problem };
}

const lossInWords = (lost: readonly string[]): string =>
  lost.length ? `It loses ${listed(lost)}. Undo brings all of it back.` : 'Nothing is lost.';

const picturesInWords = (missing: readonly string[]): string =>
  missing.length
    ? `Its pictures stay; for ${listed(missing)} a plain one is painted.`
    : 'Its pictures stay.';
