import { z } from 'zod';
import { recipeKinds } from './recipe.schema.ts';

/** The edition of the model that a kit's templates are written for. */
export const kitModelEdition = 1;

/** What a file of a kit is written for: once for the mod, or once for each of these. */
export const kitSubjects = [
  'mod',
  'group',
  'block',
  'state',
  'fluid',
  'item',
  'model',
  'texture',
  'sound',
  'loot',
  'tag',
  'recipe',
  'language',
] as const;
export type KitSubject = (typeof kitSubjects)[number];

/** How the words of a name are written together. */
export const letterCases = ['snake', 'kebab', 'camel', 'pascal', 'upper'] as const;
export type LetterCase = (typeof letterCases)[number];

/** What a written file is parsed as, so that a mistake is told before an engine meets it. */
export const fileSyntaxes = ['text', 'json', 'xml', 'toml', 'csv', 'lua'] as const;
export type FileSyntax = (typeof fileSyntaxes)[number];

export const turnSenses = ['counterclockwise', 'clockwise'] as const;

/** A kit as a folder holds at most so many files beside `kit.json`, and each so many letters. */
export const kitBounds = { files: 200, letters: 262_144, kits: 16 } as const;

const say = <S extends z.ZodType>(schema: S, description: string): S =>
  schema.meta({ description });
const upTo = (most: number, least = 0) => z.number().int().min(least).max(most);

const AnglesSchema = z.strictObject({
  about: say(
    z
      .array(z.enum(['x', 'y', 'z']))
      .min(1)
      .max(3)
      .refine((axes) => new Set(axes).size === axes.length, 'name each axis once'),
    'The axes of the world about which a model is turned, one after the other.',
  ),
  sense: say(
    z.enum(turnSenses).optional(),
    'Which way a positive angle turns, seen from the tip of the axis; counterclockwise (the ' +
      'right-hand rule) where nothing is said.',
  ),
  unit: say(
    z.enum(['degrees', 'quarters']).optional(),
    'Whether an angle counts degrees or quarters of a turn; degrees where nothing is said.',
  ),
});

const KitLimitsSchema = z.strictObject({
  states: say(upTo(65_536, 1).optional(), 'The most states of one block.'),
  stateCodeBits: say(upTo(32).optional(), 'The bits of a state code.'),
  wholeShares: say(z.boolean().optional(), 'Whether shares of candidates must be whole numbers.'),
  pattern: say(
    z.tuple([upTo(32, 1), upTo(32, 1)]).optional(),
    'The most places of a pattern, across and down.',
  ),
  recipes: say(
    z.array(z.enum(recipeKinds)).max(recipeKinds.length).optional(),
    'The kinds of recipes that it knows; all where nothing is said.',
  ),
  newLooks: say(
    z.literal(true).optional(),
    'Whether a mod can give new looks to blocks that it does not own.',
  ),
  boxes: say(upTo(4096, 1).optional(), 'The most boxes of one model.'),
  reach: say(
    upTo(4096).optional(),
    'How far outside the cell a box may reach, in texels of sixteen a block.',
  ),
  spinStep: say(
    z.number().min(0).max(90).optional(),
    'The step in degrees to which a box can be spun; 0 where any angle is shown.',
  ),
  textureSide: say(upTo(4096, 1).optional(), 'The longest side of a texture frame, in texels.'),
  orientations: say(
    z.union([z.literal(24), z.literal(4), AnglesSchema]).optional(),
    'How a model can stand: in all 24 ways, in 4 about the vertical, or as angles say.',
  ),
});

function isLetterClass(letters: string): boolean {
  try {
    return Boolean(new RegExp(`^[${letters}]+$`, 'u'));
  } catch {
    return false;
  }
}

const NameRuleSchema = z.strictObject({
  case: say(z.enum(letterCases).optional(), 'How the words of a name are written together.'),
  longest: say(upTo(1000, 1).optional(), 'The most letters.'),
  letters: say(
    z
      .string()
      .min(1)
      .max(100)
      .regex(/^[^\]\\^]*$/, 'list letters and ranges such as a-z0-9_, without ], ^ and \\')
      .refine(isLetterClass, 'say a range from its first letter to its last, as in a-z')
      .optional(),
    'The letters that are allowed, with ranges, such as a-z0-9_.',
  ),
});

