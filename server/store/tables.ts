import { EntitySchema } from 'typeorm';

/** A mod, the revision that its entries are at, and the one that was built last. */
export interface ModRow {
  name: string;
  revision: number;
  created: string;
  built: number | null;
  /** When it was put into the bin; null while it is not there. */
  removed: string | null;
}
/**
 * One entry as a validated document of an edition; `revision` is the edit that last touched it.
 */
export interface EntryRow {
  mod: string;
  kind: string;
  name: string;
  document: string;
  revision: number;
  edition: number;
}
/**
 * One line of the append-only log. An undo or redo is an edit too and names the revision of the
 * step that it takes.
 */
export interface EditRow {
  id: number;
  mod: string;
  revision: number;
  time: string;
  author: string;
  label: string;
  kind: 'edit' | 'undo' | 'redo';
  stepRevision: number | null;
  changes: string;
  edition: number;
}
/** The whole mod as it was built last, or brought in. */
export interface SnapshotRow {
  mod: string;
  revision: number;
  edition: number;
  document: string;
}
/** The folder that a mod lives in, and the last exchange each way. */
export interface LinkRow {
  mod: string;
  folder: string;
  taken: string | null;
  given: string | null;
}
/** What a mod and its folder held of one unit when they were alike last. */
export interface LinkedUnitRow {
  mod: string;
  unit: string;
  files: string;
  value: string | null;
  previous: string | null;
}
/** A picture or a sound by its SHA-256. */
export interface BlobRow {
  sha256: string;
  type: string;
  size: number;
  facts: string | null;
  bytes: Buffer;
  /** When it came; null in databases of earlier programs. */
  added: string | null;
}
/** A point of a mod's history: a named one, or one whose mod is kept because the log goes no further. */
export interface PointRow {
  mod: string;
  revision: number;
  name: string | null;
  time: string;
  edition: number;
  document: Buffer | null;
}
/** A world of the Yard as it was left: of one scene, as text. */
export interface YardRow {
  mod: string;
  scene: string;
  left: string;
  world: string;
}

export const ModTable = new EntitySchema<ModRow>({
  name: 'mods',
  columns: {
    name: { type: 'text', primary: true },
    revision: { type: 'integer' },
    created: { type: 'text' },
    built: { type: 'integer', nullable: true },
    removed: { type: 'text', nullable: true },
  },
});
export const EntryTable = new EntitySchema<EntryRow>({
  name: 'entries',
  columns: {
    mod: { type: 'text', primary: true },
    kind: { type: 'text', primary: true },
    name: { type: 'text', primary: true },
    document: { type: 'text' },
    revision: { type: 'integer' },
    edition: { type: 'integer' },
  },
});
export const EditTable = new EntitySchema<EditRow>({
  name: 'edits',
  columns: {
    id: { type: 'integer', primary: true, generated: 'increment' },
    mod: { type: 'text' },
    revision: { type: 'integer' },
    time: { type: 'text' },
    author: { type: 'text' },
    label: { type: 'text' },
    kind: { type: 'text' },
    stepRevision: { type: 'integer', nullable: true },
    changes: { type: 'text' },
    edition: { type: 'integer' },
  },
});
export const SnapshotTable = new EntitySchema<SnapshotRow>({
  name: 'snapshots',
  columns: {
    mod: { type: 'text', primary: true },
    revision: { type: 'integer' },
    edition: { type: 'integer' },
    document: { type: 'text' },
  },
});
export const LinkTable = new EntitySchema<LinkRow>({
  name: 'links',
  columns: {
    mod: { type: 'text', primary: true },
    folder: { type: 'text' },
    taken: { type: 'text', nullable: true },
    given: { type: 'text', nullable: true },
  },
});
export const LinkedUnitTable = new EntitySchema<LinkedUnitRow>({
  name: 'linked_units',
  columns: {
    mod: { type: 'text', primary: true },
    unit: { type: 'text', primary: true },
    files: { type: 'text' },
    value: { type: 'text', nullable: true },
    previous: { type: 'text', nullable: true },
  },
});
export const BlobTable = new EntitySchema<BlobRow>({
  name: 'blobs',
  columns: {
    sha256: { type: 'text', primary: true },
    type: { type: 'text' },
    size: { type: 'integer' },
    facts: { type: 'text', nullable: true },
    bytes: { type: 'blob' },
    added: { type: 'text', nullable: true },
  },
});
export const PointTable = new EntitySchema<PointRow>({
  name: 'points',
  columns: {
    mod: { type: 'text', primary: true },
    revision: { type: 'integer', primary: true },
    name: { type: 'text', nullable: true },
    time: { type: 'text' },
    edition: { type: 'integer' },
    document: { type: 'blob', nullable: true },
  },
});

export const YardTable = new EntitySchema<YardRow>({
  name: 'yards',
  columns: {
    mod: { type: 'text', primary: true },
    scene: { type: 'text', primary: true },
    left: { type: 'text' },
    world: { type: 'text' },
  },
});

/** All tables of the database. */
export const tables = [
  ModTable,
  EntryTable,
  EditTable,
  SnapshotTable,
  LinkTable,
  LinkedUnitTable,
  BlobTable,
  PointTable,
  YardTable,
] as const;
