import { Button, Menu } from '@mantine/core';
import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { itemAt } from '../../../../core/lists/index.ts';
import {
  lookUp,
  newRecipe,
  recipeKinds,
  resultsOf,
  type Mod,
  type Recipe,
} from '../../../../core/mod/index.ts';
import { useFindings, useMod, useSession } from '../../../api/hooks.tsx';
import { ItemIcon, itemTitle, useItemOptions } from '../../../parts/item.tsx';
import { ListPage, type ListSection } from '../list-page.tsx';
import { OneRecipe } from './one-recipe.tsx';

/** The kinds of recipe: how each is headed in the list, and what a new one is. */
const kindWords: Record<Recipe['kind'], { heading: string; says: string }> = {
  pattern: { heading: 'Pattern', says: 'Pattern: laid out in places' },
  mix: { heading: 'Mix', says: 'Mix: together, in any order' },
  fire: { heading: 'Fire', says: 'Fire: one thing, for a while' },
  cut: { heading: 'Cut', says: 'Cut: one thing, a choice of results' },
};

/** How things are made: by a pattern, a mix, in the fire, by cutting. */
export function Recipes() {
  const mod = useMod();
  const { recipe: open } = useParams();
  const [filter, setFilter] = useState('');
  const flagged = useFlaggedRecipes();
  const sections = useMemo(() => sectionsOf(mod, filter, flagged), [mod, filter, flagged]);
  const recipe = open === undefined ? undefined : lookUp(mod.recipes, open);
  return (
    <ListPage
      what="recipe"
      whats="recipes"
      home={`/m/${mod.header.namespace}/data/recipes`}
      sections={sections}
      total={Object.keys(mod.recipes).length}
      filter={filter}
      onFilter={setFilter}
      filterHint="Filter by what it takes or gives"
      open={open}
      action={<NewRecipe />}
      about={
        'A recipe says what is made of what. A pattern is laid out in places, a mix is thrown ' +
        'together, the fire takes one thing for a while, and of what is cut the player chooses ' +
        'what comes of it.'
      }
    >
      {recipe && open !== undefined && (
        <OneRecipe key={`${open} ${recipe.kind}`} name={open} recipe={recipe} />
      )}
    </ListPage>
  );
}

/** The names of the recipes that have a finding. */
function useFlaggedRecipes(): ReadonlySet<string> {
  const findings = useFindings();
  return useMemo(() => {
    const names = (findings ?? []).flatMap(({ at }) =>
      at?.startsWith('/recipes/') ? [itemAt(at.split('/'), 2)] : [],
    );
    return new Set(names);
  }, [findings]);
}

function NewRecipe() {
  const session = useSession();
  const navigate = useNavigate();
  const options = useItemOptions(false);
  const add = (kind: Recipe['kind']) => {
    const { name, recipe } = newRecipe(
      session.view.mod,
      kind,
      options.map(({ value }) => value),
    );
    session.set(`Add the recipe ${name}`, ['recipes', name], recipe);
    void navigate(`/m/${session.name}/data/recipes/${name}`);
  };
  return (
    <Menu position="bottom-end" shadow="sm">
      <Menu.Target>
        <Button
          variant="default"
          disabled={!options.length}
          title={options.length ? undefined : 'The mod has nothing yet that a recipe could give'}
        >
          New recipe
        </Button>
      </Menu.Target>
      <Menu.Dropdown>
        {recipeKinds.map((kind) => (
          <Menu.Item key={kind} onClick={() => add(kind)}>
            {kindWords[kind].says}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}

/** The recipes by their kind, of those that take, give or are called what is looked for. */
function sectionsOf(mod: Mod, filter: string, flagged: ReadonlySet<string>): ListSection[] {
  const wanted = filter.trim().toLowerCase();
  const fits = ([name, recipe]: [string, Recipe]) =>
    name.includes(wanted) ||
    JSON.stringify(recipe).includes(wanted) ||
    resultsOf(recipe).some(({ gives }) => itemTitle(mod, gives).toLowerCase().includes(wanted));
  const recipes = Object.entries(mod.recipes)
    .filter(fits)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return recipeKinds
    .map((kind) => ({
      heading: kindWords[kind].heading,
      entries: recipes
        .filter(([, recipe]) => recipe.kind === kind)
        .map(([name, recipe]) => {
          const [first] = resultsOf(recipe);
          return {
            name,
            tooltip: name,
            title: itemTitle(mod, first?.gives ?? name),
            icon: <ItemIcon id={first?.gives ?? ''} size={26} />,
            aside: flagged.has(name) ? (
              <span className="tag warning">!</span>
            ) : (
              yieldOf(resultsOf(recipe))
            ),
          };
        }),
    }))
    .filter(({ entries }) => entries.length > 0);
}

/** How much a recipe gives, where it is more than one: `× 4`, or `3 ways` to choose from. */
function yieldOf(results: readonly { count?: number }[]): string {
  if (results.length > 1) return `${results.length} ways`;
  const [{ count = 1 } = {}] = results;
  return count > 1 ? `× ${count}` : '';
}
