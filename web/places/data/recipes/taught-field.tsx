import { withoutUndefined } from '../../../../core/json/index.ts';
import { ingredientsOf, type Recipe, type Taught } from '../../../../core/mod/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { ItemSelect, itemTitle, useItemOptions } from '../../../parts/item.tsx';
import { useIngredientOptions } from './slots.tsx';
import styles from './recipes.module.css';

type Lesson = 'start' | 'any' | 'all' | 'one' | 'making' | 'having';

const lessonOf = (taught: Taught | undefined): Lesson =>
  taught === undefined
    ? 'start'
    : taught.by !== 'holding'
      ? taught.by
      : taught.what === 'any' || taught.what === 'all'
        ? taught.what
        : 'one';

const words: readonly (readonly [Lesson, string])[] = [
  ['start', 'from the start'],
  ['any', 'when one of the ingredients is in the hand'],
  ['all', 'when all ingredients are there'],
  ['one', 'when one has a certain ingredient'],
  ['making', 'when something was made'],
  ['having', 'when one has come by something'],
];

/** When a player learns a recipe. */
export function TaughtField({
  recipe,
  onRecipe,
}: {
  recipe: Recipe;
  onRecipe: (label: string, next: Recipe) => void;
}) {
  const mod = useMod();
  const items = useItemOptions();
  const ingredients = useIngredientOptions();
  const { taught } = recipe;
  const lesson = lessonOf(taught);
  const own = ingredientsOf(recipe);
  const put = (next: Taught | undefined) =>
    onRecipe('Change when it is learned', withoutUndefined({ ...recipe, taught: next }));
  const begin = (next: Lesson) => {
    const [first = 'obrank:timber'] = own;
    if (next === 'start') put(undefined);
    else if (next === 'any' || next === 'all') put({ by: 'holding', what: next });
    else if (next === 'one') put({ by: 'holding', what: first });
    else put({ by: next, what: first.replace(/^#/, '') });
  };
  return (
    <Field
      label="Learned"
      value={
        <select
          className="pick"
          aria-label="When it is learned"
          value={lesson}
          onChange={(event) => {
            const chosen = words.find(([one]) => one === event.currentTarget.value);
            if (chosen) begin(chosen[0]);
          }}
        >
          {words.map(([one, word]) => (
            <option key={one} value={one}>
              {word}
            </option>
          ))}
        </select>
      }
      note={
        lesson === 'start'
          ? 'Every player knows it.'
          : 'Until then it is neither shown nor made. What nobody can learn is found.'
      }
    >
      {taught && lesson === 'one' && (
        <select
          className="pick"
          aria-label="Ingredient that teaches it"
          value={taught.what}
          onChange={(event) => put({ by: 'holding', what: event.currentTarget.value })}
        >
          {[...new Set([...own, taught.what])].map((id) => (
            <option key={id} value={id}>
              {itemTitle(mod, id)}
            </option>
          ))}
        </select>
      )}
      {taught && (lesson === 'making' || lesson === 'having') && (
        <span className={styles['slot-field']}>
          <ItemSelect
            aria-label="What teaches it"
            value={taught.what}
            options={lesson === 'making' ? items : ingredients}
            onItem={(what) => put({ by: lesson, what })}
          />
        </span>
      )}
    </Field>
  );
}
