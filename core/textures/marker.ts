import type { Pixels } from './png.ts';

/**
 * What is drawn where a texture or a model does not resolve: ochre diagonal hatching with an open
 * ring.
 */
export const marker: Pixels = (() => {
  const side = 32;
  const data = new Uint8Array(side * side * 4);
  for (let y = 0; y < side; y += 1)
    for (let x = 0; x < side; x += 1) {
      const away = Math.hypot(x - 15.5, y - 15.5);
      // The ring is open towards the upper right.
      const ring = away > 7.5 && away < 11 && !(x > 16 && y < 15 && x - 15.5 > 0 && 15.5 - y > 0);
      const hatch = (x + y) % 8 < 3;
      const colour = ring
        ? [28, 42, 48]
        : away <= 11
          ? [246, 232, 204]
          : hatch
            ? [176, 114, 15]
            : [240, 216, 170];
      data.set([...colour, 255], (y * side + x) * 4);
    }
  return { width: side, height: side, data };
})();
