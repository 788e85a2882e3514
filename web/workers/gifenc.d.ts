/** What of the package that writes GIFs is used here; it brings no types of its own. */
declare module 'gifenc' {
  type Rgba = [number, number, number, number];
  export function GIFEncoder(): {
    writeFrame(
      index: Uint8Array,
      width: number,
      height: number,
      options: {
        palette: Rgba[];
        /** Thousandths of a second. */
        delay: number;
        transparent: boolean;
        transparentIndex: number;
        dispose: number;
      },
    ): void;
    finish(): void;
    bytes(): Uint8Array;
  };
  type Format = { format: 'rgba4444'; oneBitAlpha: true };
  export function quantize(rgba: Uint8Array, most: number, options: Format): Rgba[];
  export function applyPalette(rgba: Uint8Array, palette: Rgba[], format: 'rgba4444'): Uint8Array;
}
