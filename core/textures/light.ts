/** The part of one of a colour's bytes in linear light (sRGB, IEC 61966-2-1). */
function linear(byte: number): number {
  const share = byte / 255;
  return share <= 0.040_45 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
}

/** The part of each byte in linear light, from 0 to 1. */
export const linearOf: Readonly<Float64Array> = Float64Array.from({ length: 256 }, (_, byte) =>
  linear(byte),
);

/**
 * The byte that is nearest to a part in linear light.
 *
 * @example byteOf(0.5) // 188
 */
export function byteOf(light: number): number {
  const share = light <= 0.003_130_8 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055;
  return Math.max(0, Math.min(255, Math.round(share * 255)));
}

/**
 * How light rows of a picture are as a whole: the mean relative luminance of their texels (WCAG
 * 2.2, relative luminance), 0 for black and 1 for white, before a dark ground: what is clear gives
 * no light. The bytes are RGBA.
 */
export function lightOf(data: Uint8Array): number {
  let sum = 0;
  for (let at = 0; at < data.length; at += 4)
    sum +=
      (0.2126 * linearOf[data[at]!]! +
        0.7152 * linearOf[data[at + 1]!]! +
        0.0722 * linearOf[data[at + 2]!]!) *
      data[at + 3]!;
  return data.length ? sum / 255 / (data.length / 4) : 0;
}
