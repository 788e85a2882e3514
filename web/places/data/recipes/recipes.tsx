import { itemAt } from '../../../../core/lists/index.ts';
import './recipes.css';
import { Menu, Button, TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { pointer } from '../../../../core/json/index.ts';
import { lookUp, idOf, recipeKinds, resultsOf, type Recipe } from '../../../../core/mod/index.ts';
import { useFindings, useMod, useSession } from '../../../api/hooks.tsx';
import { ItemIcon, itemTitle, useItemOptions } from '../../../parts/item.tsx';
import { DataTabs } from '../data-tabs.tsx';
import { OneRecipe } from './one-recipe.tsx';

const kindWords: Record<Recipe['kind'], string> = {
  pattern: 'Pattern',
  mix: 'Mix',
  fire: 'Fire',
  cut: 'Cut',
};

/** How things are made: by a pattern, a mix, in the fire, by cutting. */
export function Recipes() {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const findings = useFindings() ?? [];
  const { recipe: open } = useParams();
  const [filter, setFilter] = useState('');
  const options = useItemOptions(false);
  const home = `/m/${session.name}/data/recipes`;
  const lists = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    const fits = (name: string, recipe: Recipe) =>
      name.includes(wanted) ||
      JSON.stringify(recipe).includes(wanted) ||
      resultsOf(recipe).some(({ gives }) => itemTitle(mod, gives).toLowerCase().includes(wanted));
    return recipeKinds
      .map((kind) => ({
        kind,
        list: Object.entries(mod.recipes)
          .filter(([name, recipe]) => recipe.kind === kind && fits(name, recipe))
          .sort(([a], [b]) => (a < b ? -1 : 1)),
      }))
      .filter(({ list }) => list.length);
  }, [mod, filter]);
  const flagged = new Set(
    findings.flatMap(({ at }) => (at?.startsWith('/recipes/') ? [itemAt(at.split('/'), 2)] : [])),
  );
  const add = (kind: Recipe['kind']) => {
    // Begun for something that has no recipe yet.
    const gives =
      (
        options.find(
          ({ value }) =>
            !Object.values(mod.recipes).some((recipe) =>
              resultsOf(recipe).some((result) => result.gives === value),
            ),
        ) ?? options[0]
      )?.value ?? idOf(mod.header.namespace, 'thing');
    const stem = gives.slice(gives.indexOf(':') + 1);
    let name = stem;
    for (let n = 2; Object.hasOwn(mod.recipes, name); n += 1) name = `${stem}_${n}`;
    const takes = 'obrank:timber';
    const fresh: Recipe =
      kind === 'pattern'
        ? { kind, pattern: ['t'], keys: { t: takes }, gives }
        : kind === 'mix'
          ? { kind, takes: [takes], gives }
          : kind === 'fire'
            ? { kind, takes, gives, seconds: 10 }
            : { kind, takes, choices: [{ gives }] };
    session.edit(`Add the recipe ${name}`, [{ path: pointer(['recipes', name]), after: fresh }]);
    void navigate(`${home}/${name}`);
  };
  const recipe =
    open !== undefined && Object.hasOwn(mod.recipes, open) ? lookUp(mod.recipes, open) : undefined;
  return (
    <div className="data-page">
      <DataTabs>
        <span className="acts">
          <Menu position="bottom-end" shadow="sm">
            <Menu.Target>
              <Button variant="default" disabled={!options.length}>
                New recipe
              </Button>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Item onClick={() => add('pattern')}>Pattern: laid out in places</Menu.Item>
              <Menu.Item onClick={() => add('mix')}>Mix: together, in any order</Menu.Item>
              <Menu.Item onClick={() => add('fire')}>Fire: one thing, for a while</Menu.Item>
              <Menu.Item onClick={() => add('cut')}>Cut: one thing, a choice of results</Menu.Item>
            </Menu.Dropdown>
          </Menu>
        </span>
      </DataTabs>
      <div className="data-body">
        <nav className="data-list" aria-label="Recipes">
          <div className="q">
            <TextInput
              placeholder="Filter by what it takes or gives"
              aria-label="Filter recipes"
              value={filter}
              onChange={(event) => setFilter(event.currentTarget.value)}
            />
          </div>
          {lists.map(({ kind, list }) => (
            <div key={kind}>
              <h4>
                <span>{kindWords[kind]}</span>
                <span>{list.length}</span>
              </h4>
              {list.map(([name, one]) => (
                <Link
                  key={name}
                  to={`${home}/${name}`}
                  aria-current={name === open ? 'page' : undefined}
                >
                  <ItemIcon id={resultsOf(one)[0]?.gives ?? ''} size={26} />
                  <b title={name}>{itemTitle(mod, resultsOf(one)[0]?.gives ?? name)}</b>
                  <em>
                    {flagged.has(name) ? (
                      <span className="tag warning">!</span>
                    ) : resultsOf(one).length > 1 ? (
                      `${resultsOf(one).length} ways`
                    ) : (resultsOf(one)[0]?.count ?? 1) > 1 ? (
                      `× ${itemAt(resultsOf(one), 0).count}`
                    ) : (
                      ''
                    )}
                  </em>
                </Link>
              ))}
            </div>
          ))}
          {!lists.length && (
            <p className="note" style={{ padding: '6px 14px' }}>
              {Object.keys(mod.recipes).length ? `Nothing matches “${filter}”.` : 'No recipe yet.'}
            </p>
          )}
        </nav>
        {recipe && open !== undefined ? (
          <OneRecipe key={`${open} ${recipe.kind}`} name={open} recipe={recipe} />
        ) : (
          <div className="data-empty">
            <h2>{Object.keys(mod.recipes).length ? 'Choose a recipe' : 'No recipe yet'}</h2>
            <p className="note">
              A recipe says what is made of what. A pattern is laid out in places, a mix is thrown
              together, the fire takes one thing for a while, and of what is cut the player chooses
              what comes of it.
            </p>
          </div>
        )}
      </div>
    </div>
  );
}
