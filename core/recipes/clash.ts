import { ingredientsOf, resultsOf, type Recipe } from '../mod/index.ts';
import { laid, meet, mirrored, type Accepts, type Laid } from './parts.ts';

/**
 * Two recipes that take the same and give different things, with something that both would take.
 */
export interface Clash {
  first: string;
  second: string;
  both: string[];
}

/**
 * How a recipe can be laid out, for comparing. A pattern also mirrored, unless it says that this
 * does not count.
 */
interface Form {
  name: string;
  recipe: Recipe;
  takes: string[];
  /** The ingredients, each once. */ kinds: string[];
  grids: Laid[];
}

/**
 * Finds every pair of recipes that some ingredients fit both of. Patterns clash wherever they are
 * laid and mirrored, with each other and with mixes, for a mix may be laid out like the pattern.
 * What goes into the fire clashes with what goes into the fire. What is cut is chosen by the
 * player, so it clashes only where the same thing comes in different numbers. Recipes are looked up
 * by an item that they take, so only those that could meet are compared.
 *
 * @example clashes({ a: mix('salt', 'reed'), b: mix('#dry', 'salt') }, accepts)
 * // [{ first: 'a', second: 'b', both: ['…:salt', '…:reed'] }]
 */
export function clashes(recipes: Readonly<Record<string, Recipe>>, accepts: Accepts): Clash[] {
  const forms = Object.entries(recipes).map(([name, recipe]): Form => {
    const grid = recipe.kind === 'pattern' ? laid(recipe) : undefined;
    const takes = ingredientsOf(recipe);
    return {
      name,
      recipe,
      takes,
      kinds: [...new Set(takes)],
      grids: grid
        ? recipe.kind === 'pattern' && recipe.mirrored === false
          ? [grid]
          : [grid, mirrored(grid)]
        : [],
    };
  });
  // Which ingredients could stand for the same thing: an item for itself and for each tag that it
  // is in.
  const mentions = new Set(forms.flatMap(({ takes }) => takes));
  const standing = new Map<string, string[]>();
  for (const ingredient of mentions)
    for (const item of accepts(ingredient)) {
      const list = standing.get(item);
      if (list) list.push(ingredient);
      else standing.set(item, [ingredient]);
    }
  const alike = new Map<string, Set<string>>();
  const alikeTo = (ingredient: string): Set<string> => {
    let set = alike.get(ingredient);
    if (!set) {
      set = new Set();
      for (const item of accepts(ingredient))
        for (const other of standing.get(item)!) set.add(other);
      alike.set(ingredient, set);
    }
    return set;
  };
  /** For each kind of place and number of ingredients: who takes an ingredient. */
  const waiting = new Map<string, Map<string, Form[]>>();
  const found: Clash[] = [];
  for (const form of forms) {
    if (!form.kinds.length) continue;
    const key = `${form.recipe.kind === 'mix' ? 'pattern' : form.recipe.kind} ${form.takes.length}`;
    const place = waiting.get(key) ?? new Map<string, Form[]>();
    waiting.set(key, place);
    // Whatever it could clash with takes something like its rarest ingredient, and has something
    // for each of the others.
    const like = form.kinds.map(alikeTo).sort((a, b) => a.size - b.size);
    const others = new Set<Form>();
    for (const ingredient of like[0]!)
      for (const other of place.get(ingredient) ?? []) others.add(other);
    for (const other of others) {
      if (
        !like.every((set) => other.kinds.some((kind) => set.has(kind))) ||
        !differ(other.recipe, form.recipe)
      )
        continue;
      const both = meeting(other, form, accepts);
      if (both) found.push({ first: other.name, second: form.name, both });
    }
    for (const kind of form.kinds) {
      const list = place.get(kind);
      if (list) list.push(form);
      else place.set(kind, [form]);
    }
  }
  return found;
}

function differ(a: Recipe, b: Recipe): boolean {
  const [one, other] = [resultsOf(a), resultsOf(b)];
  if (a.kind === 'cut' || b.kind === 'cut')
    return one.some((x) => other.some((y) => x.gives === y.gives && x.count !== y.count));
  return one[0]!.gives !== other[0]!.gives || one[0]!.count !== other[0]!.count;
}

/**
 * Something that both would take, an item for each ingredient of the first; undefined when there is
 * nothing.
 */
function meeting(a: Form, b: Form, accepts: Accepts): string[] | undefined {
  if (a.grids.length && b.grids.length) {
    for (const grid of b.grids) {
      const both = meetingGrids(a.grids[0]!, grid, accepts);
      if (both) return both;
      // Only the first may be mirrored as well.
      const turned = a.grids[1] && meetingGrids(a.grids[1], grid, accepts);
      if (turned) return turned;
    }
    return undefined;
  }
  return matching(a.takes, b.takes, accepts);
}

function meetingGrids(a: Laid, b: Laid, accepts: Accepts): string[] | undefined {
  if (a.wide !== b.wide || a.high !== b.high || !a.cells.length) return undefined;
  const fits = a.cells.every((cell, i) => {
    const other = b.cells[i];
    return cell === undefined || other === undefined
      ? cell === other
      : meet(accepts(cell), accepts(other));
  });
  return fits
    ? a.cells.flatMap((cell, i) =>
        cell === undefined ? [] : [common(accepts(cell), accepts(b.cells[i]!))!],
      )
    : undefined;
}

/** The first by name of what two sets share. */
function common(a: ReadonlySet<string>, b: ReadonlySet<string>): string | undefined {
  const [small, large] = a.size < b.size ? [a, b] : [b, a];
  let first: string | undefined;
  for (const one of small) if (large.has(one) && (first === undefined || one < first)) first = one;
  return first;
}

/**
 * An item for each of some ingredients such that the others, in some order, take them too: a
 * perfect matching of ingredients that share an item, by augmenting paths (Kuhn, The Hungarian
 * Method for the Assignment Problem, 1955).
 */
function matching(
  a: readonly string[],
  b: readonly string[],
  accepts: Accepts,
): string[] | undefined {
  if (a.length !== b.length) return undefined;
  const partner = new Array<number>(b.length).fill(-1);
  const tryPlace = (i: number, seen: Set<number>): boolean =>
    b.some((other, j) => {
      if (seen.has(j) || !meet(accepts(a[i]!), accepts(other))) return false;
      seen.add(j);
      if (partner[j]! >= 0 && !tryPlace(partner[j]!, seen)) return false;
      partner[j] = i;
      return true;
    });
  for (let i = 0; i < a.length; i += 1) if (!tryPlace(i, new Set())) return undefined;
  const both: string[] = [];
  partner.forEach((i, j) => {
    both[i] = common(accepts(a[i]!), accepts(b[j]!))!;
  });
  return both;
}
