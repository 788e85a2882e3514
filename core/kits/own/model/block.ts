import type { z } from 'zod';
import { shapeByState, shapeIn } from '../../../models/index.ts';
import {
  byStateTraits,
  codesOf,
  sameData,
  traitNames,
  type ByStateTrait,
  type Mod,
  type ResolvedBlock,
} from '../../../mod/index.ts';
import {
  bitsFor,
  encoderOf,
  expandRows,
  fewestRows,
  valueIn,
  type CodeLayout,
  type Row,
  type Rows,
  type When,
} from '../../../states/index.ts';
import type { PlainBox } from '../../../space/index.ts';
import { BlockSchema, HeldSchema } from '../../../mod/block.schema.ts';
import { DrawSchema } from '../../../mod/loot.schema.ts';
import { ReactionSchema } from '../../../mod/reaction.schema.ts';
import { CodeLayoutSchema, PlacingSchema } from '../../../mod/states.schema.ts';
import { filledEntry } from './filled.ts';
import { lazily } from './lazily.ts';
import { namesIn, numberIn, titleIn } from './names.ts';
import type { BlockModel, LookRowModel, StateModel } from './schema.ts';
import { candidateModel } from './turned.ts';

type States = z.output<typeof StateModel>;
type LookRows = z.output<typeof LookRowModel>[];

/** A condition on the state; nothing where every state meets it. */
const askedBy = (when: When | undefined): When | null =>
  when && Object.keys(when).length ? when : null;

const boxModel = ({ at, size }: PlainBox) => ({ at: [...at], size: [...size] });

const shapeRows = (rows: readonly Row<PlainBox[]>[]) =>
  rows.map(({ when, value }) => ({ when: askedBy(when), value: value.map(boxModel) }));

const lookRows = (rows: ResolvedBlock['looks']['rows']): LookRows =>
  rows.map(({ when, value }) => ({ when: askedBy(when), use: value.map(candidateModel) }));

/** A trait by state: one number, or rows of them. */
const numberRows = (rows: Rows<number>) => ({
  constant: rows.length === 1 && rows[0]?.when === undefined ? (rows[0]?.value ?? null) : null,
  rows: rows.map(({ when, value }) => ({ when: askedBy(when), value })),
});

/** How an item sits where it is looked at. */
export const posesSchema: z.ZodType = HeldSchema.shape.poses;

/** Draws of loot, each with all that can be said of it. */
export const drawModels = (draws: ResolvedBlock['draws']): Record<string, unknown>[] =>
  draws.map((draw) => filledEntry(draw, DrawSchema));

/** A block as templates see it. */
export function blockModel(mod: Mod, block: ResolvedBlock): BlockModel {
  const { name, declared, space } = block;
  const { identity, states, names } = declared;
  const layout = (): CodeLayout => codesOf(mod.ledger, name, space);
  const shape = (which: 'collision' | 'outline') =>
    space.tooLarge ? [] : shapeRows(shapeByState(mod, block, block.shapes[which]));
  const model: BlockModel = lazily<BlockModel>({
    name: () => name,
    id: () => block.id,
    number: () => numberIn(mod, 'block', name),
    title: () => titleIn(mod, name, names),
    names: () => namesIn(mod, names),
    note: () => identity.note ?? '',
    group: () => identity.group ?? null,
    stock: () => identity.stock ?? null,
    isNatural: () => identity.natural ?? false,
    item: () => block.item,
    held: () => ({
      model: identity.held?.model ?? null,
      picture: identity.held?.picture ?? null,
      poses: identity.held?.poses ? filledEntry(identity.held.poses, posesSchema) : null,
    }),
    traits: () => traitsModel(block),
    properties: () =>
      states.properties.map((property, index) => ({
        name: property.name,
        kind: property.kind,
        values: [...(space.values[index] ?? [])],
        default: property.default,
        bits: bitsFor(space.values[index]?.length ?? 0),
        byCode: property.byCode ?? false,
      })),
    placing: () => (states.placing ?? []).map((rule) => filledEntry(rule, PlacingSchema)),
    hasTooManyStates: () => space.tooLarge,
    codeLayout: () => filledEntry(layout(), CodeLayoutSchema),
    states: () => (space.tooLarge ? [] : stateModels(mod, block, layout())),
    look: () =>
      lazily<BlockModel['look']>({
        mode: () => block.looks.mode,
        rows: () => lookRows(block.looks.rows),
        fewestRows: () => lookRows(fewest(block)),
      }),
    collision: () => shape('collision'),
    // Mostly the two are the same, and working one out is much of what a block costs.
    outline: () =>
      sameData(block.shapes.collision, block.shapes.outline) ? model.collision : shape('outline'),
    draws: () => drawModels(block.draws),
    tags: () => [...declared.tags],
    itemTags: () => [...(declared.itemTags ?? [])],
    declared: () => filledEntry(declared, BlockSchema),
    reactions: () =>
      (declared.reactions ?? []).map((reaction) => filledEntry(reaction, ReactionSchema)),
  });
  return model;
}

/** Rows that show the same; layers each say something of their own, so they stay. */
function fewest({ looks, space }: ResolvedBlock): ResolvedBlock['looks']['rows'] {
  if (looks.mode === 'layered' || space.tooLarge) return looks.rows;
  return fewestRows(expandRows(looks.rows, space), space, looks.rows).rows;
}

function traitsModel({ traits }: ResolvedBlock): BlockModel['traits'] {
  const isByState = (trait: string): trait is ByStateTrait =>
    (byStateTraits as readonly string[]).includes(trait);
  const values = traitNames.map((trait) => {
    if (isByState(trait)) return [trait, numberRows(traits[trait])];
    const value = traits[trait];
    return [trait, value === 'unbreakable' ? null : value];
  });
  return Object.fromEntries(values) as BlockModel['traits'];
}

/** The states of a block one by one; what is dear in each is worked out when it is asked for. */
function stateModels(mod: Mod, block: ResolvedBlock, layout: CodeLayout): States[] {
  const { space, looks, traits } = block;
  const codes = encoderOf(layout, space);
  const rows = looks.rows.map((row) => ({ matching: space.matching(row.when), use: row.value }));
  const shape = (which: 'collision' | 'outline', state: number) => () =>
    shapeIn(mod, block, block.shapes[which], state).map(boxModel);
  return Array.from({ length: space.size }, (_, index): States => {
    const values = space.decode(index);
    const layers = () => {
      const all = rows.filter(({ matching }) => matching.has(index));
      const shown = looks.mode === 'layered' ? all : all.slice(0, 1);
      return shown.map(({ use }) => ({ use: use.map(candidateModel) }));
    };
    const state: States = lazily<States>({
      index: () => index,
      code: () => codes[index] ?? -1,
      key: () =>
        Object.entries(values)
          .map(([name, value]) => `${name}=${value}`)
          .join(','),
      isDefault: () => index === space.defaultState,
      values: () => values,
      list: () => Object.entries(values).map(([property, value]) => ({ property, value })),
      traits: () =>
        Object.fromEntries(
          byStateTraits.map((trait) => [trait, valueIn(traits[trait], space, index) ?? 0]),
        ) as States['traits'],
      layers,
      use: () => state.layers[0]?.use ?? [],
      collision: shape('collision', index),
      outline: shape('outline', index),
    });
    return state;
  });
}
