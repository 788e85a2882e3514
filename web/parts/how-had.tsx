import clsx from 'clsx';
import { itemAt } from '../../core/lists/index.ts';
import { Link } from 'react-router';
import { lookUp, ingredientsOf, resultsOf, type Mod } from '../../core/mod/index.ts';
import type { Obtainable } from '../../core/recipes/index.ts';
import { listed } from '../../core/words/index.ts';
import { useMod, useSession } from '../api/hooks.tsx';
import { useAccepts, useHad } from '../api/making.ts';
import { Field } from './field.tsx';
import { ItemIcon, itemTitle } from './item.tsx';
import styles from './how-had.module.css';
import iconRowStyles from './icon-row.module.css';

const said = (number: number): string => String(Number(number.toFixed(2)));

/**
 * How an item comes to be, step by step, what one of it costs in what the world gives, and what
 * takes it.
 */
export function HowHad({
  id,
  here,
}: {
  id: string;
  /** The recipe that is looked at already. */ here?: string;
}) {
  const mod = useMod();
  const all = useHad();
  const had = all.get(id);
  const accepts = useAccepts();
  const takenBy = Object.entries(mod.recipes).filter(([, recipe]) =>
    ingredientsOf(recipe).some((one) => accepts(one).has(id)),
  );
  const givenBy = Object.entries(mod.recipes).filter(
    ([name, recipe]) => name !== here && resultsOf(recipe).some(({ gives }) => gives === id),
  );
  return (
    <>
      <Field
        label="Can it be had?"
        value={had ? <span className="tag good">yes</span> : <span className="tag hint">no</span>}
      >
        {had ? (
          <p className="note">{words(mod, had)}</p>
        ) : (
          <p className="note">
            Nobody can come to have it: the world does not give it, nothing drops it, and no recipe
            that can be made gives it.
          </p>
        )}
        {had && <Way id={id} had={had} all={all} />}
      </Field>
      {givenBy.length > 0 && (
        <RecipeLinks
          label={here === undefined ? 'Made by' : 'Made by as well'}
          recipes={givenBy.map(([name]) => ({ name, icon: id }))}
        />
      )}
      {takenBy.length > 0 && (
        <RecipeLinks
          label="Taken by"
          recipes={takenBy.map(([name, recipe]) => ({
            name,
            icon: resultsOf(recipe)[0]?.gives ?? '',
          }))}
        />
      )}
    </>
  );
}

interface WayProps {
  id: string;
  had: Obtainable;
  all: ReadonlyMap<string, Obtainable>;
}

/** How one comes to have an item: step by step, and what one of it costs. */
function Way({ id, had, all }: WayProps) {
  const mod = useMod();
  return (
    <>
      {had.steps > 1 && (
        <details className={styles['steps']}>
          <summary>Step by step</summary>
          <ol>
            {stepsTo(id, all).map(([step, { way }]) => (
              <li key={step}>
                <ItemIcon id={step} size={20} />
                <b>{itemTitle(mod, step)}</b> {shortly(mod, way)}
              </li>
            ))}
          </ol>
        </details>
      )}
      {had.way.takes.length > 0 && (
        <>
          <p className={clsx('note', styles['costs'])}>One costs</p>
          <div className={iconRowStyles['icon-row']} aria-label="What one costs">
            {[...had.cost].map(([raw, number]) => (
              <span key={raw} className={iconRowStyles['one']}>
                <ItemIcon id={raw} size={22} />
                <b>{said(number)}</b> {itemTitle(mod, raw)}
              </span>
            ))}
          </div>
        </>
      )}
    </>
  );
}

/** Recipes to go to, each with the icon of what it gives. */
function RecipeLinks({
  label,
  recipes,
}: {
  label: string;
  recipes: readonly { name: string; icon: string }[];
}) {
  const { name: mod } = useSession();
  return (
    <Field label={label}>
      <div className={iconRowStyles['icon-row']}>
        {recipes.map(({ name, icon }) => (
          <Link key={name} to={`/m/${mod}/data/recipes/${name}`}>
            <ItemIcon id={icon} size={20} />
            {name}
          </Link>
        ))}
      </div>
    </Field>
  );
}

/**
 * Everything on the way to an item that somebody has to make or dig, in an order in which it can be
 * done.
 */
function stepsTo(id: string, all: ReadonlyMap<string, Obtainable>): [string, Obtainable][] {
  const found = new Map<string, Obtainable>();
  const walk = (one: string) => {
    const had = all.get(one);
    if (!had || found.has(one)) return;
    found.set(one, had);
    had.way.takes.forEach(walk);
  };
  walk(id);
  return [...found].sort(([, a], [, b]) => a.steps - b.steps);
}

/** A step in a few words: `in the fire from 1 Raw brack`. */
function shortly(mod: Mod, { how, by, takes, count: many }: Obtainable['way']): string {
  if (how === 'found') return 'lies about';
  if (how === 'dug') return `is dug from ${itemTitle(mod, by!)}`;
  const tally = new Map<string, number>();
  for (const one of takes) tally.set(one, (tally.get(one) ?? 0) + 1);
  const from = listed([...tally].map(([one, times]) => `${times} ${itemTitle(mod, one)}`));
  if (how === 'dipped') return `is dipped from ${itemTitle(mod, by!)} with ${from}`;
  const recipe = lookUp(mod.recipes, by!);
  return (
    `${many === 1 ? '' : `× ${many} `}${recipe?.kind === 'fire' ? 'in the fire' : recipe?.kind === 'cut' ? 'cut' : 'made'} ` +
    `from ${from}`
  );
}

function words(mod: Mod, { way, steps }: Obtainable): string {
  const by = way.by === undefined ? '' : itemTitle(mod, way.by);
  const after = steps > 1 ? ` It takes ${steps} steps from what the world gives.` : '';
  if (way.how === 'found') return 'The world has it.';
  if (way.how === 'dug')
    return way.takes.length
      ? `It is dug from ${by}, once that is placed.${after}`
      : `It is dug from ${by}, which the world ` +
          `has${way.count === 1 ? '' : `, ${said(way.count)} on average`}.`;
  if (way.how === 'dipped')
    return `It is dipped from ${by} with ${itemTitle(mod, itemAt(way.takes, 0))}.`;
  return `The recipe ${way.by} makes ${way.count === 1 ? 'it' : `${way.count} of it`}.${after}`;
}
