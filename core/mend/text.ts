export const encoded = (text: string): Uint8Array => new TextEncoder().encode(text);

/** The text of a file, with its byte order mark where it has one. */
export const decoded = (bytes: Uint8Array | undefined): string =>
  new TextDecoder('utf-8', { ignoreBOM: true }).decode(bytes);

/** A byte order mark, if there is one, and the text behind it. */
export const withoutMark = (text: string): [mark: string, text: string] =>
  text.startsWith('\uFEFF') ? ['\uFEFF', text.slice(1)] : ['', text];
