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
  /** `committed` is `true` where what stands in it is what the mod has. */
  dataset?: { readonly committed?: string };
  type?: string;
  readOnly?: boolean;
  isContentEditable?: boolean;
}

/**
 * Whether a key that is pressed belongs to the field that has the focus: every key to one into
 * which text is typed, but for undoing where nothing is typed that the mod does not have; to a
 * switch, a radio or a slider only those that move it.
 *
 * @example belongsToField('z', { tagName: 'INPUT', type: 'checkbox' }) // false
 */
export function belongsToField(key: string, aimed: Aimed, isCommand = false): boolean {
  const { tagName, type = 'text', readOnly = false, isContentEditable = false } = aimed;
  if (isCommand && /^[zy]$/i.test(key) && aimed.dataset?.committed === 'true') return false;
  if (isContentEditable || tagName === 'TEXTAREA') return true;
  if (tagName !== 'INPUT' && tagName !== 'SELECT') return false;
  const isTyped = tagName === 'INPUT' && !notTyped.has(type) && !readOnly;
  return isTyped || ownKeys.test(key);
}
