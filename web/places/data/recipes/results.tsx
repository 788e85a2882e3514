import { itemAt } from '../../../../core/lists/index.ts';
import { NumberInput } from '@mantine/core';
import { withoutUndefined } from '../../../../core/json/index.ts';
import { resultsOf, type Recipe } from '../../../../core/mod/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { ItemIcon, ItemSelect, itemTitle, useItemOptions } from '../../../parts/item.tsx';
import styles from './recipes.module.css';

/** What a recipe gives, and how many; of what is cut there are several to choose from. */
export function Results({
  recipe,
  onRecipe,
}: {
  recipe: Recipe;
  onRecipe: (label: string, next: Recipe) => void;
}) {
  const items = useItemOptions();
  const results = resultsOf(recipe);
  const give = (i: number, part: { gives?: string; count?: number | undefined }) =>
    onRecipe(
      'Change what it gives',
      recipe.kind === 'cut'
        ? {
            ...recipe,
            choices: recipe.choices.with(
              i,
              withoutUndefined({ ...itemAt(recipe.choices, i), ...part }),
            ),
          }
        : withoutUndefined({ ...recipe, ...part }),
    );
  return (
    <div className={styles['results']}>
      {results.map(({ gives, count }, i) => (
        <Result
          key={i}
          label={results.length > 1 ? `Result ${i + 1}` : 'Result'}
          gives={gives}
          count={count}
          items={items}
          icon={results.length > 1}
          onResult={(part) => give(i, part)}
          onRemove={
            recipe.kind === 'cut' && recipe.choices.length > 1
              ? () =>
                  onRecipe('Remove a choice', {
                    ...recipe,
                    choices: recipe.choices.filter((_, other) => other !== i),
                  })
              : undefined
          }
        />
      ))}
      {recipe.kind === 'cut' && (
        <button
          type="button"
          className="tiny"
          onClick={() =>
            onRecipe('Add a choice', {
              ...recipe,
              choices: [...recipe.choices, { gives: itemAt(items, 0).value }],
            })
          }
        >
          + Add a choice
        </button>
      )}
    </div>
  );
}

interface ResultProps {
  label: string;
  gives: string;
  count: number;
  items: ReturnType<typeof useItemOptions>;
  icon: boolean;
  onResult: (part: { gives?: string; count?: number | undefined }) => void;
  onRemove: (() => void) | undefined;
}

/** One thing that a recipe gives: which, and how many. It is dropped on or chosen. */
function Result({ label, gives, count, items, icon, onResult, onRemove }: ResultProps) {
  const mod = useMod();
  const putCount = (next: number | string) => {
    if (typeof next !== 'number' || !Number.isInteger(next) || next <= 0) return;
    onResult({ count: next === 1 ? undefined : next });
  };
  return (
    <div
      className={styles['result']}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        const id = event.dataTransfer.getData('text/plain');
        if (items.some(({ value }) => value === id)) onResult({ gives: id });
      }}
    >
      {icon && <ItemIcon id={gives} size={34} title={itemTitle(mod, gives)} />}
      <span className={styles['result-fields']}>
        <ItemSelect
          aria-label={label}
          value={gives}
          options={items}
          onItem={(id) => onResult({ gives: id })}
        />
        <span className={styles['count-field']}>
          ×{' '}
          <NumberInput
            aria-label="How many it gives"
            w={56}
            min={1}
            hideControls
            value={count}
            onChange={putCount}
          />
          {onRemove && (
            <button
              type="button"
              className="tiny"
              aria-label={`Remove ${label.toLowerCase()}`}
              onClick={onRemove}
            >
              ×
            </button>
          )}
        </span>
      </span>
    </div>
  );
}
