import { z } from 'zod';
import { HeldSchema, Triple } from '../../../mod/block.schema.ts';
import { registered } from '../../../mod/ledger.schema.ts';
import { FluidSchema } from '../../../mod/flow.schema.ts';
import { DrawSchema } from '../../../mod/loot.schema.ts';
import { ReactionSchema } from '../../../mod/reaction.schema.ts';
import { RecipeSchema } from '../../../mod/recipe.schema.ts';
import {
  BoxSchema,
  ModelSchema,
  SoundSetSchema,
  StripSchema,
} from '../../../mod/entries.schema.ts';
import {
  Id,
  Language,
  Name,
  partRecordOf,
  recordOf,
  Sha256,
  Version,
  VersionRange,
} from '../../../mod/names.ts';
import {
  CodeLayoutSchema,
  DirectionSchema,
  PlacingSchema,
  PropertySchema,
  rowsOf,
  WhenSchema,
} from '../../../mod/states.schema.ts';
import { TraitsSchema, toolKinds } from '../../../mod/traits.ts';

/** The edition of the Block Pack that this code writes and reads. */
export const edition = 1;
export const formatName = 'obrank-block-pack';

const amount = z.number();
const level = z.number().int().min(0).max(15);
const whole = z.number().int();

export const PackFile = z.strictObject({
  format: z.literal(formatName),
  edition: whole,
  namespace: Name,
  title: z.string(),
  description: z
    .string()
    .optional()
    .meta({ description: 'What the mod brings, for those who may want to play it.' }),
  version: Version,
  authors: z.array(z.string()),
  license: z.string(),
  needs: z.array(Name).optional(),
  needsVersions: recordOf(Name, VersionRange).optional().meta({
    description: 'Which versions of the mods that are needed will do, where not any.',
  }),
  texels: whole.min(4).max(256),
  tickRate: whole.min(1).max(1000),
  languages: z.array(Language),
  files: recordOf(z.string(), z.strictObject({ bytes: whole.min(0), sha256: Sha256 })).optional(),
});

export const RegistryFile = z.strictObject({
  entries: z.array(
    z.strictObject({
      number: whole.min(0),
      kind: z.enum(registered),
      id: Id,
      formerly: z.array(Id).optional(),
      states: whole.min(1).optional(),
      codes: CodeLayoutSchema.optional(),
    }),
  ),
  retired: z.array(
    z.strictObject({
      number: whole.min(0),
      kind: z.enum(registered),
      id: Id,
      successor: Id.optional(),
    }),
  ),
});

/** The tool ladder: what the dig times of the reference physics need beside the blocks. */
export const ToolsFile = z.strictObject({
  kinds: partRecordOf(toolKinds, z.strictObject({ tag: Id })),
  grades: z.array(z.strictObject({ name: Name, pace: amount.min(0) })).max(32),
});
export type ToolsDocument = z.output<typeof ToolsFile>;

const boxes = z.array(z.strictObject({ at: Triple, size: Triple }));
export const BlockFile = z.strictObject({
  id: Id,
  hardness: z.union([amount.min(0).max(1e6), z.literal('unbreakable')]),
  blastRating: amount.min(0).max(1e6),
  tool: z.strictObject({ kind: z.enum(toolKinds), leastGrade: whole.min(0) }).optional(),
  gated: z.boolean(),
  lightEmitted: rowsOf(level),
  lightAbsorbed: rowsOf(level),
  friction: rowsOf(amount.min(0).max(1)),
  bounce: amount.min(0).max(1).optional(),
  speedOnTop: amount.min(0).max(4).optional(),
  dragInside: amount.min(0).max(1).optional(),
  harmOnTouch: amount.min(0).max(4).optional(),
  catchesFire: amount.min(0).max(1),
  burnsAway: amount.min(0).max(1),
  properties: z.array(PropertySchema),
  placement: z.array(PlacingSchema),
  collision: rowsOf(boxes),
  outline: rowsOf(boxes),
  reactions: z.array(ReactionSchema).optional(),
});

