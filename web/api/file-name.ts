/** A name from that of a file, without its ending; another one where nothing of it can be kept. */
export const nameOfFile = (file: string, ending: RegExp, otherwise: string): string =>
  file
    .replace(ending, '')
    .toLowerCase()
    .replaceAll(/[^a-z0-9_]+/g, '_')
    .replaceAll(/^[_0-9]+|_+$/g, '') || otherwise;
