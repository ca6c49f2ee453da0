/** A message did not get through. */
export class NotDelivered extends Error {
  override name = 'NotDelivered';
  /** Whether others would not get through either: then the channel is left alone for a while. */
  readonly isForAll: boolean;
  /** In how many seconds it may be tried again, where the other side says that. */
  readonly retryAfter: number | null;
  /** Whether the other side wants nothing any more. */
  readonly isOver: boolean;
  /** @param why a sentence for owners. */
  constructor(
    why: string,
    {
      isForAll,
      retryAfter = null,
      isOver = false,
    }: { isForAll: boolean; retryAfter?: number | null; isOver?: boolean },
  ) {
    super(why);
    this.isForAll = isForAll;
    this.retryAfter = retryAfter;
    this.isOver = isOver;
  }
}
