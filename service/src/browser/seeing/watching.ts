import type { CDPSession } from 'playwright-core';
import type { SeenBox } from '@orbis/core';

/** What is placed on a page, and how it is known there. */
export interface Sought {
  /** The placement’s public id, which its mark says. */
  id: string;
  /** The code as it was handed out: how much of what follows the mark belongs to it, and what it loads. */
  code: string;
}

/** Something placed, as it stands on the page now. */
export interface Standing {
  id: string;
  /** Whether anything of it is on the page. */
  isThere: boolean;
  /** Null where nothing of it has any size. */
  box: SeenBox | null;
  /** How far it has moved what visitors see; see {@link SeenAtWidth}. */
  moved: number;
}

/** A button of ours that visitors press before something is loaded. */
export interface Waiting {
  id: string;
  x: number;
  y: number;
}

/** What is asked of a page from a world of its own, where no script has changed what words mean. */
export interface Watched {
  ask<T>(expression: string): Promise<T>;
  standing(): Promise<Standing[]>;
  /** How far anything has moved what visitors see, whatever moved it. */
  moved(): Promise<number>;
  /** What waits for a click or for consent, where its button shows. */
  waiting(): Promise<Waiting[]>;
  /** Whether something has come up in front of the page; it is scrolled to. */
  popUp(): Promise<boolean>;
  /** What it loads, by its code: whole addresses, by the placement. */
  addresses(): Promise<Record<string, string[]>>;
}

const world = 'orbis';

/**
 * Watches a page from before anything of it runs.
 * @param session of the page, before it goes anywhere
 */
export async function watch(session: CDPSession, sought: readonly Sought[]): Promise<Watched> {
  await session.send('Page.enable');
  await session.send('Page.addScriptToEvaluateOnNewDocument', {
    source: watcher(sought),
    worldName: world,
  });
  const ask = async <T>(expression: string): Promise<T> => {
    const { frameTree } = await session.send('Page.getFrameTree');
    const { executionContextId: contextId } = await session.send('Page.createIsolatedWorld', {
      frameId: frameTree.frame.id,
      worldName: world,
    });
    const asked = { expression, contextId, returnByValue: true, awaitPromise: true, userGesture: false };
    const { result, exceptionDetails } = await session.send('Runtime.evaluate', asked);
    if (exceptionDetails) throw new Error(exceptionDetails.exception?.description ?? exceptionDetails.text);
    return result.value as T;
  };
  return {
    ask,
    standing: () => ask('orbis.standing()'),
    moved: () => ask('orbis.moved.all'),
    waiting: () => ask('orbis.waiting()'),
    popUp: () => ask('orbis.popUp()'),
    addresses: () => ask('orbis.addresses()'),
  };
}

/*
 * What runs in that world. A placement is known by its mark: an attribute, a class, or a comment before it;
 * where its editor keeps none, by what it loads. A script may put something else in the place of the marked
 * element: then what stands where it stood is meant.
 */
const watcher = (sought: readonly Sought[]): string => `(() => {
  if (self !== top || globalThis.orbis) return;
  const sought = ${JSON.stringify(sought)};
  const places = new Map();
  const moved = { all: 0, by: {} };
  let resized = { id: null, at: -Infinity };
${readingCodes}${findingPlaced}${measuring}${noticing}${poppingUp}${answering}
  look();
})()`;

/* What belongs to a code as it was handed out: how many elements, and what it loads. */
const readingCodes = `
  const inCode = new Map();
  const codeOf = ({ id, code }) => {
    if (!inCode.has(id)) inCode.set(id, readCode(id, code));
    return inCode.get(id);
  };
  const naming = 'iframe[src],img[src],video[src],audio[src],source[src],track[src],embed[src],script[src],' +
    'object[data],form[action],link[href],a[href]';
  const whole = (element) => {
    const said = element.getAttribute('src') ?? element.getAttribute('data') ??
      element.getAttribute('action') ?? element.getAttribute('href') ?? '';
    try {
      const url = new URL(said, document.baseURI);
      url.hash = '';
      return /^https?:$/.test(url.protocol) ? url.href : null;
    } catch {
      return null;
    }
  };
  const readCode = (id, code) => {
    try {
      const text = new DOMParser().parseFromString(code, 'text/html');
      const roots = [...text.head.children, ...text.body.children];
      const from = roots.findIndex((each) => isMarked(each, id));
      const inside = [text, ...[...text.querySelectorAll('template')].map(({ content }) => content)];
      const addresses = inside.flatMap((each) => [...each.querySelectorAll(naming)].map(whole)).filter(Boolean);
      return { more: roots.length - 1 - Math.max(0, from), addresses };
    } catch {
      return { more: 0, addresses: [] };
    }
  };
`;

