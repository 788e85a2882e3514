import type { CellTemplate } from '../../mod/index.ts';

/** A form that Obrank brings along for families: what each of its cells makes. */
export interface ShippedForm {
  name: string;
  title: string;
  /** What it is for, and what comes with it. */
  note: string;
  makes: 'block' | 'item';
  /** The form of blocks that it is drawn as where there is no cell yet. */
  drawn?: string;
  /** The names of its cells, with open places. */
  called: string;
  /** What players call them, by language; what the material is called is written in small letters. */
  names: Readonly<Record<string, string>>;
  /** What its pictures show, the one that shows it best first. */
  roles: readonly string[];
  /** The stock material of its blocks, whatever the material is: the rock of a seam. */
  stock?: string;
  /** What a cell makes, measures in texels of a mod with so many a block. */
  template: (texels: number) => CellTemplate;
}
