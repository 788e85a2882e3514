import { ingredientsOf, resultsOf, type Recipe } from '../mod/index.ts';
import { laid, meet, mirrored, type Accepts, type Laid } from './parts.ts';

/** Two recipes that take the same and give different things, with something that both would take. */
export interface Clash { first: string; second: string; both: string[] }

/** How a recipe can be laid out, for comparing. A pattern also mirrored, unless it says that this does not count. */
interface Form { name: string; recipe: Recipe; takes: string[]; grids: Laid[] }

/**
 * Finds every pair of recipes that some ingredients fit both of. Patterns clash wherever they are laid and mirrored, with each other
 * and with mixes, for a mix may be laid out like the pattern. What goes into the fire clashes with what goes into the fire. What is
 * cut is chosen by the player, so it clashes only where the same thing comes in different numbers.
 * Recipes are looked up by an item that they take, so only those that could meet are compared.
 *
 * @example clashes({ a: mix('salt', 'reed'), b: mix('#dry', 'salt') }, accepts) // [{ first: 'a', second: 'b', both: ['…:salt', '…:reed'] }]
 */
export function clashes(recipes: Readonly<Record<string, Recipe>>, accepts: Accepts): Clash[] {
  const forms = Object.entries(recipes).map(([name, recipe]): Form => {
    const grid = recipe.kind === 'pattern' ? laid(recipe) : undefined;
    return { name, recipe, takes: ingredientsOf(recipe), grids: grid ? (recipe.kind === 'pattern' && recipe.mirrored === false ? [grid] : [grid, mirrored(grid)]) : [] };
  });
  const waiting = new Map<string, Set<Form>>();
  const found: Clash[] = [];
  for (const form of forms) {
    if (!form.takes.length) continue;
    // The ingredient that stands for the fewest things is the shortest way to all that it could meet.
    const sets = form.takes.map(accepts);
    const least = sets.reduce((a, b) => (b.size < a.size ? b : a));
    const place = `${form.recipe.kind === 'mix' ? 'pattern' : form.recipe.kind} ${form.takes.length}`;
    const others = new Set([...least].flatMap((item) => [...(waiting.get(`${place} ${item}`) ?? [])]));
    for (const other of others) {
      const both = meeting(other, form, accepts);
      if (both && differ(other.recipe, form.recipe)) found.push({ first: other.name, second: form.name, both });
    }
    for (const item of new Set(sets.flatMap((set) => [...set]))) {
      const key = `${place} ${item}`;
      const list = waiting.get(key);
      if (list) list.add(form);
      else waiting.set(key, new Set([form]));
    }
  }
  return found;
}

function differ(a: Recipe, b: Recipe): boolean {
  const [one, other] = [resultsOf(a), resultsOf(b)];
  if (a.kind === 'cut' || b.kind === 'cut') return one.some((x) => other.some((y) => x.gives === y.gives && x.count !== y.count));
  return one[0]!.gives !== other[0]!.gives || one[0]!.count !== other[0]!.count;
}

/** Something that both would take, an item for each ingredient of the first; undefined when there is nothing. */
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
  const both: string[] = [];
  for (const [i, cell] of a.cells.entries()) {
    const other = b.cells[i];
    if ((cell === undefined) !== (other === undefined)) return undefined;
    if (cell === undefined || other === undefined) continue;
    const shared = common(accepts(cell), accepts(other));
    if (shared === undefined) return undefined;
    both.push(shared);
  }
  return both;
}

const common = (a: ReadonlySet<string>, b: ReadonlySet<string>): string | undefined => (meet(a, b) ? [...a].filter((one) => b.has(one)).sort()[0] : undefined);

/**
 * An item for each of some ingredients such that the others, in some order, take them too: a perfect matching of ingredients that
 * share an item, by augmenting paths (Kuhn, The Hungarian Method for the Assignment Problem, 1955).
 */
function matching(a: readonly string[], b: readonly string[], accepts: Accepts): string[] | undefined {
  if (a.length !== b.length) return undefined;
  const partner = new Array<number>(b.length).fill(-1);
  const tryPlace = (i: number, seen: Set<number>): boolean => b.some((other, j) => {
    if (seen.has(j) || !meet(accepts(a[i]!), accepts(other))) return false;
    seen.add(j);
    if (partner[j]! >= 0 && !tryPlace(partner[j]!, seen)) return false;
    partner[j] = i;
    return true;
  });
  for (let i = 0; i < a.length; i += 1) if (!tryPlace(i, new Set())) return undefined;
  const both: string[] = [];
  partner.forEach((i, j) => { both[i] = common(accepts(a[i]!), accepts(b[j]!))!; });
  return both;
}