/* Where something placed stands, as elements. */
const findingPlaced = `
  const isMarked = (element, id) =>
    (element.getAttribute('data-orbis') ?? '').startsWith(id + '.') ||
    (' ' + (element.getAttribute('class') ?? '')).includes(' orbis-' + id + '-');
  const commented = (id) => {
    const comments = document.createTreeWalker(document, NodeFilter.SHOW_COMMENT);
    for (let node; (node = comments.nextNode()); )
      if (node.data.startsWith('orbis ' + id + '.')) {
        let next = node.nextSibling;
        while (next && next.nodeType !== Node.ELEMENT_NODE) next = next.nextSibling;
        return next;
      }
    return null;
  };
  const byAddress = (addresses) => {
    const shown = [...document.querySelectorAll(naming)].filter(({ localName }) =>
      !['script', 'link', 'track', 'a'].includes(localName));
    return shown.find((element) => addresses.includes(whole(element))) ?? null;
  };
  const find = (each) =>
    document.querySelector('[data-orbis^="' + each.id + '."],[class*="orbis-' + each.id + '-"]') ??
    commented(each.id) ?? byAddress(codeOf(each).addresses);

  const elementsOf = (each) => {
    const known = places.get(each.id);
    const at = known?.at.isConnected ? known.at : find(each);
    if (at) {
      if (known?.at !== at) places.set(each.id, { at, parent: at.parentElement, before: at.previousElementSibling });
      const run = [at];
      for (let next = at.nextElementSibling; next && run.length <= codeOf(each).more; next = next.nextElementSibling)
        run.push(next);
      return run;
    }
    if (!known?.parent?.isConnected) return [];
    const first = known.before?.isConnected ? known.before.nextElementSibling : known.parent.firstElementChild;
    return first ? [first] : [];
  };
`;

/* Where elements are, from the upper left corner of the page. */
const measuring = `
  const rectsOf = (element) => {
    const style = getComputedStyle(element);
    if (style.display === 'contents') return [...element.children].flatMap(rectsOf);
    if (!element.checkVisibility({ visibilityProperty: true, opacityProperty: true })) return [];
    return [...element.getClientRects()].filter(({ width, height }) => width >= 1 && height >= 1);
  };
  const boxOf = (elements) => {
    const rects = elements.flatMap(rectsOf);
    if (rects.length === 0) return null;
    const [left, top] = [Math.min(...rects.map((r) => r.left)), Math.min(...rects.map((r) => r.top))];
    const [right, bottom] = [Math.max(...rects.map((r) => r.right)), Math.max(...rects.map((r) => r.bottom))];
    return {
      left: Math.round(left + scrollX), top: Math.round(top + scrollY),
      width: Math.round(right - left), height: Math.round(bottom - top),
    };
  };
`;

/* Notices what changes its size, and how far that moves the rest. */
const noticing = `
  const owners = new WeakMap();
  const heights = new WeakMap();
  const sizes = new ResizeObserver((entries) => {
    for (const { target, contentRect: { height } } of entries) {
      if (heights.has(target) && heights.get(target) !== height)
        resized = { id: owners.get(target), at: performance.now() };
      heights.set(target, height);
    }
  });
  const look = () => {
    for (const each of sought)
      for (const element of elementsOf(each)) {
        if (owners.has(element)) continue;
        owners.set(element, each.id);
        sizes.observe(element);
      }
  };
  let isAsked = false;
  const lookSoon = () => {
    if (isAsked) return;
    isAsked = true;
    requestAnimationFrame(() => ((isAsked = false), look()));
  };
  new MutationObserver(lookSoon).observe(document, { childList: true, subtree: true });

  const around = 120;
  new PerformanceObserver((list) => {
    for (const { value, hadRecentInput, startTime } of list.getEntries()) {
      if (hadRecentInput) continue;
      moved.all += value;
      if (Math.abs(startTime - resized.at) < around) moved.by[resized.id] = (moved.by[resized.id] ?? 0) + value;
    }
  }).observe({ type: 'layout-shift', buffered: true });
`;

/* What stands in front of the page, and did not when it was first there. */
const poppingUp = `
  const covering = () => [...document.querySelectorAll('body *')].filter((element) => {
    const isAbove = getComputedStyle(element).position === 'fixed' || element.matches('dialog[open],:popover-open');
    if (!isAbove || !element.checkVisibility({ visibilityProperty: true, opacityProperty: true })) return false;
    const { width, height } = element.getBoundingClientRect();
    return width * height >= innerWidth * innerHeight * 0.01;
  });
  const atFirst = new WeakSet();
  addEventListener('DOMContentLoaded', () => covering().forEach((element) => atFirst.add(element)), { once: true });
`;

/* What can be asked. */
const answering = `
  const button = '[data-orbis-load="click"]>button,[data-orbis-load="allow"]>button';
  const within = (elements, selector) => elements.flatMap((element) => [
    ...(element.matches(selector) ? [element] : []), ...element.querySelectorAll(selector)]);
  globalThis.orbis = {
    moved,
    standing: () => sought.map((each) => ({
      id: each.id, isThere: elementsOf(each).length > 0, box: boxOf(elementsOf(each)), moved: moved.by[each.id] ?? 0,
    })),
    waiting: () => sought.flatMap((each) => within(elementsOf(each), button).slice(0, 1).map((element) => {
      element.scrollIntoView({ block: 'center', behavior: 'instant' });
      const { left, top, width, height } = element.getBoundingClientRect();
      return { id: each.id, x: left + width / 2, y: top + height / 2 };
    })),
    popUp: () => {
      const [first] = covering().filter((element) => !atFirst.has(element));
      first?.scrollIntoView({ block: 'nearest', behavior: 'instant' });
      return first !== undefined;
    },
    addresses: () => Object.fromEntries(sought.map((each) => [each.id, codeOf(each).addresses])),
    elements: (id) => elementsOf(sought.find((each) => each.id === id)),
    within,
  };
`;
