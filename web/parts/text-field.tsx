import { TextInput, Textarea, type TextInputProps } from '@mantine/core';
import { useEffect, useState } from 'react';

/** A text that is written to the mod as one types, and follows the mod when something else changes it. */
export function TextField({
  text,
  onText,
  long,
  ...rest
}: { text: string; onText: (text: string) => void; long?: boolean } & Omit<
  TextInputProps,
  'value' | 'onChange'
>) {
  const [typed, setTyped] = useState(text);
  useEffect(() => setTyped(text), [text]);
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
      onChange={(event) => change(event.currentTarget.value)}
      label={rest.label}
      placeholder={rest.placeholder}
    />
  ) : (
    <TextInput {...rest} value={typed} onChange={(event) => change(event.currentTarget.value)} />
  );
}
