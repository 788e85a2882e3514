import { Checkbox, NumberInput } from '@mantine/core';
import type { Recipe } from '../../../../core/mod/index.ts';
import { withoutUndefined } from '../../../../core/json/index.ts';
import styles from './recipes.module.css';

/**
 * What only one kind of recipe has: the mirror of a pattern, the time in the fire and its reward.
 */
export function Particulars({
  recipe,
  onRecipe,
}: {
  recipe: Recipe;
  onRecipe: (label: string, next: Recipe) => void;
}) {
  if (recipe.kind === 'fire')
    return (
      <>
        <span className={styles['count-field']}>
          for{' '}
          <NumberInput
            aria-label="Seconds in the fire"
            w={64}
            min={0}
            hideControls
            decimalScale={2}
            value={recipe.seconds}
            onChange={(next) =>
              typeof next === 'number' && onRecipe('Change the time', { ...recipe, seconds: next })
            }
          />{' '}
          s
        </span>
        <span className={styles['count-field']}>
          gives{' '}
          <NumberInput
            aria-label="Experience that it gives"
            w={64}
            min={0}
            hideControls
            decimalScale={2}
            value={recipe.reward ?? 0}
            onChange={(next) =>
              typeof next === 'number' &&
              onRecipe(
                'Change the reward',
                withoutUndefined({ ...recipe, reward: next || undefined }),
              )
            }
          />{' '}
          experience
        </span>
      </>
    );
  if (recipe.kind !== 'pattern') return null;
  return (
    <Checkbox
      size="xs"
      label="counts mirrored too"
      checked={recipe.mirrored !== false}
      onChange={(event) =>
        onRecipe(
          'Change the mirroring',
          withoutUndefined({
            ...recipe,
            mirrored: event.currentTarget.checked ? undefined : false,
          }),
        )
      }
    />
  );
}

/** A number of columns or rows with what makes it less and more. */
export function Stepper({
  what,
  value,
  most,
  onValue,
}: {
  what: string;
  value: number;
  most: number;
  onValue: (next: number) => void;
}) {
  return (
    <span className={styles['stepper']}>
      <button
        type="button"
        className="chip"
        aria-label={`Less ${what}`}
        disabled={value <= 1}
        onClick={() => onValue(value - 1)}
      >
        −
      </button>
      <span className="mono">
        {value}
        <em> {what}</em>
      </span>
      <button
        type="button"
        className="chip"
        aria-label={`More ${what}`}
        disabled={value >= most}
        onClick={() => onValue(value + 1)}
      >
        +
      </button>
    </span>
  );
}
