import { itemAt } from '../lists/index.ts';
import {
  fillSlots,
  modelOf,
  ownModel,
  resolveModel,
  textureOf,
  type ResolvedModel,
} from '../models/index.ts';
import {
  lookUp,
  changeProperty,
  stepsToShown,
  heldCodes,
  idOf,
  ownName,
  type Block,
  type Change,
  type Mod,
  type Model,
  type ResolvedBlock,
  type Texture,
} from '../mod/index.ts';
import type { LootSource } from '../loot/index.ts';
import { pointer, valueAt } from '../json/index.ts';
import { statesGiven } from '../placing/index.ts';
import { mixedRadix, type CodeLayout, type State } from '../states/index.ts';
import type { Kit, Shortfall } from '../kits/index.ts';
import type { Fix } from './finding.ts';
import { meantBy, type Meant } from './meant.ts';
import { misspeltToolTags } from './tool-tags.ts';
import { nothingUnread, type Unread } from './unread.ts';

/** One look at the mod beyond the block itself: a question and the answer that was given. */
type Read = (mod: Mod) => unknown;

/** What a question looks at: one entry of a kind, or, without a name, all that there are. */
export type Dependency = readonly [kind: keyof Mod, name?: string];

/** The kinds of entries that a target may look at beside a block itself. */
const shownKinds = ['models', 'textures', 'sounds', 'soundSets', 'items', 'blocks'] as const;

const templates = new WeakMap<Mod['models'], ReadonlySet<string>>();

/** The ids that models start from; worked out once for as long as no model changes. */
function templatesIn(models: Mod['models']): ReadonlySet<string> {
  const known = templates.get(models);
  if (known) return known;
  const found = new Set(Object.values(models).flatMap(({ template }) => template ?? []));
  templates.set(models, found);
  return found;
}

/**
 * What a block rule may ask about the rest of the mod. Every answer is noted, so that the block is
 * inspected again when, and only when, one of the answers would now be another.
 */
export class BlockContext {
  private readonly reads: { read: Read; answer: unknown }[] = [];
  private asksKits = false;
  /** What the questions look at, beside the header, which all of them may. */
  readonly dependencies: Dependency[] = [];

  constructor(
    private readonly mod: Mod,
    readonly block: ResolvedBlock,
    private asked: Kit,
    private readonly unread: Unread = nothingUnread,
  ) {}

  /** True when every question that was asked would be answered the same by this mod. */
  stillHolds(mod: Mod): boolean {
    return (
      mod.header === this.mod.header && this.reads.every(({ read, answer }) => read(mod) === answer)
    );
  }

  /** Asks the mod, looking at the entries that {@link asks} has noted and at those of these kinds. */
  private ask<T>(read: (mod: Mod) => T, ...kinds: (keyof Mod)[]): T {
    const answer = read(this.mod);
    this.reads.push({ read, answer });
    for (const kind of kinds) this.dependencies.push([kind]);
    return answer;
  }

  /** Notes that an entry of the mod is asked for, with the parts of it that are named. */
  private asks(kind: keyof Mod, id: string, ...parts: string[]): void {
    const name = ownName(this.mod.header.namespace, id);
    if (name === undefined) return;
    this.dependencies.push([kind, name]);
    this.unread.ask(kind, name);
    for (const part of parts) this.unread.ask(kind, name, part);
  }

  /** The kit that is asked at the moment: what it holds, and how it shows things. */
  get kit(): Kit {
    // One of the mod's own may hold more or less from one moment to the next.
    if (!this.asksKits) this.ask((mod) => mod.kits, 'kits');
    this.asksKits = true;
    return this.asked;
  }

  /** Asks what follows of another kit; what was noted counts for all of them. */
  turnTo(kit: Kit): this {
    this.asked = kit;
    return this;
  }

  get header(): Mod['header'] {
    return this.unread.watch(this.mod.header, 'header');
  }

  model(id: string): Model | undefined {
    this.asks('models', id);
    return this.ask((mod) => ownModel(mod, id)) ?? modelOf(this.mod, id);
  }

  /** The model with its templates followed; undefined when it does not exist. */
  resolvedModel(id: string): ResolvedModel | undefined {
    const model = this.model(id);
    return (
      model &&
      resolveModel(
        model,
        (template) => {
          this.asks('models', template);
          return this.ask((mod) => ownModel(mod, template));
        },
        this.header.texels,
      )
    );
  }

  texture(id: string): Texture | undefined {
    this.asks('textures', id, 'strip');
    return this.ask((mod) => textureOf(mod, id));
  }

  /** True when an item of that id exists: an item, or a block that can be held. */
  hasItem(id: string): boolean {
    this.asks('items', id);
    this.asks('blocks', id, 'identity');
    return this.ask((mod) => {
      const name = ownName(mod.header.namespace, id);
      if (name === undefined) return false;
      const form = lookUp(mod.blocks, name)?.identity.item ?? 'none';
      return lookUp(mod.items, name) !== undefined || form !== 'none';
    });
  }

