import { TextInput, type TextInputProps } from '@mantine/core';
import { useTyped } from './use-typed.ts';

/**
 * A name that takes effect when one is done with it (Enter, or leaving the field), since others
 * follow it. Escape takes it back.
 */
export function CommitField({
  text,
  onText,
  check,
  ...rest
}: {
  text: string;
  onText: (text: string) => void;
  /** What is wrong with what is typed. */ check?: (text: string) => string | undefined;
} & Omit<TextInputProps, 'value' | 'onChange'>) {
  const [typed, setTyped] = useTyped(text);
  const wrong = typed === text ? undefined : check?.(typed);
  const commit = () => (wrong || typed === text ? setTyped(text) : onText(typed));
  return (
    <TextInput
      {...rest}
      value={typed}
      error={wrong}
      data-committed={typed === text}
      title={wrong}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && !wrong) event.currentTarget.blur();
        if (event.key === 'Escape') setTyped(text);
      }}
    />
  );
}
