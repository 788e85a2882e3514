import type { DataSource, EntityManager } from 'typeorm';
import { digestOf } from '../../core/bytes/index.ts';
import { pointer } from '../../core/json/index.ts';
import {
  applyChanges, EditConflict, emptyMod, entryKinds, entryOf, entrySchemas, invertChanges, namePatternOf, schemaProblems, squashChanges, type Change, type Edit, type EntryKind, type Mod, type Picture, type Sound,
} from '../../core/mod/index.ts';
import { readSound, SoundProblem } from '../../core/sounds/index.ts';
import { decodePicture, pictureFacts, PictureProblem } from '../../core/textures/index.ts';
import { Problem } from '../problem.ts';
import { BlobTable, EditTable, EntryTable, ModTable, type EditRow } from './tables.ts';

/** An edit as it stands in the log. */
export interface LoggedEdit extends Edit { revision: number; at: string; author: string; kind: EditRow['kind']; of: number | null }

/** A mod as the store holds it: the document, its revision, and what undo and redo would take. */
export interface HeldMod { mod: Mod; revision: number; built: number | null; undo: Step[]; redo: Step[] }
interface Step { revision: number; label: string }

type Listener = (edit: LoggedEdit, held: HeldMod) => void;

/** The mods of this machine. Every write is one transaction: the entries it touches, and one line of the log. */
export class Store {
  private readonly held = new Map<string, HeldMod>();
  private readonly listeners = new Map<string, Set<Listener>>();
  private queue: Promise<unknown> = Promise.resolve();

  constructor(private readonly source: DataSource, private readonly now: () => Date = () => new Date()) {}

  async names(): Promise<{ name: string; title: string; revision: number }[]> {
    const rows = await this.source.getRepository(ModTable).find({ order: { name: 'ASC' } });
    return Promise.all(rows.map(async ({ name, revision }) => ({ name, revision, title: (await this.mod(name)).mod.header.title })));
  }

  /** The mod of that name. Throws a 404 {@link Problem}. */
  async mod(name: string): Promise<HeldMod> {
    return this.held.get(name) ?? this.load(name);
  }

  private async load(name: string): Promise<HeldMod> {
    const row = await this.source.getRepository(ModTable).findOneBy({ name });
    if (!row) throw new Problem(404, 'No such mod', `There is no mod called ${name}.`);
    const mod = emptyMod(name, name) as unknown as Record<string, Record<string, unknown>>;
    for (const { kind, name: entry, document } of await this.source.getRepository(EntryTable).findBy({ mod: name })) {
      if (kind === 'header' || kind === 'ledger') mod[kind] = JSON.parse(document) as Record<string, unknown>;
      else mod[kind]![entry] = JSON.parse(document);
    }
    const log = await this.source.getRepository(EditTable).find({ where: { mod: name }, select: { revision: true, kind: true, label: true, of: true }, order: { revision: 'ASC' } });
    const held: HeldMod = { mod: mod as unknown as Mod, revision: row.revision, built: row.built, undo: [], redo: [] };
    for (const line of log) step(held, line);
    this.held.set(name, held);
    return held;
  }

  /** Brings in a whole mod, with its pictures and sounds. Throws a 409 {@link Problem} when one of that namespace is there. */
  async addMod(mod: Mod, blobs: ReadonlyMap<string, Uint8Array>): Promise<void> {
    const name = mod.header.namespace;
    await this.alone(() => this.source.transaction(async (manager) => {
      if (await manager.getRepository(ModTable).findOneBy({ name })) throw new Problem(409, 'Mod exists', `There is already a mod called ${name}.`);
      await manager.getRepository(ModTable).insert({ name, revision: 0, created: this.now().toISOString(), built: null });
      for (const bytes of blobs.values()) await this.putBlob(bytes, manager);
      const entries = [...entryKinds.flatMap((kind) => Object.entries(mod[kind]).map(([entry, document]) => ({ kind, name: entry, document }))),
        { kind: 'header', name: '', document: mod.header }, { kind: 'ledger', name: '', document: mod.ledger }];
      const rows = entries.map((entry) => ({ mod: name, kind: entry.kind, name: entry.name, document: JSON.stringify(entry.document), revision: 0 }));
      for (let i = 0; i < rows.length; i += 100) await manager.getRepository(EntryTable).insert(rows.slice(i, i + 100));
    }));
  }

  /** Applies a person's edit that was made at a revision. Throws 412 when the mod has moved on, 422 when the result does not fit. */
  edit(name: string, at: number, author: string, { label, changes }: Edit): Promise<LoggedEdit> {
    return this.write(name, at, author, 'edit', () => ({ label, changes: squashChanges(changes), of: null }));
  }

  /** Takes back the last edit, or brings back the last one taken back, whoever made it. Throws 409 when there is none. */
  travel(name: string, at: number, author: string, kind: 'undo' | 'redo'): Promise<LoggedEdit> {
    return this.write(name, at, author, kind, async (held) => {
      const last = held[kind].at(-1);
      if (!last) throw new Problem(409, `Nothing to ${kind}`, `There is nothing to ${kind}.`);
      const line = await this.source.getRepository(EditTable).findOneByOrFail({ mod: name, revision: last.revision });
      const changes = JSON.parse(line.changes) as Change[];
      return { label: last.label, changes: kind === 'undo' ? invertChanges(changes) : changes, of: last.revision };
    });
  }

