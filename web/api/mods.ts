import useSWR, { type SWRResponse } from 'swr';
import { endpoints, type ModSummary } from '../../core/api/index.ts';
import { call } from './client.ts';

/** All mods of this machine by name, as they were when they were last asked for. */
export const useMods = (): SWRResponse<ModSummary[], Error> =>
  useSWR<ModSummary[], Error>('mods', () => call(endpoints.listMods, {}));
