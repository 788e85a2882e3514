import { useState, type ReactNode } from 'react';
import { messageOf } from '../../core/words/index.ts';
import { openPlace, usePrograms } from '../api/programs.ts';

/** Opens a folder, or a file in it at a line, in the program that is named for it; nothing where none is. */
export function OpenIn({
  folder,
  file,
  line,
  children,
}: {
  folder: string;
  file?: string | undefined;
  line?: number | undefined;
  children: ReactNode;
}) {
  const { forFolders, forFiles } = usePrograms();
  const [problem, setProblem] = useState<string>();
  const program = file === undefined ? forFolders : forFiles;
  if (program === undefined) return null;
  return (
    <>
      <button
        type="button"
        className="tiny"
        title={`Opens it with: ${program}`}
        onClick={() => {
          setProblem(undefined);
          openPlace({ folder, file, line }).catch((error: unknown) => setProblem(messageOf(error)));
        }}
      >
        {children}
      </button>
      {problem !== undefined && (
        <span role="alert" className="note inline">
          {problem}
        </span>
      )}
    </>
  );
}
