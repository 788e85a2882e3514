import { z } from 'zod';
import {
  byStateTraits,
  traitNames,
  type ByStateTrait,
  type TraitName,
} from '../../../mod/index.ts';
import { traitFacts, traitTable } from '../../../mod/traits.ts';
import { directions, sides } from '../../../space/index.ts';

/**
 * What the templates of a kit are given, read-only. Everything is always there: what a mod does not
 * say is null, so that a template asks for it in the open. The documents and the JSON Schema are
 * made from these.
 */
const say = <S extends z.ZodType>(schema: S, description: string): S =>
  schema.meta({ description });

const text = z.string();
const whole = z.number().int();
const number = z.number();
const orNothing = <S extends z.ZodType>(schema: S) => schema.nullable();
const numbers = (count: number) => z.array(number).length(count);
/** Something as it was declared, whatever keys it has; what is not said is not there. */
const declared = z.record(z.string(), z.unknown());
const value = z.union([z.boolean(), z.number(), z.string()]);

const name = say(text, 'Its name in the mod.');
const id = say(text, 'Its id: the namespace, a colon, the name.');
const names = say(
  z.array(
    z.strictObject({
      language: say(text, 'The tag of a language.'),
      text: say(text, 'The name in it.'),
    }),
  ),
  'What it is called, in the order of the languages of the mod; languages without a name are left out.',
);
const ledgerNumber = say(orNothing(whole), 'Its number in the ledger; null where it has none.');
const heading = z.enum(directions);

const WhenModel = {
  when: say(
    orNothing(declared),
    'For each named property the value, or the list of values, that match; null where every state does. The filter asks gives it as a list.',
  ),
};

const numberRows = z.strictObject({
  constant: say(orNothing(number), 'The number where it is the same in every state, else null.'),
  rows: say(
    z.array(z.strictObject({ ...WhenModel, value: say(number, 'The number.') })),
    'The rows: the first that matches wins.',
  ),
});

export const BoxModel = z.strictObject({
  at: say(numbers(3), 'The low corner in texels: x, y and z.'),
  size: say(numbers(3), 'Its size in texels.'),
});

export const CandidateModel = z.strictObject({
  model: say(text, 'The id of the model.'),
  front: say(heading, 'Where the front of the model faces.'),
  top: say(heading, 'Where its top points.'),
  isTurned: say(z.boolean(), 'Whether it stands otherwise than it was made (front south, top up).'),
  orientation: say(
    whole,
    'The number of the orientation, 0 to 23: fronts north, east, south, west, up, down, and under each the tops in the same order.',
  ),
  matrix: say(
    z.array(numbers(3)).length(3),
    'The rotation about the middle of the cell, row by row: point × matrix as a column.',
  ),
  quaternion: say(numbers(4), 'The same rotation as x, y, z, w of a unit quaternion, w from 0.'),
  upright: say(z.boolean(), 'Whether pictures stay as if the model had not been turned.'),
  share: say(number, 'Its weight among the candidates of its row.'),
});

export const LookRowModel = z.strictObject({
  ...WhenModel,
  use: say(z.array(CandidateModel), 'The candidates, of which one is shown by chance.'),
});

const ShapeRowModel = z.strictObject({
  ...WhenModel,
  value: say(z.array(BoxModel), 'The boxes of the shape, turned as the block is shown.'),
});

const traitModels = Object.fromEntries(
  traitNames.map((trait) => {
    const { kind } = traitFacts(trait);
    const about = traitTable[trait].schema.meta()?.description ?? '';
    if ((byStateTraits as readonly TraitName[]).includes(trait))
      return [trait, say(numberRows, about)];
    if (trait === 'hardness')
      return [trait, say(orNothing(number), 'Seconds to dig with bare hands; null: unbreakable.')];
    if (kind === 'number') return [trait, say(number, about)];
    return [trait, say(kind === 'toggle' ? z.boolean() : text, about)];
  }),
) as unknown as {
  [Trait in TraitName]: Trait extends ByStateTrait ? typeof numberRows : z.ZodType;
};

export const PropertyModel = z.strictObject({
  name,
  kind: say(text, 'toggle, number, choice, heading, direction or axis.'),
  values: say(z.array(value), 'Its values in order.'),
  default: say(value, 'The value that a new block has.'),
  bits: say(whole, 'The bits that its values need.'),
  byCode: say(z.boolean(), 'Whether the mod’s own code changes it while the block stands.'),
});

