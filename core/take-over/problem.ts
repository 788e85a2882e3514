/** Why no mod can be made of files, in a sentence for people. */
export class TakeOverProblem extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'TakeOverProblem';
  }
}
