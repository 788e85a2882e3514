import { pointer } from '../json/index.ts';
import { heldUnder } from '../lists/index.ts';
import {
  applyChanges,
  changeProperty,
  idOf,
  mostReactions,
  propertyUses,
  sameData,
  stockNamed,
  usesInWords,
  type Block,
  type Change,
  type Mod,
  type Reaction,
} from '../mod/index.ts';
import { ownModel, resolvedModelOf, textureOf } from '../models/index.ts';
import { valuesOf } from '../states/index.ts';
import { count } from '../words/index.ts';
import { forms } from './forms.ts';
import { lootOfForm, rolesOf, type Form, type PictureRole } from './form.ts';
import { madeOf, type RolePictures } from './made.ts';

type Own = Block['states']['properties'][number];
/** Whether a property is one of a list: called so, of the same kind and values. */
const isAmong = (property: Own, list: readonly Own[]): boolean =>
  list.some(
    (one) =>
      one.name === property.name &&
      one.kind === property.kind &&
      sameData(valuesOf(one), valuesOf(property)),
  );

/**
 * The properties of a block that make room for another form: those that came with some form and
 * that this one does not have, and those that are called as one of its own and mean something else.
 */
const leaving = ({ states }: Block, form: Form): Own[] =>
  states.properties.filter(
    (property) =>
      !isAmong(property, form.properties) &&
      (form.properties.some(({ name }) => name === property.name) ||
        forms.some(({ properties }) => isAmong(property, properties))),
  );

/** A block's traits in another form: what the form brings instead of what came with the one before. */
function traitsIn(mod: Mod, block: Block, form: Form): Block['traits'] {
  const before: Block['traits'] = formOf(mod, block)?.traits ?? {};
  const own = Object.entries(block.traits).filter(
    ([trait, value]) => !sameData(before[trait as keyof Block['traits']], value),
  );
  return { ...Object.fromEntries(own), ...form.traits };
}

/** What a block drops in another form, where that followed from the form before. */
function lootIn(mod: Mod, id: string, block: Block, form: Form): Block['loot'] {
  const before = formOf(mod, block);
  const followed = before !== undefined && sameData(block.loot, lootOfForm(before, id));
  return followed ? lootOfForm(form, id) : undefined;
}

/** What of a block's reactions did not come with some form. */
function ownReactions(id: string, { reactions = [] }: Block): Reaction[] {
  const came = forms.flatMap((form) => form.reactions?.(id) ?? []);
  return reactions.filter((reaction) => !came.some((one) => sameData(one, reaction)));
}

/** The change of a block's reactions to others; none where there are none before and after. */
const withReactions = (name: string, { reactions }: Block, after: readonly Reaction[]): Change[] =>
  reactions || after.length
    ? [
        {
          path: pointer(['blocks', name, 'reactions']),
          before: reactions,
          ...(after.length > 0 && { after }),
        },
      ]
    : [];

/** How a block is held in another form, where that followed from the form before. */
function identityIn(mod: Mod, block: Block, form: Form): Block['identity'] {
  const { identity } = block;
  const before = formOf(mod, block);
  const followed = before !== undefined && identity.item === (before.item ?? 'block');
  return followed ? { ...identity, item: form.item ?? 'block' } : identity;
}

/** Whether pictures may have holes in a block with those traits. */
const mayHaveHoles = ({ identity }: Block, { alphaMode }: Block['traits']): boolean =>
  (alphaMode ?? stockNamed(identity.stock ?? '')?.traits.alphaMode ?? 'opaque') !== 'opaque';

/**
 * The textures that a block shows now, for the roles of another form: those whose slot is called
 * so, and for the role that shows most the first one, unless they have holes that it could not show.
 * What is left has to be painted.
 */
export function keptPictures(
  mod: Mod,
  block: string,
  form: Form,
): Partial<Record<PictureRole, string>> {
  const held = heldUnder(mod.blocks, block);
  const withHoles = mayHaveHoles(held, traitsIn(mod, held, form));
  const fits = (texture: string) => withHoles || textureOf(mod, texture)?.picture.alpha === 'none';
  const shown = new Map<string, string>();
  for (const { use } of held.looks.rows)
    for (const { model } of use)
      for (const [slot, texture] of resolvedModelOf(mod, model)?.slots ?? [])
        if (texture !== undefined && !shown.has(slot) && fits(texture)) shown.set(slot, texture);
  const [main] = rolesOf(form);
  const [first] = shown.values();
  return Object.fromEntries(
    rolesOf(form).flatMap((role) => {
      const texture = shown.get(role) ?? (role === main ? first : undefined);
      return texture === undefined ? [] : [[role, texture]];
    }),
  );
}

/**
 * What a block loses by taking another form, in words: rows of its look, rules of placing, shapes
 * of its own, and properties with whatever asks for them. Empty where nothing is lost.
 *
 * @example lostByForm(mod.blocks['sluice_gate'], formNamed('cube')) // ['12 rows of the look', …]
 */
