import { z } from 'zod';
import { axes, sides } from '../space/index.ts';
import { Triple } from './block.schema.ts';
import {
  Colour,
  Id,
  Language,
  Name,
  partRecordOf,
  recordOf,
  Sha256,
  Version,
  VersionRange,
} from './names.ts';
import { currentEdition } from './migrations/index.ts';
import { KitName } from './kit.schema.ts';
import { toolKinds } from './traits.ts';

const amount = z.number();

export const BoxSideSchema = z.strictObject({
  slot: Name,
  crop: z
    .tuple([amount, amount, amount, amount])
    .optional()
    .meta({ description: 'Left, top, width and height in texels of the texture.' }),
  quarters: z
    .number()
    .int()
    .min(0)
    .max(3)
    .optional()
    .meta({ description: 'Quarter turns of the picture, clockwise.' }),
  mirrored: z
    .boolean()
    .optional()
    .meta({ description: 'The picture is mirrored, left to right, before it is turned.' }),
  untinted: z
    .boolean()
    .optional()
    .meta({ description: 'The tint of the block does not colour it.' }),
});
export const BoxSchema = z.strictObject({
  name: Name.optional(),
  group: Name.optional().meta({ description: 'The part of the model that it belongs to.' }),
  at: Triple,
  size: Triple,
  spin: z
    .strictObject({ about: z.enum(axes), by: amount, pivot: Triple })
    .optional()
    .meta({ description: 'Turned about an axis by degrees, by the right-hand rule.' }),
  sides: partRecordOf(sides, BoxSideSchema),
});
export type Box = z.output<typeof BoxSchema>;
export type BoxSide = z.output<typeof BoxSideSchema>;
/** So many boxes a model can have. */
export const mostBoxes = 1024;

export const ModelSchema = z.strictObject({
  template: Id.optional(),
  slots: recordOf(Name, Id).optional(),
  boxes: z.array(BoxSchema).max(mostBoxes).optional(),
});
export type Model = z.output<typeof ModelSchema>;

/**
 * Facts of a PNG, read when the picture comes in. Sizes in texels; `mean` is the mean colour, in
 * linear light, of what is not fully clear.
 */
export const PictureSchema = z.strictObject({
  sha256: Sha256,
  bytes: z.number().int().min(0),
  width: z.number().int().min(1),
  height: z.number().int().min(1),
  alpha: z.enum(['none', 'holes', 'partial']),
  mean: z.string(),
  grey: z.boolean(),
  lights: z.array(z.number().int().min(0).max(1000)).max(4096).optional().meta({
    description:
      'Where it is higher than wide: how light each row is, in thousandths, before a dark ground.',
  }),
  seams: z
    .number()
    .min(0)
    .max(1)
    .optional()
    .meta({ description: 'The share of an edge along which it does not tile.' }),
});
export type Picture = z.output<typeof PictureSchema>;

