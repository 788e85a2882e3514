import { ingredientsOf, type Mod, type TagKind } from '../mod/index.ts';

/** Who asks for a tag: a kind of tool, a recipe, or another tag. */
export interface Need {
  what: 'tool' | 'recipe' | 'tag';
  name: string;
}

/** Every tag that somebody of the mod asks for, with who does. */
export function needsOf(
  mod: Pick<Mod, 'header' | 'recipes' | TagKind>,
  kind: TagKind,
): Map<string, Need[]> {
  const needs = new Map<string, Need[]>();
  const add = (tag: string, need: Need) => needs.set(tag, [...(needs.get(tag) ?? []), need]);
  if (kind === 'blockTags')
    for (const [name, { tag }] of Object.entries(mod.header.tools.kinds))
      add(tag, { what: 'tool', name });
  else
    for (const [name, recipe] of Object.entries(mod.recipes))
      for (const id of new Set(ingredientsOf(recipe)))
        if (id.startsWith('#')) add(id.slice(1), { what: 'recipe', name });
  for (const [name, { members = [] }] of Object.entries(mod[kind]))
    for (const member of members)
      if (member.startsWith('#')) add(member.slice(1), { what: 'tag', name });
  return needs;
}
