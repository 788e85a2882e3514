/** Hands a text over as a file, under a name. */
export function download(name: string, text: string, type: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  Object.assign(document.createElement('a'), { href: address, download: name }).click();
  URL.revokeObjectURL(address);
}
