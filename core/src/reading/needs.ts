import { attribute, type Markup, type MarkupElement } from '../text/index.ts';
import type { Sheet } from '../sheets/sheet.ts';
import type { Needs } from './reading.ts';
import type { ScriptFacts } from './scripts/index.ts';

/**
 * What a code plainly needs of the page: from its own elements and scripts, and from what
 * its provider's sheet says.
 */
export function needsOf(markup: Markup, scripts: readonly ScriptFacts[], sheet: Sheet | null): Needs {
  const needs: Needs = {
    scripts: false,
    forms: false,
    popups: false,
    storage: false,
    autoplay: false,
    fullscreen: false,
  };
  for (const element of markup.elements) {
    switch (element.name) {
      case 'script':
        needs.scripts = true;
        break;
      case 'form':
        needs.forms = true;
        if (attribute(element, 'target')?.toLowerCase() === '_blank') needs.popups = true;
        break;
      case 'a':
      case 'area':
        if (attribute(element, 'target')?.toLowerCase() === '_blank') needs.popups = true;
        break;
      case 'video':
      case 'audio':
        if (element.attributes.has('autoplay')) needs.autoplay = true;
        break;
      case 'iframe':
        addFrame(element, needs);
        break;
    }
  }
  for (const facts of scripts) {
    needs.popups ||= facts.opensWindows;
    needs.storage ||= facts.storesData;
  }
  if (sheet)
    for (const name in sheet.needs) needs[name as keyof Needs] ||= sheet.needs[name as keyof Needs] ?? false;
  return needs;
}

function addFrame(frame: MarkupElement, needs: Needs): void {
  const allow = (attribute(frame, 'allow') ?? '').toLowerCase();
  needs.autoplay ||= allow.includes('autoplay');
  needs.fullscreen ||= allow.includes('fullscreen') || frame.attributes.has('allowfullscreen');
  needs.storage ||= allow.includes('storage-access');
}
