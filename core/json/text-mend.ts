import { printParseErrorCode, type ParseError } from 'jsonc-parser';
import type { TextEdit } from './text-edit.ts';

/** What to write instead of a mistake, and what that is called. */
export interface TextMend {
  title: string;
  edits: TextEdit[];
}

/** Whether a comma stands before a closing bracket. */
export function isTrailingComma({ error, offset }: ParseError, text: string): boolean {
  const code = printParseErrorCode(error);
  return (
    (code === 'PropertyNameExpected' || code === 'ValueExpected') &&
    /[}\]]/.test(text[offset] ?? '') &&
    text.slice(0, offset).trimEnd().endsWith(',')
  );
}

/** How a mistake of a text is mended, where there is no doubt of what was meant. */
export function mendOf(error: ParseError, text: string): TextMend | undefined {
  const { offset } = error;
  const before = text.slice(0, offset).trimEnd();
  const rest = text.slice(offset);
  const put = (title: string, at: number, length: number, insert: string): TextMend => ({
    title,
    edits: [{ offset: at, length, insert }],
  });
  const [curly, inner] = /^[\u201c\u201d]([^\u201c\u201d"\n]*)[\u201c\u201d]/.exec(rest) ?? [];
  if (curly) return put('Use straight quotation marks', offset, curly.length, `"${inner}"`);
  const [single, words] = /^'([^'"\n\\]*)'/.exec(rest) ?? [];
  if (single) return put('Use double quotation marks', offset, single.length, `"${words}"`);
  const [, key] = /^([A-Za-z_$][\w$]*)\s*:/.exec(rest) ?? [];
  if (key) return put(`Write "${key}"`, offset, key.length, `"${key}"`);
  if (isTrailingComma(error, text)) return put('Remove the comma', before.length - 1, 1, '');
  const code = printParseErrorCode(error.error);
  if (code === 'CommaExpected') return put('Put a comma', before.length, 0, ',');
  if (code === 'ColonExpected') return put('Put a colon', before.length, 0, ':');
  if (code !== 'InvalidCommentToken') return undefined;
  const [comment = ''] = /^(\/\/[^\n\r]*|\/\*[^]*?\*\/)/.exec(rest) ?? [];
  const space = text.slice(0, offset).length - text.slice(0, offset).replace(/[ \t]+$/, '').length;
  return comment
    ? put('Remove the comment', offset - space, comment.length + space, '')
    : undefined;
}
