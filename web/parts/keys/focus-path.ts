import { itemAt } from '../../../core/lists/index.ts';
import { belongsToField } from './belongs-to-field.ts';

/** What can have the focus by keys. */
export const focusable =
  'a[href], button, input, select, textarea, summary, [tabindex]:not([tabindex="-1"])';

/** Where the focus stood: at each step inwards, who it was and which child of its parent. */
export type FocusPath = readonly { element: Element; index: number }[];

const indexIn = (element: Element): number =>
  element.parentElement ? [...element.parentElement.children].indexOf(element) : 0;

/** The way to an element, from the body inwards. */
export function pathTo(element: Element): FocusPath {
  const path: { element: Element; index: number }[] = [];
  for (let at: Element | null = element; at && at !== document.body; at = at.parentElement) {
    path.unshift({ element: at, index: indexIn(at) });
  }
  return path;
}

/** Whether an element can have the focus: it is there, is shown, and can be used. */
export const isUsable = (element: Element): boolean =>
  element.isConnected && !element.matches(':disabled') && element.getClientRects().length > 0;

/** What takes the focus of itself; a field would take every key that is pressed next. */
const takes = (element: Element): element is HTMLElement =>
  element instanceof HTMLElement &&
  element.matches(focusable) &&
  isUsable(element) &&
  !belongsToField('a', element);

/** The first within an element, itself included, or the last. */
function takerIn(element: Element, end: 'first' | 'last'): HTMLElement | undefined {
  const all = [element, ...element.querySelectorAll(focusable)].filter(takes);
  return end === 'first' ? all[0] : all.at(-1);
}

/** Who stands in the next line where the one that went stood in its own. */
function alike(line: Element, below: FocusPath): HTMLElement | undefined {
  let at: Element | undefined = line;
  for (const { index } of below) at = at?.children[index];
  return at && takes(at) ? at : undefined;
}

/** Who stands so in the first of the neighbours that is of the same kind as the line that went. */
function inLine(
  neighbours: readonly (Element | undefined)[],
  lost: Element,
  below: FocusPath,
): HTMLElement | undefined {
  const line = neighbours.find((one) => one !== lost && one?.className === lost.className);
  return line && (alike(line, below) ?? takerIn(line, 'first'));
}

/**
 * Who has the focus once the one at the end of the path is gone or can have it no longer: the next
 * of its kind, else the one before, else the nearest around; nobody where all of the place below
 * `root` is another one.
 */
export function successorOf(path: FocusPath, root: Element): HTMLElement | undefined {
  const rest = path.findIndex(({ element }) => !element.isConnected);
  // Still there, only not to be used: its neighbours.
  let depth = rest === -1 ? path.length - 1 : rest;
  for (; depth > 0; depth -= 1) {
    const around = path[depth - 1]?.element;
    const { element: lost, index } = itemAt(path, depth);
    if (!around || around === root || !root.contains(around)) return undefined;
    const below = path.slice(depth + 1);
    const after = [...around.children].slice(index);
    const before = [...around.children].slice(0, index).reverse();
    const found =
      inLine([after[0], before[0]], lost, below) ??
      after.map((line) => takerIn(line, 'first')).find(Boolean) ??
      before.map((line) => takerIn(line, 'last')).find(Boolean);
    if (found) return found;
  }
  return undefined;
}
