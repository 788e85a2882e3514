import { resultsOf, type Recipe } from '../../../../core/mod/index.ts';
import { billOf, type BillLine } from '../../../../core/recipes/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { useAccepts } from '../../../api/making.ts';
import { ItemIcon, itemTitle } from '../../../parts/item.tsx';
import styles from './bill.module.css';
import { Results } from './results.tsx';

/** How a recipe is made, as the line between what it gives and what it takes. */
function madeHow(recipe: Recipe): string {
  if (recipe.kind === 'fire') return `in the fire, in ${recipe.seconds} s, out of`;
  if (recipe.kind === 'cut') return 'is cut out of';
  return recipe.kind === 'mix' ? 'is mixed out of' : 'is laid out of';
}

/**
 * The bill of a recipe: what is made stands large at its head, what it takes in all is listed
 * below.
 */
export function Bill({
  recipe,
  onRecipe,
}: {
  recipe: Recipe;
  onRecipe: (label: string, next: Recipe) => void;
}) {
  const mod = useMod();
  const [first] = resultsOf(recipe);
  return (
    <section className={styles['bill']} aria-label="Bill">
      {first && (
        <div className={styles['made']}>
          <ItemIcon id={first.gives} size={112} title={itemTitle(mod, first.gives)} />
        </div>
      )}
      <Results recipe={recipe} onRecipe={onRecipe} />
      <p className={styles['how']}>{madeHow(recipe)}</p>
      <ul className={styles['lines']} aria-label="What it takes in all">
        {billOf(recipe).map((line) => (
          <Line key={line.ingredient} {...line} />
        ))}
      </ul>
    </section>
  );
}

/** One ingredient with its number; of a tag the items that it stands for. */
function Line({ ingredient, count }: BillLine) {
  const mod = useMod();
  const accepts = useAccepts();
  const isTag = ingredient.startsWith('#');
  const members = isTag ? [...accepts(ingredient)].filter((id) => !id.startsWith('#')) : [];
  return (
    <li>
      <b className="mono">{count}</b>
      {!isTag && <ItemIcon id={ingredient} size={26} />}
      {members.slice(0, 4).map((id) => (
        <ItemIcon key={id} id={id} size={22} title={itemTitle(mod, id)} />
      ))}
      <span title={ingredient}>
        {isTag ? shortTag(mod.header.namespace, ingredient) : itemTitle(mod, ingredient)}
      </span>
      {isTag && <em>any of {members.length}</em>}
    </li>
  );
}

/** A tag of the mod itself without its namespace. */
const shortTag = (namespace: string, tag: string): string =>
  tag.startsWith(`#${namespace}:`) ? `#${tag.slice(namespace.length + 2)}` : tag;
