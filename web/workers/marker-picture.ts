import { marker } from '../../core/textures/index.ts';
import type { YardPicture } from '../../core/yard/index.ts';

/** What is drawn for a picture that is not there. */
export const markerPicture: YardPicture = {
  width: marker.width,
  height: marker.height,
  frames: 1,
  steps: [{ frame: 0, ticks: 1 }],
  blend: false,
  pixels: () => marker.data,
};