export const StateModel = z.strictObject({
  index: say(whole, 'Its number among the states, from 0; the first property counts slowest.'),
  code: say(whole, 'Its state code, which saved worlds hold; −1 where it has none.'),
  key: say(
    text,
    'Its values in one word: heading=north,lit=false; empty for a block of one state.',
  ),
  isDefault: say(z.boolean(), 'Whether a new block has it.'),
  values: say(z.record(z.string(), value), 'The value of each property.'),
  list: say(
    z.array(
      z.strictObject({ property: say(text, 'The property.'), value: say(value, 'Its value.') }),
    ),
    'The same as a list, in the order of the properties.',
  ),
  traits: say(
    z.strictObject(
      Object.fromEntries(
        byStateTraits.map((trait) => [trait, say(number, `Its ${traitFacts(trait).words}.`)]),
      ),
    ) as unknown as z.ZodObject<Record<ByStateTrait, z.ZodNumber>>,
    'The traits that depend on the state, in this one.',
  ),
  layers: say(
    z.array(z.strictObject({ use: say(z.array(CandidateModel), 'The candidates of the layer.') })),
    'What it shows: one layer where the first row that matches is shown, else one a row that does.',
  ),
  use: say(z.array(CandidateModel), 'The candidates of its first layer.'),
  collision: say(z.array(BoxModel), 'What one walks against in it.'),
  outline: say(z.array(BoxModel), 'What one points at in it.'),
});

const DrawsModel = z.array(declared);

export const BlockModel = z.strictObject({
  name,
  id,
  number: ledgerNumber,
  title: say(text, 'What it is called in the first language of the mod.'),
  names,
  note: say(text, 'What its author wrote down about it.'),
  group: say(orNothing(text), 'The catalogue group; null where nobody finds it.'),
  stock: say(orNothing(text), 'The stock material that it starts from.'),
  isNatural: say(z.boolean(), 'Whether the world has it without anybody making it.'),
  item: say(text, 'How it is held: block, flat or none.'),
  held: say(
    z.strictObject({
      model: say(orNothing(text), 'A model that is shown in the hand instead.'),
      picture: say(orNothing(text), 'The texture that a flat picture shows.'),
      poses: say(
        orNothing(declared),
        'How it sits in the hand, on the ground and in lists, where that is said.',
      ),
    }),
    'What its item shows.',
  ),
  traits: say(z.strictObject(traitModels), 'All traits, with stock and defaults filled in.'),
  properties: say(z.array(PropertyModel), 'The properties of its states.'),
  placing: say(z.array(declared), 'How placing chooses the state, as declared.'),
  hasTooManyStates: say(
    z.boolean(),
    'Whether it has more states than can be listed; then states is empty.',
  ),
  codeLayout: say(declared, 'How a state is stored, as in the ledger.'),
  states: say(z.array(StateModel), 'Every state.'),
  look: say(
    z.strictObject({
      mode: say(text, 'one-of: the first row that matches is shown. layered: every one that does.'),
      rows: say(z.array(LookRowModel), 'The rows as declared.'),
      fewestRows: say(z.array(LookRowModel), 'Rows that show the same, as few as can be found.'),
    }),
    'Which models its states show.',
  ),
  collision: say(z.array(ShapeRowModel), 'What one walks against, by state.'),
  outline: say(z.array(ShapeRowModel), 'What one points at, by state.'),
  draws: say(DrawsModel, 'The draws of its loot, as declared; none where nothing drops.'),
  tags: say(z.array(text), 'The ids of the block tags that it is in.'),
  itemTags: say(z.array(text), 'The ids of the item tags that its item is in.'),
  reactions: say(z.array(declared), 'What it does when something happens, as declared.'),
  declared: say(declared, 'The block as declared.'),
});
export type BlockModel = z.output<typeof BlockModel>;

export const QuadModel = z.strictObject({
  corners: say(
    z.array(numbers(3)).length(4),
    'Top left, bottom left, bottom right and top right as seen from outside, in texels of the cell.',
  ),
  uv: say(
    z.array(numbers(2)).length(4),
    'For each corner how far to the right and downward in the picture, 0 to 1 over one frame.',
  ),
  normal: say(numbers(3), 'The way it faces, of length 1.'),
  side: say(z.enum(sides), 'The side of its box.'),
  texture: say(orNothing(text), 'The id of its texture; null where the slot is open.'),
  slot: say(text, 'The slot that it shows.'),
  box: say(whole, 'The number of its box.'),
  isTinted: say(z.boolean(), 'Whether the tint of a block colours it.'),
  hiddenBy: say(
    orNothing(z.enum(sides)),
    'The side of the cell that it lies in, where a neighbour may hide it.',
  ),
});

