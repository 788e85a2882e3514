import { Select, type SelectProps } from '@mantine/core';
import { useRef, useState, type KeyboardEvent } from 'react';
import { asOption, firstMatch, type OptionLike } from './match.ts';

export type ChoiceProps = Omit<
  SelectProps,
  'data' | 'onChange' | 'onOptionSubmit' | 'value' | 'searchable' | 'dropdownOpened'
> & {
  data: readonly OptionLike[];
  value: string | null;
  /** Hears of what was taken, also when it is what was chosen already. */
  onTake: (value: string) => void;
};

/**
 * A field in which one of many is chosen by typing. Enter takes the first match of what is typed at
 * that moment: it goes by the text itself and not by the list, which is drawn a little later than
 * people type.
 */
export function Choice({ data, value, onTake, ...rest }: ChoiceProps) {
  const [isOpen, setOpen] = useState(false);
  const labelNow = data.map(asOption).find((option) => option.value === value)?.label ?? '';
  const [search, setSearch] = useState(labelNow);
  // From the first letter that is typed on; `walks` once an arrow goes through the list.
  const entry = useRef<'none' | 'typed' | 'walks'>('none');

  const takeTyped = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key.startsWith('Arrow') && entry.current === 'typed') entry.current = 'walks';
    if (event.key !== 'Enter' || event.nativeEvent.isComposing || entry.current === 'none') return;
    event.preventDefault();
    event.stopPropagation();
    // An arrow that came before the list was drawn went nowhere: then the text counts as well.
    const marked = entry.current === 'walks' ? markedOption(event.currentTarget) : null;
    if (marked) {
      // Pressed here, and not left to the list: one that is just closing would not hear of Enter.
      marked.click();
      return;
    }
    const found = firstMatch(event.currentTarget.value, data);
    if (!found) return;
    setOpen(false);
    take(found.value);
  };
  const take = (taken: string) => {
    entry.current = 'none';
    // Where the choice stays as it was, what was typed gives way to it.
    setSearch(labelNow);
    onTake(taken);
  };

  return (
    <Select
      searchable
      allowDeselect={false}
      selectFirstOptionOnChange
      nothingFoundMessage="Nothing is called so"
      {...rest}
      data={[...data]}
      value={value}
      onOptionSubmit={take}
      searchValue={search}
      onSearchChange={setSearch}
      dropdownOpened={isOpen}
      onDropdownOpen={() => setOpen(true)}
      onDropdownClose={() => setOpen(false)}
      onInput={() => {
        entry.current = 'typed';
      }}
      onFocus={(event) => {
        entry.current = 'none';
        event.currentTarget.select();
        rest.onFocus?.(event);
      }}
      onKeyDownCapture={takeTyped}
    />
  );
}

/** The option that is marked to be taken, where the list of a field is drawn. */
function markedOption(field: HTMLElement): HTMLElement | null {
  const list = document.getElementById(field.getAttribute('aria-controls') ?? '');
  return list?.querySelector<HTMLElement>('[data-combobox-selected]') ?? null;
}
