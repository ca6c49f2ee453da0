import type { Frame, Request } from 'playwright-core';
import type { Tab } from './browser.ts';
import { show, untilQuiet, type ShownDocument } from './show.ts';

/** A host that a document really contacted. */
export interface Contacted {
  host: string;
  /** What it wanted there: `script`, `image`, `frame` … (as browsers call it). */
  uses: string[];
  /** Whether only once somebody had clicked. */
  afterClick: boolean;
}

const window = { width: 1280, height: 800 };

/**
 * Finds out which hosts a document really contacts: as it is loaded, also by scripts that scripts load and
 * where it is sent on, and then at a click on what it shows. What frames in it contact goes by their own
 * policies, and does not count.
 *
 * @param document with a policy that keeps nothing out.
 */
export async function contactsSeen({ page, context }: Tab, document: ShownDocument): Promise<Contacted[]> {
  const own = new URL(document.url).host;
  const found = new Map<string, Contacted>();
  let afterClick = false;
  context.on('request', (request) => {
    const { protocol, host, hostname } = new URL(request.url());
    if (!/^https?:$/.test(protocol) || host === own || !isOfDocument(request, page.mainFrame())) return;
    const known = found.get(hostname) ?? { host: hostname, uses: [], afterClick };
    found.set(hostname, known);
    const use = request.isNavigationRequest() ? 'frame' : request.resourceType();
    if (!known.uses.includes(use)) known.uses.push(use);
  });
  await show(page, document, window);
  afterClick = true;
  await untilQuiet(page, () => page.mouse.click(window.width / 2, 60));
  return [...found.values()].sort((a, b) => (a.host < b.host ? -1 : 1));
}

/* What it asks for itself, or shows in a frame of its own. */
function isOfDocument(request: Request, main: Frame): boolean {
  const frame = request.frame();
  return request.isNavigationRequest() ? frame.parentFrame() === main : frame === main;
}
