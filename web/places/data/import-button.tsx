import { Button, FileButton } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import type { Change } from '../../../core/mod/index.ts';
import { useSession } from '../../api/hooks.tsx';

/** What a dialog about a file is given. */
export interface ImportedFile<Plan> {
  /** The name of the file. */
  name: string;
  plan: Plan;
  onApply: () => void;
  onClose: () => void;
}

interface ImportButtonProps<Plan> {
  label: string;
  accept: string;
  /** What the file would change. */
  read: (name: string, bytes: Uint8Array) => Plan;
  /** Shows that before anything is done. */
  dialog: (file: ImportedFile<Plan>) => ReactNode;
}

/** Reads a file, shows what it would change, and changes it in one step once that was agreed to. */
export function ImportButton<Plan extends { changes: Change[] }>(props: ImportButtonProps<Plan>) {
  const { label, accept, read, dialog } = props;
  const session = useSession();
  const [file, setFile] = useState<{ name: string; plan: Plan }>();
  const take = async (chosen: File | null) => {
    if (!chosen) return;
    const bytes = new Uint8Array(await chosen.arrayBuffer());
    setFile({ name: chosen.name, plan: read(chosen.name, bytes) });
  };
  const close = () => setFile(undefined);
  return (
    <>
      <FileButton accept={accept} onChange={(chosen) => void take(chosen)}>
        {(button) => (
          <Button {...button} variant="default">
            {label}
          </Button>
        )}
      </FileButton>
      {file &&
        dialog({
          ...file,
          onClose: close,
          onApply: () => {
            session.edit(`Take in ${file.name}`, file.plan.changes);
            close();
          },
        })}
    </>
  );
}