export function lostByForm(block: Block, form: Form): string[] {
  const { looks, shapes = {}, states } = block;
  const several = looks.rows.length > 1 || looks.rows.some(({ use }) => use.length > 1);
  const rules = states.placing?.length ?? 0;
  return [
    ...(several ? [`${count(looks.rows.length, 'row')} of the look`] : []),
    ...(rules ? [`${count(rules, 'rule')} of placing`] : []),
    ...Object.keys(shapes).map((shape) => `its own ${shape} shape`),
    ...leaving(block, form).map(({ name }) => {
      const uses = propertyUses(block, name).filter(({ what }) => !/look|placing/.test(what));
      return `the property ${name}${uses.length ? ` with ${usesInWords(uses)}` : ''}`;
    }),
  ];
}

/**
 * The changes by which a block takes another form: its properties, placing, look, models and shapes
 * are those of the form; what it is made of stays, and so do properties that no form brings. What
 * asked for a property that goes is put right as if that had its default for ever; saved worlds
 * keep their codes. A model that was nothing but a template with pictures, for this block alone,
 * makes room; models with boxes of their own stay in the library. Throws a RangeError when a picture
 * for a role of the form is not given.
 */
export function changeForm(mod: Mod, name: string, form: Form, pictures: RolePictures): Change[] {
  const changes: Change[] = [];
  let now = mod;
  const apply = (more: readonly Change[]) => {
    changes.push(...more);
    now = applyChanges(now, more);
  };
  const held = () => heldUnder(now.blocks, name);
  const traits = traitsIn(mod, held(), form);
  const identity = identityIn(mod, held(), form);
  const id = idOf(mod.header.namespace, name);
  const loot = lootIn(mod, id, held(), form);
  apply(withReactions(name, held(), ownReactions(id, held())));
  for (const gone of leaving(held(), form)) {
    const index = held().states.properties.findIndex(({ name: one }) => one === gone.name);
    apply(changeProperty(now, name, index, undefined));
  }
  for (const added of form.properties)
    if (!isAmong(added, held().states.properties))
      apply(changeProperty(now, name, held().states.properties.length, added));
  apply(orphansOf(mod, name).map((model) => taken(mod, model)));
  const made = madeOf(now, name, form, pictures);
  apply(made.changes);
  const all = [...(form.reactions?.(id) ?? []), ...(held().reactions ?? [])];
  if (all.length <= mostReactions) apply(withReactions(name, held(), all));
  apply(partsOf(name, held(), { ...made.parts, traits, identity, loot: loot ?? held().loot }));
  return changes;
}

/** The models that a block alone shows, that no model starts from, and that have no boxes of their own. */
function orphansOf(mod: Mod, block: string): string[] {
  const shownBy = (name: string) =>
    new Set(
      heldUnder(mod.blocks, name).looks.rows.flatMap(({ use }) => use.map(({ model }) => model)),
    );
  const others = Object.keys(mod.blocks).filter((name) => name !== block);
  const needed = new Set([
    ...others.flatMap((name) => [...shownBy(name)]),
    ...Object.values(mod.models).map(({ template }) => template),
  ]);
  const shown = shownBy(block);
  return Object.keys(mod.models).filter((name) => {
    const id = idOf(mod.header.namespace, name);
    return shown.has(id) && !needed.has(id) && !heldUnder(mod.models, name).boxes;
  });
}

const taken = ({ models }: Mod, name: string): Change => ({
  path: pointer(['models', name]),
  before: heldUnder(models, name),
});

/** The changes of a block's parts, its properties being those of the form already. */
function partsOf(
  name: string,
  block: Block,
  { states, looks, shapes, traits, identity, loot }: Omit<Block, 'tags' | 'itemTags' | 'names'>,
): Change[] {
  const { placing: _old, ...kept } = block.states;
  const put = (part: keyof Block, after: unknown): Change => ({
    path: pointer(['blocks', name, part]),
    before: block[part],
    after,
  });
  return [
    put('states', { ...kept, ...(states.placing && { placing: states.placing }) }),
    put('looks', looks),
    put('traits', traits),
    put('identity', identity),
    put('loot', loot),
    ...(block.shapes || shapes ? [put('shapes', shapes)] : []),
  ];
}

/** The roles of a form for which a block has no picture. */
export const missingRoles = (
  form: Form,
  kept: Partial<Record<PictureRole, string>>,
): PictureRole[] => rolesOf(form).filter((role) => kept[role] === undefined);

/** The form that a block has now, as far as that can be told: its properties and its templates. */
export function formOf(mod: Mod, block: Block): Form | undefined {
  const templates = new Set(
    block.looks.rows.flatMap(({ use }) =>
      use.map(({ model }) => ownModel(mod, model)?.template ?? model),
    ),
  );
  return forms.find(
    ({ properties, models }) =>
      properties.every((property) => isAmong(property, block.states.properties)) &&
      properties.length === block.states.properties.length &&
      Object.values(models).every(({ template }) => templates.has(template)) &&
      templates.size === new Set(Object.values(models).map(({ template }) => template)).size,
  );
}
