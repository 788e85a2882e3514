import { TextInput, Textarea, type TextInputProps } from '@mantine/core';
import { useTyped } from './use-typed.ts';

/**
 * A text that is written to the mod as one types, and follows the mod when something else changes
 * it.
 */
export function TextField({
  text,
  onText,
  long,
  ...rest
}: { text: string; onText: (text: string) => void; long?: boolean } & Omit<
  TextInputProps,
  'value' | 'onChange'
>) {
  const [typed, setTyped] = useTyped(text);
  const change = (value: string) => {
    setTyped(value);
    onText(value);
  };
  return long ? (
    <Textarea
      autosize
      minRows={2}
      maxRows={6}
      value={typed}
      data-committed={typed === text}
      onChange={(event) => change(event.currentTarget.value)}
      label={rest.label}
      aria-label={rest['aria-label']}
      maxLength={rest.maxLength}
      placeholder={rest.placeholder}
    />
  ) : (
    <TextInput
      {...rest}
      value={typed}
      data-committed={typed === text}
      onChange={(event) => change(event.currentTarget.value)}
    />
  );
}
