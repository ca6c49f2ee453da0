import type { Markup, MarkupElement } from '../text/index.ts';

/** A heading of a page, with where it ends. */
export interface Heading {
  end: number;
  text: string;
  rank: number;
}

/** The headings of a page in the order of the text (HTML, section 4.3.6). */
export function headingsOf({ elements }: Markup): Heading[] {
  return elements.flatMap((element) => {
    const rank = /^h([1-6])$/.exec(element.name)?.[1];
    const text = rank ? wordsIn(element) : '';
    return rank && text !== '' ? [{ end: element.end, text: text.slice(0, 200), rank: Number(rank) }] : [];
  });
}

/** The last heading before a place, or null. */
export function headingBefore(
  headings: readonly Heading[],
  offset: number,
): { text: string; rank: number } | null {
  const found = headings.findLast((heading) => heading.end <= offset);
  return found ? { text: found.text, rank: found.rank } : null;
}

/** What people read in an element, blanks folded. */
export function wordsIn(element: MarkupElement): string {
  const out: string[] = [];
  const gather = (inner: MarkupElement): void => {
    for (const child of inner.children) {
      if (child.kind === 'text') out.push(child.value);
      else if (child.kind === 'element' && child.name !== 'script' && child.name !== 'style') gather(child);
    }
  };
  gather(element);
  return out.join(' ').replace(/\s+/g, ' ').trim();
}