  private write(name: string, at: number, author: string, kind: EditRow['kind'], make: (held: HeldMod) => Promise<Edit & { of: number | null }> | (Edit & { of: number | null })): Promise<LoggedEdit> {
    return this.alone(async () => {
      const held = await this.mod(name);
      if (at !== held.revision) throw await this.stale(name, at, held);
      const { label, changes, of } = await make(held);
      const mod = this.applied(held.mod, changes);
      await this.check(name, mod, changes);
      const logged: LoggedEdit = { revision: held.revision + 1, at: this.now().toISOString(), author, kind, label, of, changes };
      await this.source.transaction(async (manager) => {
        await manager.getRepository(EditTable).insert({ ...logged, mod: name, changes: JSON.stringify(changes) });
        await manager.getRepository(ModTable).update({ name }, { revision: logged.revision });
        await saveEntries(manager, name, mod, changes, logged.revision);
      });
      held.mod = mod;
      held.revision = logged.revision;
      step(held, logged);
      for (const listener of this.listeners.get(name) ?? []) listener(logged, held);
      return logged;
    });
  }

  private applied(mod: Mod, changes: readonly Change[]): Mod {
    for (const { path } of changes) {
      const { kind, name } = entryOf(path);
      const known = Object.hasOwn(entrySchemas, kind);
      if (!known || (!name && kind !== 'header' && kind !== 'ledger')) throw new Problem(422, 'Edit refused', `${path || 'The whole mod'} is no place of a mod that can be edited.`, { errors: [{ pointer: path, detail: 'There is no such entry.' }] });
    }
    try {
      return applyChanges(mod, changes);
    } catch (error) {
      if (!(error instanceof EditConflict)) throw error;
      throw new Problem(422, 'Edit refused', `What stands at ${error.path} is not what the edit expects there.`, { errors: [{ pointer: error.path, detail: 'The value before the change is another one.' }] });
    }
  }

  /** Every touched entry must fit its schema, and a texture must say the truth about its picture. */
  private async check(namespace: string, mod: Mod, changes: readonly Change[]): Promise<void> {
    for (const [kind, name] of touched(changes)) {
      const document = name ? (mod[kind as EntryKind] as Record<string, unknown>)[name] : mod[kind as 'header' | 'ledger'];
      const base = name ? [kind, name] : [kind];
      if (document === undefined && name) continue;
      const keyFits = !name || namePatternOf(kind).test(name);
      if (!keyFits || name.length > 128) throw new Problem(422, 'Name refused', `"${name}" is not allowed as a name: use lowercase letters, digits and underscores, beginning with a letter.`, { errors: [{ pointer: pointer(base), detail: 'The name is not allowed.' }] });
      const fits = entrySchemas[kind as keyof typeof entrySchemas].safeParse(document, { reportInput: true });
      if (!fits.success) {
        const errors = schemaProblems(fits.error).map(({ path, message }) => ({ pointer: pointer([...base, ...path]), detail: message }));
        throw new Problem(422, 'Edit refused', `${errors[0]!.pointer}: ${errors[0]!.detail}`, { errors });
      }
      if (kind === 'textures') await this.checkPicture((document as Mod['textures'][string]).picture, pointer(base));
      if (kind === 'header' && (document as Mod['header']).namespace !== namespace) throw new Problem(422, 'Edit refused', 'The namespace cannot be changed here.');
    }
  }

  private async checkPicture(picture: Picture, at: string): Promise<void> {
    const blob = await this.source.getRepository(BlobTable).findOne({ where: { sha256: picture.sha256 }, select: { sha256: true, facts: true } });
    if (!blob?.facts || JSON.stringify(sorted(JSON.parse(blob.facts))) !== JSON.stringify(sorted(picture))) throw new Problem(422, 'Edit refused', 'The picture of the texture has not been uploaded, or its facts are wrong.', { errors: [{ pointer: `${at}/picture`, detail: 'Upload the PNG first and use the facts in the answer.' }] });
  }

  private async stale(name: string, at: number, held: HeldMod): Promise<Problem> {
    const edits = at < held.revision && at >= 0 ? await this.log(name, at) : [];
    return new Problem(412, 'The mod has moved on', `The edit was made at revision ${at}, but the mod is at revision ${held.revision}.`, { revision: held.revision, edits });
  }

  /** Notes that a revision was built, so that pages can show what the next build will change. */
  async noteBuilt(name: string, revision: number): Promise<void> {
    const held = await this.mod(name);
    await this.alone(() => this.source.getRepository(ModTable).update({ name }, { built: revision }));
    held.built = revision;
  }

