/** Why a file was refused as a sound, in one sentence. */
export class SoundProblem extends Error {
  override name = 'SoundProblem';
}

/** Bytes as letters of one byte each, as the marks in these formats are. */
export const latin = (bytes: Uint8Array, offset: number, length: number): string =>
  new TextDecoder('latin1').decode(bytes.subarray(offset, offset + length));

export const viewOf = (bytes: Uint8Array): DataView =>
  new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
