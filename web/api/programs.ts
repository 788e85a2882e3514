import useSWR, { mutate } from 'swr';
import { endpoints, type OpenBody, type Programs } from '../../core/api/index.ts';
import { call } from './client.ts';

const key = 'programs';

/** The programs that are named on this machine for folders and for files; nothing until it is known. */
export const usePrograms = (): Programs =>
  useSWR<Programs, Error>(key, () => call(endpoints.getPrograms, {})).data ?? {};

/** Names the programs. Rejects with a sentence for one that there is not. */
export async function namePrograms(programs: Programs): Promise<void> {
  await mutate(key, await call(endpoints.namePrograms, {}, { body: programs }), false);
}

/** Opens a folder on this machine, or a file in it at a line. Rejects with a sentence. */
export const openPlace = async (place: OpenBody): Promise<void> => {
  await call(endpoints.openPlace, {}, { body: place });
};