const ModelBoxModel = z.strictObject({
  name: say(orNothing(text), 'What its author calls it.'),
  at: say(numbers(3), 'The low corner in texels.'),
  size: say(numbers(3), 'Its size in texels.'),
  spin: say(
    orNothing(
      z.strictObject({
        about: say(text, 'The axis.'),
        by: say(number, 'Degrees, by the right-hand rule.'),
        pivot: say(numbers(3), 'The point that stays.'),
      }),
    ),
    'How it is turned in the model.',
  ),
  sides: say(
    z.array(
      z.strictObject({
        side: say(z.enum(sides), 'The side in the frame of the model.'),
        slot: say(text, 'The slot that it shows.'),
        texture: say(orNothing(text), 'The texture that fills the slot.'),
        crop: say(orNothing(numbers(4)), 'Left, top, width and height in texels of the texture.'),
        quarters: say(whole, 'Clockwise quarters by which the picture is turned.'),
        isMirrored: say(z.boolean(), 'Whether the picture is mirrored.'),
        isTinted: say(z.boolean(), 'Whether the tint of a block colours it.'),
      }),
    ),
    'The sides that are drawn.',
  ),
});

export const ModelModel = z.strictObject({
  name,
  id,
  template: say(orNothing(text), 'What it starts from.'),
  isWhole: say(z.boolean(), 'Whether it is a cube that fills the cell.'),
  slots: say(
    z.array(
      z.strictObject({
        slot: say(text, 'The slot.'),
        texture: say(orNothing(text), 'The texture in it; null where it is open.'),
      }),
    ),
    'Its slots and what fills them.',
  ),
  boxes: say(z.array(ModelBoxModel), 'Its boxes, with templates followed.'),
  quads: say(z.array(QuadModel), 'Its faces as textured quads.'),
  declared: say(declared, 'The model as declared.'),
});

export const TextureModel = z.strictObject({
  name,
  id,
  width: say(whole, 'In texels, all frames together.'),
  height: say(whole, 'In texels, all frames together.'),
  frames: say(whole, 'How many frames are stacked in it; 1 for a still picture.'),
  frameWidth: say(whole, 'Of one frame.'),
  frameHeight: say(whole, 'Of one frame.'),
  steps: say(
    z.array(z.strictObject({ frame: say(whole, 'The frame.'), ticks: say(number, 'How long.') })),
    'Which frame is shown for how many ticks, one after the other; one step for a still picture.',
  ),
  strip: say(orNothing(declared), 'The timing as declared.'),
  sha256: say(text, 'The digest of the picture.'),
});

export const SoundModel = z.strictObject({
  name,
  id,
  format: say(text, 'wav or ogg; a copied file ends in it.'),
  seconds: say(orNothing(number), 'How long it is.'),
  sha256: say(text, 'The digest of the file.'),
});

export const ItemModel = z.strictObject({
  name,
  id,
  number: ledgerNumber,
  title: say(text, 'What it is called in the first language of the mod.'),
  names,
  isBlock: say(z.boolean(), 'Whether it is the item of a block; then block is its id.'),
  block: say(orNothing(text), 'The block that it places.'),
  form: say(text, 'How it is held: block or flat.'),
  model: say(orNothing(text), 'The model that it shows instead of the block.'),
  texture: say(orNothing(text), 'The texture of a flat picture.'),
  poses: say(
    orNothing(declared),
    'How it sits in the hand, on the ground and in lists, where that is said.',
  ),
  group: say(orNothing(text), 'The catalogue group.'),
  stack: say(whole, 'So many lie in one place.'),
  tool: say(
    orNothing(
      z.strictObject({
        kind: say(text, 'The kind.'),
        grade: say(whole, 'Its step on the ladder.'),
      }),
    ),
    'What it digs as.',
  ),
  bucket: say(
    orNothing(
      z.strictObject({
        of: say(text, 'What is in it.'),
        empty: say(text, 'What it is when empty.'),
      }),
    ),
    'What it holds.',
  ),
  tags: say(z.array(text), 'The ids of the item tags that it is in.'),
});

export const FluidModel = z.strictObject({
  name,
  id,
  number: ledgerNumber,
  title: say(text, 'What it is called in the first language of the mod.'),
  names,
  declared: say(declared, 'The fluid as declared, with what is usual filled in.'),
});

export const LootModel = z.strictObject({
  name,
  id: say(orNothing(text), 'The id of a table that blocks share; null for the loot of a block.'),
  block: say(
    orNothing(text),
    'The id of the block whose loot it is; null for a table that blocks share.',
  ),
  draws: say(DrawsModel, 'Its draws, as declared.'),
});

export const TagModel = z.strictObject({
  name: say(text, 'Its name, or namespace/name for the tag of another mod.'),
  id,
  of: say(z.enum(['blocks', 'items']), 'What is in it.'),
  members: say(z.array(text), 'Ids, and other tags after a #.'),
});

export const RecipeModel = z.strictObject({
  name,
  id,
  kind: say(text, 'pattern, mix, fire or cut.'),
  declared: say(declared, 'The recipe as declared.'),
});

