/** A reason why a copy cannot be made, read or put back: a sentence for whoever looks after Orbis. */
export class CannotCopy extends Error {
  override name = 'CannotCopy';
}
