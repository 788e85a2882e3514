/** Hands a text or bytes over as a file, under a name. */
export function download(
  name: string,
  content: string | Uint8Array<ArrayBuffer>,
  type: string,
): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  Object.assign(document.createElement('a'), { href: address, download: name }).click();
  URL.revokeObjectURL(address);
}