export const StripSchema = z.strictObject({
  frameHeight: z.number().int().min(1).optional(),
  ticks: z.number().min(1).max(10_000).meta({ description: 'How many ticks a frame stays.' }),
  order: z
    .array(
      z.union([
        z.number().int(),
        z.strictObject({
          frame: z.number().int().meta({ description: 'The number of the frame, from 0.' }),
          ticks: z
            .number()
            .int()
            .min(1)
            .max(10_000)
            .meta({ description: 'How many ticks it stays here.' }),
        }),
      ]),
    )
    .max(4096)
    .optional()
    .meta({
      description:
        'Frame numbers in the order in which they show, or frames that stay for ticks of their own.',
    }),
  blend: z
    .boolean()
    .optional()
    .meta({ description: 'Each frame goes over into the next one while it stays.' }),
});
export type Strip = z.output<typeof StripSchema>;
/** The patterns that pictures are made from; what each draws is in `core/textures/making/`. */
export const patternNames = [
  'stone',
  'planks',
  'brick',
  'cloth',
  'thatch',
  'pane',
  'specks',
  'leaves',
  'liquid',
  'stream',
] as const;
/** How a picture was made, so that it can be made again otherwise. */
export const MadeSchema = z.strictObject({
  pattern: z.enum(patternNames).meta({ description: 'What is drawn.' }),
  texels: z.number().int().min(4).max(256).meta({ description: 'Texels along each side.' }),
  seed: z
    .number()
    .int()
    .min(0)
    .max(999_999)
    .meta({ description: 'Another seed makes another picture of the same kind.' }),
  tones: z
    .array(Colour)
    .min(2)
    .max(12)
    .meta({ description: 'The colours it is made of, from dark to light.' }),
  amounts: recordOf(Name, z.number().min(0).max(1000)).meta({
    description: 'How much of what the pattern has; what is not named is as usual.',
  }),
  on: Id.optional().meta({ description: 'The texture that it lies on, where it lies on one.' }),
});
export type Made = z.output<typeof MadeSchema>;
/** From which picture another one was made in the tones of a material, and what came of it. */
export const TonedSchema = z.strictObject({
  from: Id.meta({ description: 'The texture that it was made from.' }),
  was: Sha256.meta({ description: 'What that showed then: the SHA-256 of its picture.' }),
  gave: Sha256.meta({
    description: 'What came of it. A texture that shows another picture now is one of its own.',
  }),
});
export const TextureSchema = z.strictObject({
  picture: PictureSchema,
  strip: StripSchema.optional(),
  made: MadeSchema.optional().meta({
    description: 'How the picture was made, if it was made here.',
  }),
  toned: TonedSchema.optional().meta({
    description: 'From which picture it was made in the tones of a material, if it was.',
  }),
});
export type Texture = z.output<typeof TextureSchema>;
/** What is said of a texture in files beside its picture: `brine.strip.json`. */
export const besidePictures = ['strip', 'made', 'toned'] as const;

/** So many lie in one place where nothing else is said. */
export const usualStack = 50;

/** An item that is not a block. */
export const ItemSchema = z.strictObject({
  group: Name.optional(),
  texture: Id.optional(),
  stack: z.number().int().min(1).max(9999).optional(),
  tags: z.array(Id).max(1000).optional().meta({ description: 'The item tags that it is in.' }),
  tool: z
    .strictObject({ kind: z.enum(toolKinds), grade: z.number().int().min(0) })
    .optional()
    .meta({ description: 'It is a tool of the ladder.' }),
  bucket: z
    .strictObject({ of: Id, empty: Id })
    .optional()
    .meta({ description: 'It is a bucket: filled with that block, out of that empty one.' }),
  natural: z
    .boolean()
    .optional()
    .meta({ description: 'The world has it without anybody making it.' }),
  names: recordOf(Language, z.string().max(200)),
});
export type Item = z.output<typeof ItemSchema>;
export const TagSchema = z.strictObject({
  note: z.string().max(1000).optional(),
  members: z
    .array(z.string().max(200))
    .max(10_000)
    .optional()
    .meta({
      description:
        "Ids of other mods or, with a leading #, other tags. The mod's own blocks and items " +
        'say themselves which tags they are in.',
    }),
});
export type Tag = z.output<typeof TagSchema>;
export const WordsSchema = z.strictObject({
  texts: recordOf(z.string().max(200), z.string().max(4000)),
});

export const soundEvents = ['place', 'step', 'dig', 'break', 'land'] as const;
/** Facts of a sound, read when it comes in; `problem` says why it cannot be read. */
export const SoundSchema = z.strictObject({
  sha256: Sha256,
  bytes: z.number().int().min(0),
  format: z.enum(['wav', 'ogg']),
  seconds: amount.min(0).optional(),
  channels: z.number().int().min(1).optional(),
  rate: z.number().int().min(1).optional(),
  peak: amount
    .min(0)
    .max(1)
    .optional()
    .meta({ description: 'The loudest sample, 0 to 1 of full scale.' }),
  clipped: z.boolean().optional(),
  problem: z.string().max(500).optional(),
});
export type Sound = z.output<typeof SoundSchema>;
const range = z.tuple([amount, amount]);
export const SoundSetSchema = partRecordOf(
  soundEvents,
  z.array(z.strictObject({ sound: Id, volume: range.optional(), pitch: range.optional() })).max(64),
);
export type SoundSet = z.output<typeof SoundSetSchema>;

