/**
 * Holds what is about to be changed against the state that the caller saw last (`If-Match`, RFC 9110,
 * section 13.1.1), or what is about to be made against there being none (`If-None-Match: *`): called inside
 * the transaction, with the state as it is there.
 *
 * @param isThere - whether there is such a thing to be changed at all.
 * @throws OrbisError `if-match-stale` or `if-match-missing`
 */
export type MatchState = (etag: string, what: string, isThere?: boolean) => void;
