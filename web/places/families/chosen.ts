import { useSearchParams } from 'react-router';
import type { Family, FamilyForm, Material } from '../../../core/mod/index.ts';

/** The stations of the loom, in the order of the work. */
export const stations = ['Family', 'Material', 'Form', 'Cell'] as const;
export type Station = (typeof stations)[number];

/** What of a family one works on, as its address says. */
export interface Chosen {
  station: Station;
  material?: Material;
  form?: FamilyForm;
}

/** The search of an address at which a part of a family is open. */
export const searchOf = (part: { material?: string; form?: string }): string => {
  const search = new URLSearchParams();
  if (part.material !== undefined) search.set('material', part.material);
  if (part.form !== undefined) search.set('form', part.form);
  return search.toString();
};

/** What is open of a family, and how to open another part of it. */
export function useChosen(family: Family): {
  chosen: Chosen;
  choose: (part: { material?: string; form?: string }) => void;
} {
  const [search, setSearch] = useSearchParams();
  const named = <P extends { name: string }>(parts: readonly P[], key: string) =>
    parts.find(({ name }) => name === search.get(key));
  const material = named(family.materials, 'material');
  const form = named(family.forms, 'form');
  const station = material ? (form ? 'Cell' : 'Material') : form ? 'Form' : 'Family';
  return {
    chosen: { station, ...(material && { material }), ...(form && { form }) },
    choose: (part) => setSearch(searchOf(part), { replace: true }),
  };
}
