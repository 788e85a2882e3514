/** The facts of a small grey picture of its own, told from others by the last digit of its digest. */
export const examplePicture = (digit: string) => ({
  sha256: '0'.repeat(63) + digit,
  bytes: 80,
  width: 16,
  height: 16,
  alpha: 'none',
  mean: '#808080',
  grey: true,
});
