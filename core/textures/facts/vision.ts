/** The kinds of cones of the eye that somebody may have none of. */
export const missingCones = ['long', 'middle', 'short'] as const;
export type MissingCone = (typeof missingCones)[number];

/**
 * What somebody sees who has none of a kind of cones, as a matrix over red, green and blue in
 * linear light, row by row (G. Machado, M. Oliveira, L. Fernandes, 2009, *A physiologically-based
 * model for simulation of color vision deficiency*, table 1, severity 1.0).
 */
export const visionWithout: Readonly<Record<MissingCone, readonly number[]>> = {
  long: [
    0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998,
  ],
  middle: [
    0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881,
  ],
  short: [
    1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039,
  ],
};
