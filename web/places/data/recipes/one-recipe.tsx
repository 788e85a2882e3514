import { Button } from '@mantine/core';
import clsx from 'clsx';
import { useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';
import { pointer } from '../../../../core/json/index.ts';
import { tightestKit } from '../../../../core/kits/index.ts';
import { lookUp, resultsOf, type Recipe } from '../../../../core/mod/index.ts';
import { gridOf, placesOf, resized, withIngredient } from '../../../../core/recipes/index.ts';
import { useFindings, useMod, useSession } from '../../../api/hooks.tsx';
import { useAccepts } from '../../../api/making.ts';
import { HowHad } from '../../../parts/how-had.tsx';
import { ItemIcon, ItemSelect, itemTitle } from '../../../parts/item.tsx';
import { RenameField } from '../../../parts/rename-field.tsx';
import { Found } from '../found.tsx';
import { Bill } from './bill.tsx';
import { Particulars, Stepper } from './particulars.tsx';
import { Shelf } from './shelf.tsx';
import { TaughtField } from './taught-field.tsx';
import { Slots, useIngredientOptions } from './slots.tsx';
import { Cap } from '../../../parts/keys/cap.tsx';
import styles from './recipes.module.css';
import listPageStyles from '../list-page.module.css';
import iconRowStyles from '../../../parts/icon-row.module.css';

/** Changes a recipe as a whole, under a label. */
type PutRecipe = (label: string, next: Recipe) => void;

/**
 * One recipe: its bill, the plan of what it takes, what is wrong with it, and whether its result
 * can be had.
 */
export function OneRecipe({ name, recipe }: { name: string; recipe: Recipe }) {
  const mod = useMod();
  const session = useSession();
  const findings = useFindings() ?? [];
  const ingredients = useIngredientOptions();
  const [chosen, setChosen] = useState(0);
  const path = pointer(['recipes', name]);
  const put: PutRecipe = (label, next) =>
    session.edit(label, [{ path, before: lookUp(session.view.mod.recipes, name), after: next }]);
  const [result] = resultsOf(recipe);
  const { places } = placesOf(recipe);
  const cursor = Math.min(chosen, places.length - 1);
  const fill = (index: number, ingredient: string | undefined) => {
    const label =
      ingredient === undefined
        ? `Empty a place of ${name}`
        : `Take ${itemTitle(mod, ingredient)} in ${name}`;
    put(label, withIngredient(recipe, index, ingredient));
    setChosen(index);
  };
  return (
    <div className={clsx(listPageStyles['data-open'], styles['recipe'])}>
      <div className={styles['recipe-main']}>
        <h2>
          {itemTitle(mod, result?.gives ?? name)}{' '}
          <span className="mono">
            {recipe.kind} · {name}
          </span>
        </h2>
        <Found
          findings={findings.filter(
            (finding) => finding.at === path || finding.at?.startsWith(`${path}/`),
          )}
        />
        <div className={styles['recipe-flow']}>
          <Bill recipe={recipe} onRecipe={put} />
          <Plan
            name={name}
            recipe={recipe}
            cursor={cursor}
            ingredients={ingredients}
            onCursor={setChosen}
            onFill={fill}
            onRecipe={put}
          />
        </div>
        <div className={clsx(listPageStyles['columns'], styles['recipe-below'])}>
          <div>{result && <HowHad id={result.gives} here={name} />}</div>
          <div>
            <TaughtField recipe={recipe} onRecipe={put} />
            <Naming name={name} recipe={recipe} path={path} />
          </div>
        </div>
      </div>
      <Shelf options={ingredients} onChoose={(id) => fill(cursor, id)} />
    </div>
  );
}

/** What a kind of recipe means for how it is laid. */
function planNote(recipe: Recipe, pattern: readonly [number, number], kit: string, rate: number) {
  if (recipe.kind === 'pattern')
    return `It counts wherever it is laid. ${kit} has ${pattern[0]} by ${pattern[1]} places.`;
  if (recipe.kind === 'mix') return 'Thrown together, in any order.';
  if (recipe.kind === 'fire') return `${Math.ceil(recipe.seconds * rate)} ticks in the fire.`;
  return 'The player chooses one of the results.';
}

/**
 * The laying-out: the plan with its places, the item of the chosen one, and what only this kind of
 * recipe has.
 */
function Plan({
  name,
  recipe,
  cursor,
  ingredients,
  onCursor,
  onFill,
  onRecipe,
}: {
  name: string;
  recipe: Recipe;
  cursor: number;
  ingredients: { value: string; label: string }[];
  onCursor: (index: number) => void;
  onFill: (index: number, ingredient: string | undefined) => void;
  onRecipe: PutRecipe;
}) {
  const mod = useMod();
  const { limits, title } = tightestKit(
    mod,
    (kit) => kit.limits.pattern[0] * kit.limits.pattern[1],
  );
  const { places, columns } = placesOf(recipe);
  const dropOn = (event: DragEvent, index: number) => {
    const id = event.dataTransfer.getData('text/plain');
    if (!ingredients.some(({ value }) => value === id)) return;
    event.preventDefault();
    onFill(index, id);
  };
  return (
    <div className={styles['recipe-plan']}>
      <Slots
        slots={places.map((ingredient) => ({ ingredient }))}
        columns={columns}
        cursor={cursor}
        onCursor={onCursor}
        onFill={onFill}
        onDrop={dropOn}
        label={`What ${name} takes`}
        {...growthOf(recipe, limits.pattern, onRecipe)}
      />
      <div className={styles['recipe-under']}>
        <span id="slot-field" className={styles['slot-field']}>
          <ItemSelect
            aria-label="Item or tag in the chosen place"
            placeholder="Item or tag for this place"
            value={places[cursor]}
            options={ingredients}
            onItem={(id) => {
              onFill(cursor, id);
              document.querySelector<HTMLElement>('#slots')?.focus();
            }}
          />
        </span>
        <AnyOf ingredient={places[cursor]} />
        <Particulars recipe={recipe} onRecipe={onRecipe} />
      </div>
      <p className="note">
        {planNote(recipe, limits.pattern, title, mod.header.tickRate)} Drag from the shelf, or type
        over a place; <Cap of="emptyPlace" /> empties it.
      </p>
    </div>
  );
}

/** What grows and shrinks a pattern at the edges of its plan; other recipes grow by themselves. */
function growthOf(recipe: Recipe, most: readonly [number, number], onRecipe: PutRecipe) {
  if (recipe.kind !== 'pattern') return {};
  const grid = gridOf(recipe);
  const [wide, high] = [grid[0]?.length ?? 1, grid.length];
  return {
    growColumns: (
      <Stepper
        what="wide"
        value={wide}
        most={most[0]}
        onValue={(next) => onRecipe('Change the width', resized(recipe, next, high))}
      />
    ),
    growRows: (
      <Stepper
        what="high"
        value={high}
        most={most[1]}
        onValue={(next) => onRecipe('Change the height', resized(recipe, wide, next))}
      />
    ),
  };
}

/** So many items of a tag are shown one by one. */
const mostShown = 12;

/** The items that the tag on a place stands for. */
function AnyOf({ ingredient }: { ingredient: string | undefined }) {
  const mod = useMod();
  const accepts = useAccepts();
  if (!ingredient?.startsWith('#')) return null;
  const items = [...accepts(ingredient)].filter((id) => !id.startsWith('#'));
  if (!items.length) return null;
  return (
    <span className={clsx(iconRowStyles['icon-row'], styles['any-of'])}>
      <span className="note">any of</span>
      {items.slice(0, mostShown).map((id) => (
        <ItemIcon key={id} id={id} size={22} title={itemTitle(mod, id)} />
      ))}
      {items.length > mostShown && (
        <span className="note">and {items.length - mostShown} more</span>
      )}
    </span>
  );
}

/** The id of the recipe, and its end. */
function Naming({ name, recipe, path }: { name: string; recipe: Recipe; path: string }) {
  const { header } = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const recipes = `/m/${session.name}/data/recipes`;
  return (
    <div>
      <RenameField
        kind="recipes"
        name={name}
        id={`${header.namespace}:${name}`}
        note="Its file is called so."
        onRenamed={(to) => void navigate(`${recipes}/${to}`, { replace: true })}
      />
      <Button
        mt="xs"
        variant="subtle"
        color="brick"
        onClick={() => {
          session.edit(`Remove the recipe ${name}`, [{ path, before: recipe }]);
          void navigate(recipes);
        }}
      >
        Remove this recipe
      </Button>
    </div>
  );
}
