/** Why a file was refused as a picture, in one sentence. */
export class PictureProblem extends Error {
  override name = 'PictureProblem';
}