/** So many files a mod carries that are none of Obrank's. */
export const mostKeptFiles = 500;
const pathOfKept = z
  .string()
  .max(200)
  .regex(
    /^(?!\/)(?!.*(?:^|\/)\.{0,2}(?:\/|$))[^\\:\p{Cc}]+$/u,
    'use a path within the pack, with forward slashes',
  );

const RuleId = z
  .string()
  .max(64)
  .regex(/^[a-z]+\/[a-z0-9-]+$/, 'use the id of a rule such as tags/empty');
const reason = z
  .string()
  .min(1)
  .max(500)
  .meta({ description: 'The reason, for whoever comes after.' });
/** What a mod says of its own inspection. */
export const InspectionSchema = z.strictObject({
  rules: recordOf(
    RuleId,
    z.strictObject({
      gravity: z
        .enum(['off', 'error', 'warning', 'hint'])
        .meta({ description: 'How much its findings count; off leaves them out.' }),
      why: reason,
    }),
  )
    .optional()
    .meta({ description: 'Rules that count otherwise in this mod, by their ids.' }),
  silenced: z
    .array(
      z.strictObject({
        rule: RuleId.meta({ description: 'The rule that finds it.' }),
        message: z.string().max(4000).meta({ description: 'What the finding says.' }),
        why: reason,
      }),
    )
    .max(1000)
    .optional()
    .meta({ description: 'Findings that are not told.' }),
});

export const HeaderSchema = z.strictObject({
  edition: z.literal(currentEdition).meta({
    description: 'The shape of the documents of this mod; older ones are brought forward.',
  }),
  namespace: Name,
  title: z.string().min(1).max(100),
  description: z.string().min(1).max(4000).optional().meta({
    description: 'What the mod brings, in a few sentences, for those who may want to play it.',
  }),
  picture: PictureSchema.refine(({ width, height }) => width === height, {
    error: 'the picture of a mod is square',
  })
    .optional()
    .meta({
      description:
        'The picture of the mod, as players see it in lists. In a mod folder it is picture.png.',
    }),
  version: Version,
  authors: z.array(z.string().max(200)).max(100),
  license: z.string().max(200),
  texels: z.number().int().min(4).max(256),
  tickRate: z.number().int().min(1).max(1000),
  languages: z.array(Language).min(1).max(64),
  kit: KitName,
  alsoFor: z.array(KitName).min(1).max(32).optional().meta({
    description: 'Other kits that the mod is built for, beside the one that is asked first.',
  }),
  needs: z
    .array(
      z.strictObject({
        namespace: Name,
        versions: VersionRange.optional().meta({
          description: 'Which of its versions will do, as a range such as >=1.2.0 <2.0.0.',
        }),
        note: z.string().max(1000).optional(),
      }),
    )
    .max(200)
    .optional()
    .meta({ description: 'Other mods that this one names things of.' }),
  groups: z
    .array(
      z.strictObject({
        name: Name,
        icon: Id.optional().meta({ description: 'The item that stands for the group.' }),
        names: recordOf(Language, z.string().max(200)),
      }),
    )
    .max(200),
  tools: z.strictObject({
    kinds: partRecordOf(
      toolKinds,
      z.strictObject({
        tag: Id.meta({ description: 'The block tag that this kind of tool digs.' }),
      }),
    ),
    grades: z
      .array(z.strictObject({ name: Name, pace: amount }))
      .max(32)
      .meta({
        description: 'The tool ladder: grade 0 first. A grade divides the dig time by its pace.',
      }),
  }),
  inspection: InspectionSchema.optional().meta({
    description: 'What of the findings is told otherwise in this mod, and why.',
  }),
  kept: recordOf(pathOfKept, z.strictObject({ sha256: Sha256, bytes: z.number().int().min(0) }))
    .refine((files) => Object.keys(files).length <= mostKeptFiles, {
      error: `keep at most ${mostKeptFiles} files`,
    })
    .optional()
    .meta({
      description:
        'Files of the pack that the mod was made from, and of which Obrank knows nothing: a build ' +
        'carries them along byte for byte. In a mod folder they lie under kept/.',
    }),
});
export type Header = z.output<typeof HeaderSchema>;
