import { Checkbox, NumberInput } from '@mantine/core';
import type { Recipe } from '../../../../core/mod/index.ts';
import { gridOf, resized } from '../../../../core/recipes/index.ts';
import { tidy } from './results.tsx';

/** What only one kind of recipe has: the size of a pattern and its mirror, the time in the fire and its reward. */
export function Particulars({
  recipe,
  most,
  onRecipe,
}: {
  recipe: Recipe;
  most: readonly [number, number];
  onRecipe: (label: string, next: Recipe) => void;
}) {
  if (recipe.kind === 'fire')
    return (
      <>
        <span className="count-field">
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
        <span className="count-field">
          reward{' '}
          <NumberInput
            aria-label="Reward"
            w={64}
            min={0}
            hideControls
            decimalScale={2}
            value={recipe.reward ?? 0}
            onChange={(next) =>
              typeof next === 'number' &&
              onRecipe('Change the reward', tidy({ ...recipe, reward: next || undefined }))
            }
          />
        </span>
      </>
    );
  if (recipe.kind !== 'pattern') return null;
  const grid = gridOf(recipe);
  const [wide, high] = [grid[0]!.length, grid.length];
  return (
    <>
      <Stepper
        what="wide"
        value={wide}
        most={most[0]}
        onValue={(next) => onRecipe('Change the width', resized(recipe, next, high))}
      />
      <Stepper
        what="high"
        value={high}
        most={most[1]}
        onValue={(next) => onRecipe('Change the height', resized(recipe, wide, next))}
      />
      <Checkbox
        size="xs"
        label="counts mirrored too"
        checked={recipe.mirrored !== false}
        onChange={(event) =>
          onRecipe(
            'Change the mirroring',
            tidy({ ...recipe, mirrored: event.currentTarget.checked ? undefined : false }),
          )
        }
      />
    </>
  );
}

function Stepper({
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
    <span className="stepper">
      <button
        type="button"
        className="chip"
        aria-label={`Less ${what}`}
        disabled={value <= 1}
        onClick={() => onValue(value - 1)}
      >
        −
      </button>
      <span>
        {value} {what}
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
