import { Button } from '@mantine/core';
import { useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';
import { kitNamed } from '../../../../core/kits/index.ts';
import { pointer } from '../../../../core/json/index.ts';
import { lookUp, resultsOf, type Recipe } from '../../../../core/mod/index.ts';
import { gridOf, withCell } from '../../../../core/recipes/index.ts';
import { useFindings, useMod, useSession } from '../../../api/hooks.tsx';
import { useAccepts } from '../../../api/making.ts';
import { ItemIcon, ItemSelect, itemTitle } from '../../../parts/item.tsx';
import { RenameField } from '../../../parts/rename-field.tsx';
import { Found } from '../found.tsx';
import { HowHad } from '../../../parts/how-had.tsx';
import { Particulars } from './particulars.tsx';
import { Results } from './results.tsx';
import { Shelf } from './shelf.tsx';
import { Slots, useIngredientOptions, type Slot } from './slots.tsx';

/** One recipe: what it takes in its places, what it gives, what is wrong with it, and whether its result can be had. */
export function OneRecipe({ name, recipe }: { name: string; recipe: Recipe }) {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const findings = useFindings() ?? [];
  const ingredients = useIngredientOptions();
  const accepts = useAccepts();
  const [at, setAt] = useState(0);
  const path = pointer(['recipes', name]);
  const put = (label: string, next: Recipe) =>
    session.edit(label, [{ path, before: lookUp(session.view.mod.recipes, name), after: next }]);
  const results = resultsOf(recipe);
  const { limits, title } = kitNamed(mod.header.kit);
  const slots: Slot[] =
    recipe.kind === 'pattern'
      ? gridOf(recipe)
          .flat()
          .map((ingredient) => ({ ingredient }))
      : recipe.kind === 'mix'
        ? [...recipe.takes.map((ingredient) => ({ ingredient })), { ingredient: undefined }]
        : [{ ingredient: recipe.takes }];
  const wide =
    recipe.kind === 'pattern'
      ? gridOf(recipe)[0]!.length
      : recipe.kind === 'mix'
        ? Math.min(6, slots.length)
        : 1;
  const cursor = Math.min(at, slots.length - 1);
  const fill = (i: number, ingredient: string | undefined) => {
    const label =
      ingredient === undefined
        ? `Empty a place of ${name}`
        : `Take ${itemTitle(mod, ingredient)} in ${name}`;
    if (recipe.kind === 'pattern')
      put(label, withCell(recipe, i % wide, Math.floor(i / wide), ingredient));
    else if (recipe.kind === 'mix')
      put(label, {
        ...recipe,
        takes:
          ingredient === undefined
            ? recipe.takes.filter((_, other) => other !== i)
            : i < recipe.takes.length
              ? recipe.takes.with(i, ingredient)
              : [...recipe.takes, ingredient],
      });
    else if (ingredient !== undefined) put(label, { ...recipe, takes: ingredient });
    setAt(i);
  };
  const shown = slots[cursor]?.ingredient;
  const inTag = shown?.startsWith('#')
    ? [...accepts(shown)].filter((one) => !one.startsWith('#'))
    : [];
  const dropped = (event: DragEvent, i: number) => {
    const id = event.dataTransfer.getData('text/plain');
    if (!ingredients.some(({ value }) => value === id)) return;
    event.preventDefault();
    fill(i, id);
  };
  const back = () => document.querySelector<HTMLElement>('.slots')?.focus();
  return (
    <div className="data-open recipe">
      <div className="recipe-main">
        <h2>
          {itemTitle(mod, results[0]?.gives ?? name)}{' '}
          <span className="mono">
            {recipe.kind} · {name}
          </span>
        </h2>
        <Found
          findings={findings.filter(
            (finding) => finding.at === path || finding.at?.startsWith(`${path}/`),
          )}
        />
        <div className="recipe-flow">
          <Slots
            slots={slots}
            wide={wide}
            cursor={cursor}
            onCursor={setAt}
            onFill={fill}
            onDrop={dropped}
            label={`What ${name} takes`}
          />
          <span className="leads" aria-hidden>
            {recipe.kind === 'fire' ? `${recipe.seconds} s` : ''}
            <i />
          </span>
          <Results recipe={recipe} onRecipe={put} />
        </div>
        <div className="recipe-under">
          <span className="slot-field">
            <ItemSelect
              aria-label="Item or tag in the chosen place"
              placeholder="Item or tag for this place"
              value={shown}
              options={ingredients}
              onItem={(id) => {
                fill(cursor, id);
                back();
              }}
            />
          </span>
          {inTag.length > 0 && (
            <span className="icon-row" style={{ margin: 0 }}>
              <span className="note" style={{ margin: 0 }}>
                any of
              </span>
              {inTag.slice(0, 12).map((id) => (
                <ItemIcon key={id} id={id} size={22} title={itemTitle(mod, id)} />
              ))}
              {inTag.length > 12 && <span className="note">and {inTag.length - 12} more</span>}
            </span>
          )}
          <Particulars recipe={recipe} most={limits.pattern} onRecipe={put} />
        </div>
        <p className="note">
          {recipe.kind === 'pattern'
            ? `It counts wherever it is laid. ${title} has ${limits.pattern[0]} by ${limits.pattern[1]} places.`
            : recipe.kind === 'mix'
              ? 'Thrown together, in any order.'
              : recipe.kind === 'fire'
                ? `${Math.ceil(recipe.seconds * mod.header.tickRate)} ticks in the fire.`
                : 'The player chooses one of the results.'}{' '}
          Drag from the shelf, or type over a place; <kbd>Del</kbd> empties it.
        </p>
        <div className="columns" style={{ marginTop: 14 }}>
          <div>{results[0] && <HowHad id={results[0].gives} here={name} />}</div>
          <div>
            <RenameField
              kind="recipes"
              name={name}
              id={`${mod.header.namespace}:${name}`}
              note="Its file is called so."
              onRenamed={(to) =>
                void navigate(`/m/${session.name}/data/recipes/${to}`, { replace: true })
              }
            />
            <Button
              mt="xs"
              variant="subtle"
              color="brick"
              onClick={() => {
                session.edit(`Remove the recipe ${name}`, [{ path, before: recipe }]);
                void navigate(`/m/${session.name}/data/recipes`);
              }}
            >
              Remove this recipe
            </Button>
          </div>
        </div>
      </div>
      <Shelf options={ingredients} onChoose={(id) => fill(cursor, id)} />
    </div>
  );
}
