import useSWR, { mutate } from 'swr';
import { endpoints, type OpenBody, type Programs } from '../../core/api/index.ts';
import { call } from './client.ts';

const key = 'programs';

/** The programs that are named on this machine for folders and for files; nothing until it is known. */
export const usePrograms = (): Programs =>
  useSWR<Programs, Error>(key, () => call(endpoints.getPrograms, {})).data ?? {};

let last: Promise<unknown> = Promise.resolve();

/**
 * Names a program for folders or for files, or none; the other one stays as it is named then.
 * Rejects with a sentence for one that there is not.
 */
export function nameProgram(of: keyof Programs, program: string | undefined): Promise<void> {
  const name = async () => {
    const named = await call(endpoints.getPrograms, {});
    const body = { ...named, [of]: program };
    await mutate(key, await call(endpoints.namePrograms, {}, { body }), false);
  };
  // One after the other: both fields may be left before the first answer is there.
  const done = last.then(name);
  last = done.catch(() => undefined);
  return done;
}

/** Opens a folder on this machine, or a file in it at a line. Rejects with a sentence. */
export const openPlace = async (place: OpenBody): Promise<void> => {
  await call(endpoints.openPlace, {}, { body: place });
};
