import { diffArrays } from 'diff';

/** Things of two lists that belong together; one alone has nothing like it on the other side. */
export interface Pair<T> {
  is?: T;
  was?: T;
}

/* Beyond this many differences there is no likeness worth telling piece by piece. */
const mostDifferences = 200;

/* Two things, of a kind that can belong together. */
type IsAlike<T> = (a: T, b: T) => boolean;

/**
 * Pairs the things of two lists in their order: first what is the same, then, between these, what is of one
 * kind.
 */
export function align<T>(
  is: readonly T[],
  was: readonly T[],
  { isSame, isOfKind }: { isSame: IsAlike<T>; isOfKind: IsAlike<T> },
): Pair<T>[] {
  const pairs: Pair<T>[] = [];
  const between: { is: T[]; was: T[] } = { is: [], was: [] };
  const pairBetween = (): void => {
    const [gone, come] = [between.was.splice(0), between.is.splice(0)];
    for (const pair of inOrder(come, gone, isOfKind)) pairs.push(pair);
  };
  for (const pair of inOrder(is, was, isSame)) {
    if (pair.is !== undefined && pair.was !== undefined) {
      pairBetween();
      pairs.push(pair);
    } else if (pair.is === undefined) between.was.push(pair.was!);
    else between.is.push(pair.is);
  }
  pairBetween();
  return pairs;
}

function inOrder<T>(is: readonly T[], was: readonly T[], isAlike: IsAlike<T>): Pair<T>[] {
  const pairs: Pair<T>[] = [];
  let [i, j] = [0, 0];
  const found = diffArrays([...was], [...is], { comparator: isAlike, maxEditLength: mostDifferences });
  if (!found) return [...was.map((each) => ({ was: each })), ...is.map((each) => ({ is: each }))];
  for (const { added, removed, value } of found)
    for (let n = 0; n < value.length; n++)
      pairs.push(added ? { is: is[i++]! } : removed ? { was: was[j++]! } : { is: is[i++]!, was: was[j++]! });
  return pairs;
}
