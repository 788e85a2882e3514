import { useState } from 'react';
import type { Programs } from '../../../../core/api/index.ts';
import { messageOf } from '../../../../core/words/index.ts';
import { namePrograms, usePrograms } from '../../../api/programs.ts';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import styles from './settings.module.css';

const programs: readonly { of: keyof Programs; label: string; like: string }[] = [
  { of: 'forFolders', label: 'Opens folders', like: 'a program, for folders' },
  { of: 'forFiles', label: 'Opens files at a line', like: 'a program, then {place} and +{line}' },
];

/** The programs in which folders and files are opened; none, and so never, until one is named. */
export function ProgramsLine() {
  const named = usePrograms();
  const [problem, setProblem] = useState<string>();
  const put = (of: keyof Programs, typed: string) => {
    setProblem(undefined);
    const line = typed.trim();
    namePrograms({ ...named, [of]: line === '' ? undefined : line }).catch((error: unknown) =>
      setProblem(messageOf(error)),
    );
  };
  return (
    <Field
      label="Opened with"
      value={
        <span className={styles['acts']}>
          {programs.map(({ of, label, like }) => (
            <CommitField
              key={of}
              w={270}
              aria-label={label}
              placeholder={like}
              classNames={{ input: 'mono' }}
              maxLength={1000}
              text={named[of] ?? ''}
              onText={(typed) => put(of, typed)}
            />
          ))}
        </span>
      }
      note={
        problem ??
        'On this machine, for all mods. Where one is named, Build, the folder and packs offer it; where none is, nothing is ever started.'
      }
    />
  );
}