  /** What is meant by the id of a thing that the mod does not have. */
  meantBy(id: string, candidates: readonly string[]): Meant {
    const ledger = this.ask((mod) => mod.ledger, 'ledger');
    const { namespace } = this.header;
    return meantBy(id, { ledger, namespace, candidates, kinds: ['block', 'item'] });
  }

  /** Where the block's loot is looked up: its states, and the loot tables of the mod. */
  get loot(): LootSource {
    return {
      space: this.block.space,
      tableOf: (id) => {
        this.asks('lootTables', id);
        return this.ask(
          (mod) => lookUp(mod.lootTables, ownName(mod.header.namespace, id) ?? '')?.draws,
        );
      },
    };
  }

  /** The loot of another block, as it is declared. */
  lootOf(id: string): Block['loot'] {
    this.asks('blocks', id, 'loot');
    return this.ask((mod) => lookUp(mod.blocks, ownName(mod.header.namespace, id) ?? '')?.loot);
  }

  /** True when nothing is in a tag of the mod, and another one is called nearly the same. */
  isMisspeltToolTag(tag: string): boolean {
    return this.ask((mod) => misspeltToolTags(mod).has(tag), 'blockTags');
  }

  /** True when the sound set is one of the mod's own. */
  hasSoundSet(id: string): boolean {
    this.unread.ask('soundSets');
    return this.ask(
      (mod) => Object.hasOwn(mod.soundSets, ownName(mod.header.namespace, id) ?? ''),
      'soundSets',
    );
  }

  /** How the block's states are stored. */
  get codes(): CodeLayout {
    this.unread.ask('ledger');
    return (
      this.ask((mod) => heldCodes(mod.ledger, this.block.name), 'ledger') ??
      mixedRadix(this.block.space)
    );
  }

  /**
   * A fix that lays the block's state codes out another way; undefined lets them follow from the
   * properties.
   */
  setCodes(title: string, codes: CodeLayout | undefined): Fix | undefined {
    const entries = this.ask((mod) => mod.ledger.entries, 'ledger');
    const at = entries.findIndex(({ kind, name }) => kind === 'block' && name === this.block.name);
    return at < 0
      ? undefined
      : {
          title,
          changes: [
            {
              path: pointer(['ledger', 'entries', at, 'codes']),
              before: itemAt(entries, at).codes,
              after: codes,
            },
          ],
        };
  }

  /** A fix that takes a property away, with every row and rule that names it put right. */
  withoutProperty(index: number): Fix {
    this.ask((mod) => mod.ledger.entries, 'ledger');
    return {
      title: `Remove ${itemAt(this.block.space.properties, index).name}`,
      changes: changeProperty(this.mod, this.block.name, index, undefined),
    };
  }

  /** What the kit's target shows otherwise than the block declares, of one facet. */
  shortfalls(facet: Shortfall['facet']): string[] {
    const { block, kit } = this;
    if (!kit.shortfalls) return [];
    const words = this.ask(
      (mod) =>
        (kit.shortfalls?.(mod, block) ?? [])
          .filter((one) => one.facet === facet)
          .map((one) => one.words)
          .join('\n'),
      ...shownKinds,
    );
    return words === '' ? [] : words.split('\n');
  }

  /** The states in which reactions of the mod's blocks let a block come to stand. */
  comesAs(id: string): State[] {
    const answer = this.ask((mod) => JSON.stringify(statesGiven(mod.blocks, id)), 'blocks');
    return JSON.parse(answer) as State[];
  }

  /** True when other models of the mod start from it. */
  isTemplate(id: string): boolean {
    return this.ask(({ models }) => templatesIn(models).has(id), 'models');
  }

  /** A fix that shows a texture on slots of a model, by a model of the block's own if need be. */
  fillSlots(model: string, slots: readonly string[], texture: string): Fix {
    this.ask((mod) => mod.models, 'models');
    return {
      title: `Show ${texture} there`,
      changes: fillSlots(this.mod, this.block.name, model, slots, texture),
    };
  }

  /**
   * All ids of a kind, for near misses. Asked only once something is wrong, so it need not be
   * remembered.
   */
  idsOf(kind: 'models' | 'textures' | 'items' | 'blocks' | 'blockTags' | 'lootTables'): string[] {
    return Object.keys(this.mod[kind]).map((name) => idOf(this.mod.header.namespace, name));
  }

  private shown: string[] | undefined;

  /** The distinct models that the block's looks show, in order. */
  get shownModels(): readonly string[] {
    return (this.shown ??= [
      ...new Set(this.block.looks.rows.flatMap(({ value }) => value.map(({ model }) => model))),
    ]);
  }

  /** A fix that puts a value at a place of the block; undefined takes away what is there. */
  set(title: string, path: (string | number)[], after: unknown): Fix {
    return this.setAll(title, [[path, after]]);
  }

  setAll(title: string, values: readonly (readonly [(string | number)[], unknown])[]): Fix {
    const changes = values.map(([at, after]): Change => ({
      path: pointer([...stepsToShown(this.block.name), ...at]),
      before: valueAt(this.block.declared, pointer(at)),
      after,
    }));
    return { title, changes };
  }
}
