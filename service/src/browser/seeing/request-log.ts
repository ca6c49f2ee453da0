import type { BrowserContext, CDPSession, Frame, Page, Request } from 'playwright-core';

/** Something that was asked for while a page was looked at. */
export interface Logged {
  url: string;
  /** With its port where it has one of its own. */
  host: string;
  frame: Frame;
  /** Whether a frame goes somewhere by it. */
  isNavigation: boolean;
  /** What came in for it, with headers; what had not ended counts nothing. */
  bytes: number;
  /** Whether it was asked for before anybody had clicked or consented. */
  isEarly: boolean;
  /** The script or document that asked for it, where the page itself did; null where that is not known. */
  initiator: string | null;
}

/** What a page asks for, from its beginning. */
export interface RequestLog {
  /** From now on what is asked for is not early. */
  allow(): void;
  /** All of it, once what has come is counted. */
  all(): Promise<Logged[]>;
}

/* More is not written down of one look. */
const most = 3000;

/** Writes down what a page and its frames ask for. */
export async function logRequests(
  page: Page,
  context: BrowserContext,
  session: CDPSession,
): Promise<RequestLog> {
  const logged = new Map<Request, Logged>();
  const initiators = new Map<string, string>();
  const counting: Promise<void>[] = [];
  let isEarly = true;
  await session.send('Network.enable');
  // Who has a picture loaded is known only where it is remembered past the end of a script’s turn.
  await session.send('Debugger.enable');
  await session.send('Debugger.setSkipAllPauses', { skip: true });
  await session.send('Debugger.setAsyncCallStackDepth', { maxDepth: 8 });
  session.on('Network.requestWillBeSent', ({ request, initiator }) => {
    const by = scriptIn(initiator.stack) ?? initiator.url;
    if (by !== undefined && !initiators.has(request.url)) initiators.set(request.url, by);
  });
  context.on('request', (request) => {
    const url = request.url();
    if (!/^https?:/.test(url) || logged.size >= most) return;
    logged.set(request, {
      ...{ url, host: new URL(url).host, frame: frameOf(request, page), isEarly },
      ...{ isNavigation: request.isNavigationRequest(), bytes: 0, initiator: null },
    });
  });
  context.on('requestfinished', (request) => {
    const entry = logged.get(request);
    if (entry) counting.push(count(request, entry));
  });
  return {
    allow: () => {
      isEarly = false;
    },
    all: async () => {
      await Promise.all(counting);
      return [...logged.values()].map((each) => ({ ...each, initiator: initiators.get(each.url) ?? null }));
    },
  };
}

/* A piece of what a script had called when it asked for something. */
interface Calls {
  callFrames: { url: string }[];
  parent?: Calls;
}

/* The script that asked, also where it did so a turn later. */
function scriptIn(calls: Calls | undefined): string | undefined {
  for (let at = calls; at; at = at.parent) {
    const found = at.callFrames.find(({ url }) => url !== '');
    if (found) return found.url;
  }
  return undefined;
}

async function count(request: Request, entry: Logged): Promise<void> {
  // It may be gone with its frame.
  const sizes = await request.sizes().catch(() => null);
  entry.bytes = sizes ? Math.max(0, sizes.responseHeadersSize) + Math.max(0, sizes.responseBodySize) : 0;
}

/* A frame that begins has none yet when it is first asked for. */
function frameOf(request: Request, page: Page): Frame {
  try {
    return request.frame();
  } catch {
    return page.mainFrame();
  }
}