export const FluidFile = z.strictObject({
  id: Id,
  ...FluidSchema.pick({
    reach: true,
    pace: true,
    rises: true,
    renews: true,
    leaves: true,
    meets: true,
    drag: true,
    harm: true,
    fire: true,
    light: true,
    absorbs: true,
    pools: true,
  }).shape,
});
export type FluidDocument = z.output<typeof FluidFile>;
export const FluidLookFile = z.strictObject({
  fluid: Id,
  ...FluidSchema.pick({
    still: true,
    flowing: true,
    alphaMode: true,
    sight: true,
    tint: true,
    mapColour: true,
    soundSet: true,
  }).shape,
});
export type FluidLookDocument = z.output<typeof FluidLookFile>;

export const LootFile = z.strictObject({ block: Id, draws: z.array(DrawSchema) });
export const LootTableFile = z.strictObject({ id: Id, draws: z.array(DrawSchema) });
export const TagFile = z.strictObject({ id: Id, members: z.array(z.string()) });
export const RecipeFile = RecipeSchema;

const lookRows = z.array(
  z.strictObject({
    when: WhenSchema.optional(),
    use: z
      .array(
        z.strictObject({
          model: Id,
          front: DirectionSchema,
          top: DirectionSchema,
          upright: z.boolean().optional(),
          share: amount.min(0).optional(),
        }),
      )
      .min(1),
  }),
);
export const LookFile = z.strictObject({
  block: Id,
  mode: z.enum(['one-of', 'layered']),
  display: z.strictObject({
    alphaMode: TraitsSchema.shape.alphaMode,
    alphaCutoff: amount.min(0).max(1).optional(),
    hidesNeighbours: TraitsSchema.shape.hidesNeighbours,
    joinsOwnKind: z.boolean(),
    tint: TraitsSchema.shape.tint,
    scatter: amount.min(0).max(8),
    mapColour: TraitsSchema.shape.mapColour,
    shadedCorners: z.boolean(),
    soundSet: Id,
  }),
  rows: lookRows,
});

export const NewLookFile = z.strictObject({
  block: Id,
  properties: z.array(PropertySchema).optional(),
  placement: z.array(PlacingSchema).optional(),
  tint: TraitsSchema.shape.tint.optional(),
  mode: z.enum(['one-of', 'layered']),
  rows: lookRows,
});

export const ModelFile = ModelSchema;
export { BoxSchema };
export const ItemFile = z.strictObject({
  id: Id,
  form: z.enum(['block', 'flat']),
  block: Id.optional(),
  model: Id.optional(),
  texture: Id.optional(),
  poses: HeldSchema.shape.poses,
  group: Id.optional(),
  stack: whole.min(1).max(9999),
  tool: z.strictObject({ kind: z.enum(toolKinds), grade: whole.min(0) }).optional(),
  bucket: z.strictObject({ of: Id, empty: Id }).optional(),
});
export const StripFile = StripSchema;
export const SoundSetsFile = recordOf(Id, SoundSetSchema);
export const WordsFile = z.strictObject({
  language: Language,
  texts: recordOf(z.string(), z.string()),
});

export type PackDocument = z.output<typeof PackFile>;
export type RegistryDocument = z.output<typeof RegistryFile>;
export type BlockDocument = z.output<typeof BlockFile>;
export const GroupsFile = z.strictObject({
  groups: z.array(z.strictObject({ id: Id, icon: Id.optional() })),
});
export type GroupsDocument = z.output<typeof GroupsFile>;
export type LootTableDocument = z.output<typeof LootTableFile>;
export type LootDocument = z.output<typeof LootFile>;
export type TagDocument = z.output<typeof TagFile>;
export type LookDocument = z.output<typeof LookFile>;
export type NewLookDocument = z.output<typeof NewLookFile>;
export type ItemDocument = z.output<typeof ItemFile>;
export type WordsDocument = z.output<typeof WordsFile>;
