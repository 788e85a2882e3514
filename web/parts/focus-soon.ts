/** So many frames a field may take to be drawn. */
const maxFrames = 60;

/** Writes into a field as a person would, so that whoever listens to it hears of it. */
function type(field: HTMLElement, text: string): void {
  if (!(field instanceof HTMLInputElement) || text === '') return;
  Reflect.set(HTMLInputElement.prototype, 'value', text, field);
  field.dispatchEvent(
    new InputEvent('input', { bubbles: true, inputType: 'insertText', data: text }),
  );
}

/**
 * Puts the cursor into a field that may be drawn only a few frames from now. What is typed
 * meanwhile goes into the field, Enter included: people type faster than a page is drawn.
 */
export function focusSoon(selector: string): void {
  const keys: string[] = [];
  const keep = (event: KeyboardEvent) => {
    if (
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      (event.key.length > 1 && event.key !== 'Enter')
    )
      return;
    keys.push(event.key);
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  const arrive = (field: HTMLElement) => {
    field.focus();
    let text = '';
    for (const key of keys) {
      if (key !== 'Enter') text += key;
      else {
        type(field, text);
        field.dispatchEvent(
          new window.KeyboardEvent('keydown', { key, code: key, bubbles: true, cancelable: true }),
        );
        return;
      }
    }
    type(field, text);
  };
  const look = (frames: number) => {
    const field = document.querySelector<HTMLElement>(selector);
    if (!field && frames > 0) return void requestAnimationFrame(() => look(frames - 1));
    window.removeEventListener('keydown', keep, true);
    if (field) arrive(field);
  };
  window.addEventListener('keydown', keep, true);
  look(maxFrames);
}
