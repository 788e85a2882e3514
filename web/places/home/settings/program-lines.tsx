import { useState } from 'react';
import type { Programs } from '../../../../core/api/index.ts';
import { messageOf } from '../../../../core/words/index.ts';
import { nameProgram, usePrograms } from '../../../api/programs.ts';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import styles from './settings.module.css';

/** The programs in which folders and files are opened; none, and so never, until one is named. */
export function ProgramLines() {
  return (
    <>
      <ProgramLine
        of="forFolders"
        label="Opens folders"
        like="a program"
        note="On this machine, for all mods. Nothing is ever started until a program is named."
      />
      <ProgramLine
        of="forFiles"
        label="Opens files at a line"
        like="a program +{line} {place}"
        note="Where one is named, Build, the folder and packs on this machine offer it."
      />
    </>
  );
}

function ProgramLine({
  of,
  label,
  like,
  note,
}: {
  of: keyof Programs;
  label: string;
  like: string;
  note: string;
}) {
  const named = usePrograms();
  const [problem, setProblem] = useState<string>();
  const put = (typed: string) => {
    setProblem(undefined);
    const line = typed.trim();
    nameProgram(of, line === '' ? undefined : line).catch((error: unknown) =>
      setProblem(messageOf(error)),
    );
  };
  return (
    <Field
      label={label}
      value={
        <CommitField
          w={270}
          aria-label={label}
          placeholder={like}
          classNames={{ input: 'mono' }}
          maxLength={1000}
          text={named[of] ?? ''}
          onText={put}
        />
      }
      note={note}
    >
      {problem !== undefined && (
        <p role="alert" className={styles['wrong']}>
          {problem}
        </p>
      )}
    </Field>
  );
}
