/** So far the list of sheets counts the embeds of each. */
export const mostCounted = 15;

/**
 * So far the register counts the placements of which it is still being worked out
 * whether they are out of date.
 */
export const mostWaiting = 1000;

/** So many placements are counted of what goes along with a page or site. */
export const mostStanding = 10_000;

/** So many placements are changed at once. */
export const mostAtOnce = 200;

/** So many placements are looked at, to say where a change shows. */
export const mostReached = 10_000;

/** So many contracts and limits that want looking at are told of at once. */
export const mostTermsToSee = 5;

/** So many findings of a level are counted. */
export const mostFindingsCounted = 200;

/** So many findings are shown of what wants attention first. */
export const mostToTell = 5;

/** So many placements are counted of those in one state that want doing. */
export const mostToDo = 200;