/** A path within a kit: names with letters, digits, dots, dashes, underscores, joined by slashes. */
export const kitPathPattern = /^(?!.*(?:^|\/)\.)[A-Za-z0-9_.-]+(?:\/[A-Za-z0-9_.-]+)*$/;
const KitPath = z
  .string()
  .max(160)
  .regex(kitPathPattern, 'use letters, digits, dots, dashes and underscores, joined by slashes');

const KitFileRuleSchema = z
  .strictObject({
    for: say(z.enum(kitSubjects), 'What it is written for: once, or once for each of these.'),
    path: say(
      z.string().min(1).max(400),
      'Where it is written, as a template. Where nothing comes of it the file is left out.',
    ),
    template: say(KitPath.optional(), 'The file of the kit that says what is written.'),
    copy: say(
      z.literal(true).optional(),
      'The picture of a texture, the sound or the picture of the mod, as it is.',
    ),
    is: say(
      z.enum(fileSyntaxes).optional(),
      'What it is parsed as; told by the ending of its name where nothing is said.',
    ),
  })
  .refine(
    ({ template, copy }) => (template === undefined) !== (copy === undefined),
    'a file names a template or is a copy, one of the two',
  )
  .refine(
    ({ copy, for: subject }) => !copy || ['mod', 'texture', 'sound'].includes(subject),
    'only the picture of the mod, textures and sounds can be copied',
  );
export type KitFileRule = z.output<typeof KitFileRuleSchema>;

/** A kit that somebody wrote: what its engine holds, and which files are written for it. */
export const OwnKitSchema = z.strictObject({
  model: say(
    z.literal(kitModelEdition),
    'The edition of the model that its templates are written for.',
  ),
  title: say(z.string().min(1).max(100), 'What it is called in lists.'),
  note: say(z.string().max(4000).optional(), 'What it is for, in a few sentences.'),
  limits: say(KitLimitsSchema.optional(), 'What its engine holds; nothing is said, no bound.'),
  physics: say(
    z
      .strictObject({
        tickRate: say(upTo(1000, 1), 'Its ticks a second.'),
        wrongTool: say(
          z.number().min(1).max(1000),
          'How many times longer the wrong tool takes on a gated block.',
        ),
      })
      .optional(),
    'Where its engine digs otherwise than the reference physics.',
  ),
  ending: say(
    z
      .string()
      .max(20)
      .regex(/^\.[a-z0-9]+$/, 'use a dot and letters, as in .pack')
      .optional(),
    'What a build as one file ends in; .zip where nothing is said.',
  ),
  names: say(
    z
      .strictObject({
        files: say(
          NameRuleSchema.optional(),
          'Rules of names in paths; the filter file keeps them.',
        ),
        ids: say(NameRuleSchema.optional(), 'Rules of ids; the filter id keeps them.'),
        between: say(
          z.string().max(8).optional(),
          'What stands between namespace and name; a colon where nothing is said.',
        ),
      })
      .optional(),
    'How names are written.',
  ),
  lists: say(
    z
      .array(
        z
          .string()
          .max(40)
          .regex(/^\.[A-Za-z0-9_.-]+$/, 'use a dot and letters, as in .list'),
      )
      .max(16)
      .optional(),
    'How files end that hold a thing a line, such as .list: in the pack of somebody else, the ' +
      'lines that it lacks are added. Files that end in .csv are such always.',
  ),
  files: say(z.array(KitFileRuleSchema).max(200), 'Which files are written.'),
});
export type OwnKit = z.output<typeof OwnKitSchema>;

/** A template of a kit, an expected file, or words about it. */
export const KitFileSchema = z.strictObject({
  text: z.string().max(kitBounds.letters, `write ${kitBounds.letters} letters at most`),
});

/** The names of kits: `block-pack`. */
export const kitNamePattern = /^(?!constructor$)[a-z][a-z0-9-]*$/;
export const KitName = z
  .string()
  .max(64)
  .regex(kitNamePattern, 'use the name of a kit such as block-pack');

/** The file of a kit folder that says what the kit is. */
export const kitFile = 'kit.json';

/** The name of a file of a kit: the kit's name, and its path in the kit's folder. */
export const kitFilePattern = new RegExp(
  `^[a-z][a-z0-9-]*/(?!kit\\.json$)${kitPathPattern.source.slice(1)}`,
);
export const KitFileName = z
  .string()
  .max(240)
  .regex(
    kitFilePattern,
    'use the name of a kit and a path in it, as in four-bit/block.json.liquid',
  );
