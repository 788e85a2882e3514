/** A fluid in which nothing is wrong. */
export const exampleFluid = {
  reach: 5,
  pace: 10,
  still: 'saltmarsh:bank',
  flowing: 'saltmarsh:bank',
  alphaMode: 'opaque',
  names: { en: 'Brine' },
};
/** The same as the changes of an example, registered. */
export const withFluid = (fluid: object = {}): Record<string, unknown> => ({
  '/fluids/brine': { ...exampleFluid, ...fluid },
  '/ledger/entries/3': { number: 3, kind: 'fluid', name: 'brine' },
});
