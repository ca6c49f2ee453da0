import { attribute, type Markup, type MarkupElement } from '../text/index.ts';
import { hostOf } from '../reading/addresses.ts';

/** Tells the owner's own addresses from those of others. */
export type IsForeign = (address: string | null) => boolean;

/** The host that a page says it has: where it was read, else its canonical address or its base. */
export function hostOfPage(markup: Markup, address: string | null): string | null {
  const told = address ?? linked(markup);
  return told === null ? null : hostOf(told);
}

function linked({ elements }: Markup): string | null {
  const canonical = elements.find(
    (e) => e.name === 'link' && attribute(e, 'rel')?.trim().toLowerCase() === 'canonical',
  );
  const base = elements.find((e) => e.name === 'base' && e.attributes.has('href'));
  return (canonical && attribute(canonical, 'href')) ?? (base && attribute(base, 'href')) ?? null;
}

/**
 * An address is somebody else's where it names a host that is neither the page's own
 * nor one above or below it.
 */
export function foreignTo(own: string | null): IsForeign {
  return (address) => {
    const host = address === null ? null : hostOf(address.trim());
    if (host === null) return false;
    return own === null || !(host === own || host.endsWith(`.${own}`) || own.endsWith(`.${host}`));
  };
}

/** The address that an element shows or runs; null where it has none. */
export const shownAddress = (element: MarkupElement): string | null =>
  attribute(
    element,
    element.name === 'object'
      ? 'data'
      : element.name === 'link'
        ? 'href'
        : element.name === 'form'
          ? 'action'
          : 'src',
  );
