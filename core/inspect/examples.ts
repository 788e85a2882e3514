/** Entries that examples of rules put into the sample, where their own contents do not matter. */

/** A block that declares nothing. */
export const bareBlock = {
  identity: { item: 'none' },
  traits: {},
  states: { properties: [] },
  looks: { mode: 'one-of', rows: [] },
  tags: [],
  names: {},
};

/** A short recording with nothing wrong. */
export const recording = {
  sha256: '0'.repeat(63) + '7',
  bytes: 90,
  format: 'wav',
  seconds: 0.2,
  channels: 1,
  rate: 22_050,
  peak: 0.7,
  clipped: false,
};
