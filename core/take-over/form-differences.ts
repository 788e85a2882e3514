import type { Files } from '../bytes/index.ts';
import { parseJson, sameData } from '../json/index.ts';

/**
 * How a file comes out of a build: byte for byte, in another layout (spaces, order of keys), in
 * other words (what is usual said outright, rows in another way), or new.
 */
export const fileForms = ['same', 'layout', 'words', 'new'] as const;
export type FileForm = (typeof fileForms)[number];

export interface FormDifference {
  file: string;
  form: FileForm;
}

/**
 * How each file of a build compares with the file that a person wrote at that path, in the order of
 * the paths.
 *
 * @example formDifferences(files, built).filter(({ form }) => form !== 'same')
 */
export function formDifferences(written: Files, built: Files): FormDifference[] {
  return [...built.keys()].sort().map((file) => {
    const before = written.get(file);
    const after = built.get(file) ?? new Uint8Array();
    return { file, form: before ? formOfFile(before, after) : 'new' };
  });
}

function formOfFile(before: Uint8Array, after: Uint8Array): FileForm {
  if (before.length === after.length && before.every((byte, i) => byte === after[i])) return 'same';
  return sameData(dataIn(before), dataIn(after)) ? 'layout' : 'words';
}

/** The data of a JSON file; of any other, something that is like nothing else. */
function dataIn(bytes: Uint8Array): unknown {
  const { value, problems } = parseJson(new TextDecoder().decode(bytes), { goesOn: true });
  return problems.length ? bytes : value;
}