  /** The edits after a revision, oldest first. */
  async log(name: string, after: number, most = 1000): Promise<LoggedEdit[]> {
    const rows = await this.source.getRepository(EditTable).createQueryBuilder('e').where('e.mod = :name AND e.revision > :after', { name, after }).orderBy('e.revision', 'ASC').limit(most).getMany();
    return rows.map(({ revision, at, author, kind, label, of, changes }) => ({ revision, at, author, kind, label, of, changes: JSON.parse(changes) as Change[] }));
  }

  /** Hears of every edit of a mod. Gives back how to stop. */
  listen(name: string, listener: Listener): () => void {
    const set = this.listeners.get(name) ?? new Set();
    this.listeners.set(name, set.add(listener));
    return () => void set.delete(listener);
  }

  /** Takes in a PNG, checked, and gives its facts. Throws a 422 {@link Problem} for anything else. */
  async addPicture(bytes: Uint8Array): Promise<Picture> {
    try {
      return (await this.putBlob(bytes, this.source.manager)) as Picture;
    } catch (error) {
      if (error instanceof PictureProblem) throw new Problem(422, 'Picture refused', error.message);
      throw error;
    }
  }

  /** Takes in a WAV or Ogg file, checked, and gives its facts. Throws a 422 {@link Problem} for anything else. */
  async addSound(bytes: Uint8Array): Promise<Sound> {
    try {
      const facts = readSound(bytes);
      await this.putBlob(bytes, this.source.manager);
      return { sha256: digestOf(bytes), bytes: bytes.length, ...facts };
    } catch (error) {
      if (error instanceof SoundProblem) throw new Problem(422, 'Sound refused', error.message);
      throw error;
    }
  }

  private async putBlob(bytes: Uint8Array, manager: EntityManager): Promise<Picture | undefined> {
    const sha256 = digestOf(bytes);
    const sound = ['RIFF', 'OggS'].find((mark) => new TextDecoder('latin1').decode(bytes.subarray(0, 4)) === mark);
    const facts = sound ? undefined : { sha256, bytes: bytes.length, ...pictureFacts(decodePicture(bytes)) };
    await manager.getRepository(BlobTable).upsert({ sha256, type: sound === 'RIFF' ? 'audio/wav' : sound ? 'audio/ogg' : 'image/png', size: bytes.length, facts: facts ? JSON.stringify(facts) : null, bytes: Buffer.from(bytes) }, ['sha256']);
    return facts;
  }

  async blob(sha256: string): Promise<{ type: string; bytes: Buffer } | undefined> {
    return (await this.source.getRepository(BlobTable).findOneBy({ sha256 })) ?? undefined;
  }

  /** All pictures and sounds that a mod uses, for a build. */
  async blobsOf(mod: Mod): Promise<(sha256: string) => Uint8Array> {
    const wanted = [...new Set([...Object.values(mod.textures).map((texture) => texture.picture.sha256), ...Object.values(mod.sounds).map((sound) => sound.sha256)])];
    const found = new Map<string, Uint8Array>();
    for (let i = 0; i < wanted.length; i += 500)
      for (const row of await this.source.getRepository(BlobTable).createQueryBuilder('b').where('b.sha256 IN (:...wanted)', { wanted: wanted.slice(i, i + 500) }).getMany()) found.set(row.sha256, row.bytes);
    return (sha256) => {
      const bytes = found.get(sha256);
      if (!bytes) throw new Problem(500, 'Picture lost', `The picture or sound ${sha256.slice(0, 12)} is not in the database.`);
      return bytes;
    };
  }

  close(): Promise<void> {
    return this.alone(() => this.source.destroy());
  }

  /** Runs writes one after the other. */
  private alone<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work, work);
    this.queue = next.catch(() => undefined);
    return next;
  }
}

/** What undo and redo would take after one more line of the log. */
function step(held: HeldMod, { revision, kind, label, of }: Pick<EditRow, 'revision' | 'kind' | 'label' | 'of'>): void {
  if (kind === 'edit') {
    held.undo.push({ revision, label });
    held.redo = [];
  } else {
    const [from, to] = kind === 'undo' ? [held.undo, held.redo] : [held.redo, held.undo];
    from.pop();
    to.push({ revision: of ?? revision, label });
  }
}

const touched = (changes: readonly Change[]): (readonly [string, string])[] => {
  const entries = new Map(changes.map(({ path }) => { const { kind, name } = entryOf(path); return [`${kind}/${name}`, [kind, name] as const]; }));
  return [...entries.values()];
};

async function saveEntries(manager: EntityManager, mod: string, document: Mod, changes: readonly Change[], revision: number): Promise<void> {
  for (const [kind, name] of touched(changes)) {
    const value: unknown = name ? (document[kind as EntryKind] as Record<string, unknown>)[name] : document[kind as 'header'];
    if (value === undefined) await manager.getRepository(EntryTable).delete({ mod, kind, name });
    else await manager.getRepository(EntryTable).upsert({ mod, kind, name, document: JSON.stringify(value), revision }, ['mod', 'kind', 'name']);
  }
}

const sorted = (value: object): [string, unknown][] => Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1));
