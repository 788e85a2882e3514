import { z } from 'zod';
import { axes, sides } from '../space/index.ts';
import { CountSchema, Triple } from './block.schema.ts';
import { Id, Language, Name, PathName, Sha256, Version } from './names.ts';
import { CodeLayoutSchema } from './states.schema.ts';
import { toolKinds } from './traits.schema.ts';

const amount = z.number().finite();

export const BoxSideSchema = z.strictObject({
  slot: Name,
  crop: z.tuple([amount, amount, amount, amount]).optional().meta({ description: 'Left, top, width and height in texels of the texture.' }),
  quarters: z.number().int().min(0).max(3).optional().meta({ description: 'Quarter turns of the picture, clockwise.' }),
});
export const BoxSchema = z.strictObject({
  name: Name.optional(),
  at: Triple,
  size: Triple,
  spin: z.strictObject({ about: z.enum(axes), by: amount, pivot: Triple }).optional().meta({ description: 'Turned about an axis by degrees, by the right-hand rule.' }),
  sides: z.partialRecord(z.enum(sides), BoxSideSchema),
});
export type Box = z.output<typeof BoxSchema>;

export const ModelSchema = z.strictObject({
  template: Id.optional(),
  slots: z.record(Name, Id).optional(),
  boxes: z.array(BoxSchema).max(1024).optional(),
});
export type Model = z.output<typeof ModelSchema>;

/** Facts of a PNG, read when the picture comes in. Sizes in texels; `mean` is the mean sRGB colour of what is not fully clear. */
export const PictureSchema = z.strictObject({
  sha256: Sha256,
  bytes: z.number().int().min(0),
  width: z.number().int().min(1),
  height: z.number().int().min(1),
  alpha: z.enum(['none', 'holes', 'partial']),
  mean: z.string(),
  grey: z.boolean(),
});
export type Picture = z.output<typeof PictureSchema>;

export const StripSchema = z.strictObject({
  frameHeight: z.number().int().min(1).optional(),
  ticks: z.number().min(1).max(10_000).meta({ description: 'How many ticks a frame stays.' }),
  order: z.array(z.number().int()).max(4096).optional().meta({ description: 'Frame numbers in the order in which they show.' }),
});
export const TextureSchema = z.strictObject({ picture: PictureSchema, strip: StripSchema.optional() });
export type Texture = z.output<typeof TextureSchema>;

export const ItemSchema = z.strictObject({ group: Name.optional(), texture: Id.optional(), stack: z.number().int().min(1).max(9999).optional(), names: z.record(Language, z.string().max(200)) });
export const TagSchema = z.strictObject({ note: z.string().max(1000).optional(), members: z.array(z.string().max(200)).max(10_000).optional().meta({ description: 'Ids of other mods or, with a leading #, other tags. The mod\'s own blocks say themselves which tags they are in.' }) });
export const RecipeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('pattern'), pattern: z.array(z.string().max(32)).max(32), keys: z.record(z.string().max(1), z.string().max(200)), gives: Id, count: z.number().int().min(1).optional() }),
  z.strictObject({ kind: z.literal('mix'), takes: z.array(z.string().max(200)).max(64), gives: Id, count: z.number().int().min(1).optional() }),
]);
export const WordsSchema = z.strictObject({ texts: z.record(z.string().max(200), z.string().max(4000)) });

export const soundEvents = ['place', 'step', 'dig', 'break', 'land'] as const;
/** Facts of a sound, read when it comes in; `problem` says why it cannot be read. */
const SoundSchema = z.strictObject({
  sha256: Sha256, bytes: z.number().int().min(0), format: z.enum(['wav', 'ogg']),
  seconds: amount.min(0).optional(), channels: z.number().int().min(1).optional(), rate: z.number().int().min(1).optional(),
  peak: amount.min(0).max(1).optional().meta({ description: 'The loudest sample, 0 to 1 of full scale.' }),
  clipped: z.boolean().optional(), problem: z.string().max(500).optional(),
});
export type Sound = z.output<typeof SoundSchema>;
const range = z.tuple([amount, amount]);
export const SoundSetSchema = z.partialRecord(z.enum(soundEvents), z.array(z.strictObject({ sound: Id, volume: range.optional(), pitch: range.optional() })).max(64));
export type SoundSet = z.output<typeof SoundSetSchema>;

export const HeaderSchema = z.strictObject({
  namespace: Name,
  title: z.string().min(1).max(100),
  version: Version,
  authors: z.array(z.string().max(200)).max(100),
  license: z.string().max(200),
  texels: z.number().int().min(4).max(256),
  tickRate: z.number().int().min(1).max(1000),
  languages: z.array(Language).min(1).max(64),
  kit: z.string().max(64).regex(/^[a-z][a-z0-9-]*$/, 'use the name of a kit such as block-pack'),
  groups: z.array(z.strictObject({ name: Name, names: z.record(Language, z.string().max(200)) })).max(200),
  tools: z.strictObject({
    kinds: z.partialRecord(z.enum(toolKinds), z.strictObject({ tag: Id.meta({ description: 'The block tag that this kind of tool digs.' }) })),
    grades: z.array(z.strictObject({ name: Name, pace: amount })).max(32).meta({ description: 'The tool ladder: grade 0 first. A grade divides the dig time by its pace.' }),
  }),
});
export type Header = z.output<typeof HeaderSchema>;

/** The ledger: numbers that saved worlds depend on. They never move, and retired ones are never given again. */
export const LedgerSchema = z.strictObject({
  entries: z.array(z.strictObject({ number: z.number().int().min(0), kind: z.enum(['group', 'block', 'item']), name: Name, formerly: z.array(Name).max(1000).optional().meta({ description: 'What it was called before, so that saved worlds that know it by an old name are understood.' }), codes: CodeLayoutSchema.optional().meta({ description: 'How the block\'s states are stored, once that must not follow from its properties alone.' }) })).max(100_000),
  retired: z.array(z.strictObject({ number: z.number().int().min(0), kind: z.enum(['group', 'block', 'item']), name: Name, successor: Id.optional() })).max(100_000),
});
export type Ledger = z.output<typeof LedgerSchema>;

const named = <S extends z.ZodType>(schema: S) => z.record(Name, schema);
const foldered = <S extends z.ZodType>(schema: S) => z.record(PathName, schema);
export { CountSchema, foldered, named, SoundSchema };
