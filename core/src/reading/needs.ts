import { attribute, type Markup } from '../text/index.ts';
import type { Needs } from './reading.ts';
import type { Sheet } from '../sheets/sheet.ts';

/** What a code plainly needs of the page: from its own elements, and from what its provider's sheet says. */
export function needsOf(markup: Markup, sheet: Sheet | null): Needs {
  const has = (name: string): boolean => markup.elements.some((element) => element.name === name);
  const allows = (feature: string): boolean =>
    markup.elements.some((e) => e.name === 'iframe' && new RegExp(`(?:^|[;\\s])${feature}(?:[;\\s]|$)`, 'i').test(attribute(e, 'allow') ?? ''));
  const own = sheet?.needs ?? {};
  return {
    scripts: has('script') || Boolean(own.scripts),
    forms: has('form') || Boolean(own.forms),
    popups: Boolean(own.popups),
    storage: Boolean(own.storage),
    autoplay: allows('autoplay') || Boolean(own.autoplay),
    fullscreen: allows('fullscreen') || markup.elements.some((e) => e.name === 'iframe' && e.attributes.has('allowfullscreen')) || Boolean(own.fullscreen),
  };
}
