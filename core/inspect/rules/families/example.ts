/** A family of one material and one form, in which nothing is wrong. */
export const exampleFamily = {
  group: 'shore',
  materials: [{ name: 'lime', names: { en: 'lime' }, stock: 'chalk' }],
  forms: [{ name: 'cube', kind: 'cube' }],
};