export const LanguageModel = z.strictObject({
  tag: say(text, 'Its BCP 47 tag, such as en or pt-BR.'),
  texts: say(
    z.array(
      z.strictObject({
        key: say(
          text,
          'What it names: block.salt_crust, item.salt, group.shore, or a key of the mod’s own.',
        ),
        text: say(text, 'The text.'),
      }),
    ),
    'All texts in it.',
  ),
});

export const GroupModel = z.strictObject({
  name,
  id,
  number: ledgerNumber,
  title: say(text, 'What it is called in the first language of the mod.'),
  names,
  icon: say(orNothing(text), 'The id of the item that stands for it.'),
});

export const EntryModel = z.strictObject({
  number: say(whole, 'The number.'),
  kind: say(text, 'group, block, fluid or item.'),
  name,
  id,
  states: say(orNothing(whole), 'How many states a block has; null for anything else.'),
  codes: say(orNothing(declared), 'How the states of a block are stored; null for anything else.'),
  formerly: say(z.array(text), 'The ids that it had before.'),
});

export const RetiredModel = z.strictObject({
  number: say(whole, 'The number, which nothing else gets.'),
  kind: say(text, 'group, block, fluid or item.'),
  name,
  id,
  successor: say(orNothing(text), 'The id of what takes its place.'),
});

export const ModModel = z.strictObject({
  namespace: say(text, 'Its namespace.'),
  title: say(text, 'Its title.'),
  description: say(text, 'What it brings.'),
  version: say(text, 'Its version.'),
  authors: say(z.array(text), 'Who made it.'),
  license: say(text, 'Its licence.'),
  texels: say(whole, 'Texels to a block.'),
  tickRate: say(whole, 'Ticks a second.'),
  languages: say(z.array(text), 'The tags of its languages, the first one first.'),
  needs: say(
    z.array(
      z.strictObject({
        namespace: say(text, 'The namespace of the other mod.'),
        versions: say(orNothing(text), 'Which versions will do.'),
      }),
    ),
    'Other mods that it names things of.',
  ),
  hasPicture: say(z.boolean(), 'Whether it has a picture.'),
  tools: say(
    z.strictObject({
      kinds: say(
        z.array(
          z.strictObject({
            kind: say(text, 'The kind of tool.'),
            tag: say(text, 'The tag that it digs.'),
          }),
        ),
        'The kinds of tools.',
      ),
      grades: say(
        z.array(
          z.strictObject({
            grade: say(whole, 'The grade, from 0.'),
            name: say(text, 'Its name.'),
            pace: say(number, 'It divides the dig time.'),
          }),
        ),
        'The tool ladder.',
      ),
    }),
    'The tools.',
  ),
  groups: say(z.array(GroupModel), 'The catalogue groups in their order.'),
  blocks: say(z.array(BlockModel), 'The blocks.'),
  fluids: say(z.array(FluidModel), 'The fluids.'),
  items: say(z.array(ItemModel), 'The items: those of blocks that can be held, and all others.'),
  models: say(z.array(ModelModel), 'The models.'),
  textures: say(z.array(TextureModel), 'The textures.'),
  sounds: say(z.array(SoundModel), 'The sounds.'),
  soundSets: say(
    z.array(
      z.strictObject({
        name,
        id,
        events: say(declared, 'The sounds of each event: place, step, dig, break and land.'),
      }),
    ),
    'The sound sets.',
  ),
  loot: say(z.array(LootModel), 'The loot of every block, then the tables that blocks share.'),
  tags: say(z.array(TagModel), 'The tags, with what stands in them outright.'),
  recipes: say(z.array(RecipeModel), 'The recipes.'),
  texts: say(z.array(LanguageModel), 'All texts, language by language.'),
  newLooks: say(
    z.array(
      z.strictObject({
        name: say(text, 'namespace/name of the block of another mod.'),
        id,
        declared: say(declared, 'The look as declared.'),
      }),
    ),
    'Looks for blocks of other mods.',
  ),
  entries: say(z.array(EntryModel), 'The ledger in the order in which it is registered.'),
  retired: say(z.array(RetiredModel), 'The numbers that are retired.'),
});
export type ModModel = z.output<typeof ModModel>;

export const KitModel = z.strictObject({
  name: say(text, 'The name of the kit.'),
  title: say(text, 'Its title.'),
});

/** What each kind of file is given beside `mod` and `kit`, by the word after `for` in kit.json. */
export const subjectModels = {
  mod: undefined,
  group: GroupModel,
  block: BlockModel,
  state: StateModel,
  fluid: FluidModel,
  item: ItemModel,
  model: ModelModel,
  texture: TextureModel,
  sound: SoundModel,
  loot: LootModel,
  tag: TagModel,
  recipe: RecipeModel,
  language: LanguageModel,
} as const;
