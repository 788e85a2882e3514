import { z } from 'zod';
import { Colour, Language, Name, partRecordOf, recordOf } from './names.ts';
import { ChangedTraitsSchema, traitFacts, traitNames } from './traits.ts';

/** The traits that are numbers, of which so many times can be said. */
export const countedTraits = traitNames.filter((name) => traitFacts(name).kind === 'number');

/** So many materials and so many forms has a family at most. */
export const mostMaterials = 200;
export const mostForms = 64;

/**
 * A text with open places in braces, which each cell of a family fills: `{material}_stair`, or
 * `{id:cube}` for the id of the same material in the form called cube.
 */
const Pattern = z.string().max(400);
const Json = z.unknown();
/** A document with open places: what it is once they are filled is looked at cell by cell. */
const OpenDocument = z.record(z.string().max(64), Json);

/**
 * What differs from what would follow, by JSON Pointers within what a cell makes; null where
 * something is left out.
 */
export const DifferencesSchema = recordOf(z.string().min(1).max(500), Json);
export type Differences = z.output<typeof DifferencesSchema>;

/** What a cell makes, with open places: a block or an item, and models and recipes by their names. */
export const CellTemplateSchema = z.strictObject({
  block: OpenDocument.optional().meta({ description: 'A block, with open places.' }),
  item: OpenDocument.optional().meta({ description: 'An item, with open places.' }),
  models: recordOf(Pattern, OpenDocument).optional().meta({
    description: 'Models that it shows, by their names with open places.',
  }),
  recipes: recordOf(Pattern, OpenDocument).optional().meta({
    description: 'How it is made, by the names of recipes with open places.',
  }),
});
export type CellTemplate = z.output<typeof CellTemplateSchema>;

const patternByLanguage = recordOf(Language, Pattern);

/** A picture of a family: one that is there, or one that is made from another in the tones. */
const FamilyPictureSchema = z.union([
  Pattern,
  z.strictObject({
    texture: Pattern.meta({ description: 'What the picture of a cell is called.' }),
    from: Pattern.meta({ description: 'The picture that is put into the tones of the material.' }),
    greysStay: z
      .boolean()
      .optional()
      .meta({ description: 'Greys stay as they are, as the rock round a seam does.' }),
  }),
]);
export type FamilyPicture = z.output<typeof FamilyPictureSchema>;
const pictures = recordOf(Name, FamilyPictureSchema).meta({
  description: 'The pictures, by what they show: a face, a side, an end, an item.',
});

export const MaterialSchema = z.strictObject({
  name: Name,
  names: recordOf(Language, z.string().max(200)),
  stock: Name.optional().meta({ description: 'The stock material that its blocks start from.' }),
  traits: ChangedTraitsSchema.optional().meta({
    description: 'What its blocks have otherwise than their stock.',
  }),
  tones: z
    .array(Colour)
    .min(2)
    .max(12)
    .optional()
    .meta({ description: 'Its colours from dark to light, which pictures are put into.' }),
  grade: z
    .number()
    .int()
    .min(0)
    .max(31)
    .optional()
    .meta({ description: 'The step of the tool ladder of tools made of it.' }),
  reward: z
    .number()
    .min(0)
    .optional()
    .meta({ description: 'The experience that a player gains by melting it.' }),
});
export type Material = z.output<typeof MaterialSchema>;

export const FamilyFormSchema = z.strictObject({
  name: Name,
  kind: Name.optional().meta({ description: 'The form that ships, from which it starts.' }),
  own: CellTemplateSchema.optional().meta({
    description: 'What each cell makes, where no form that ships is meant.',
  }),
  called: Pattern.optional().meta({ description: 'The names of its blocks or items.' }),
  names: patternByLanguage.optional().meta({ description: 'What players call them.' }),
  stock: Name.optional().meta({
    description: 'The stock material of its blocks, whatever the material: the rock of a seam.',
  }),
  times: partRecordOf(countedTraits, z.number().min(0).max(1000)).optional().meta({
    description: 'Numbers of the material that count so many times: half as hard, twice as hard.',
  }),
  pictures: pictures.optional(),
  changed: DifferencesSchema.optional().meta({
    description: 'What is otherwise than in the form that ships, by JSON Pointers.',
  }),
});
export type FamilyForm = z.output<typeof FamilyFormSchema>;

export const CellSchema = z.strictObject({
  leftOut: z.literal(true).optional().meta({ description: 'This material has no such form.' }),
  called: Name.optional().meta({ description: 'A name of its own.' }),
  changed: DifferencesSchema.optional().meta({
    description: 'What is otherwise than its family gives, by JSON Pointers.',
  }),
});
export type Cell = z.output<typeof CellSchema>;

/** One declaration spread over materials and forms: each pair is a block or an item. */
export const FamilySchema = z.strictObject({
  note: z.string().max(4000).optional(),
  group: Name.optional().meta({ description: 'The catalogue group of what it makes.' }),
  materials: z
    .array(MaterialSchema)
    .max(mostMaterials)
    .meta({ description: 'What things are made of, in order.' }),
  forms: z
    .array(FamilyFormSchema)
    .max(mostForms)
    .meta({ description: 'What is made of each material, in order.' }),
  pictures: pictures.optional(),
  cells: recordOf(Name, recordOf(Name, CellSchema)).optional().meta({
    description: 'Cells that are otherwise, by material and form.',
  }),
});
export type Family = z.output<typeof FamilySchema>;
