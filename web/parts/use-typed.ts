import { useState } from 'react';

/** What is being typed into a field, beginning anew with `text` whenever that changes. */
export function useTyped(text: string): [typed: string, setTyped: (typed: string) => void] {
  const [state, setState] = useState({ text, typed: text });
  // A text that came from elsewhere wins over what was typed; React draws again at once, before
  // anything is shown.
  if (state.text !== text) setState({ text, typed: text });
  const typed = state.text === text ? state.typed : text;
  return [typed, (next) => setState({ text, typed: next })];
}
