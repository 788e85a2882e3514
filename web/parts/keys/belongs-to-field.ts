/** Inputs into which nothing is typed. */
const notTyped = new Set([
  'checkbox',
  'radio',
  'range',
  'button',
  'submit',
  'reset',
  'file',
  'color',
  'image',
]);
/** What switches, radios and the like need themselves. */
const ownKeys = /^(Arrow|Page|Home$|End$|Enter$|Tab$| $)/;

/** What of an element says whether keys are its own. */
interface Aimed {
  tagName: string;
  type?: string;
  readOnly?: boolean;
  isContentEditable?: boolean;
}

/**
 * Whether a key that is pressed belongs to the field that has the focus: every key to one into
 * which text is typed; to a switch, a radio or a slider only those that move it.
 *
 * @example belongsToField('z', { tagName: 'INPUT', type: 'checkbox' }) // false
 */
export function belongsToField(key: string, aimed: Aimed): boolean {
  const { tagName, type = 'text', readOnly = false, isContentEditable = false } = aimed;
  if (isContentEditable || tagName === 'TEXTAREA') return true;
  if (tagName !== 'INPUT' && tagName !== 'SELECT') return false;
  const isTyped = tagName === 'INPUT' && !notTyped.has(type) && !readOnly;
  return isTyped || ownKeys.test(key);
}
