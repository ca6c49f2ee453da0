import type { CodeRule } from './rule.ts';

const elements = 'iframe video audio source track object embed script style form input button img picture blockquote noscript link a div span'.split(' ');
const known = new Set(
  'a abbr address area article aside audio b base bdi bdo blockquote body br button canvas caption center cite code col colgroup data datalist dd del details dfn dialog dir div dl dt em embed fieldset figcaption figure font footer form frame frameset h1 h2 h3 h4 h5 h6 head header hgroup hr html i iframe img input ins kbd label legend li link main map mark math menu meta meter nav nobr noembed noframes noscript object ol optgroup option output p param picture plaintext pre progress q rp rt ruby s samp script search section select slot small source span strike strong style sub summary sup svg table tbody td template textarea tfoot th thead time title tr track tt u ul var video wbr xmp marquee big portal fencedframe'.split(
    ' ',
  ),
);
const attributes: Record<string, string[]> = {
  iframe:
    'src width height title allow allowfullscreen loading sandbox srcdoc name referrerpolicy frameborder scrolling style class id align border allowtransparency marginwidth marginheight fetchpriority credentialless csp longdesc seamless hspace vspace onload onerror hidden tabindex lang dir role webkitallowfullscreen mozallowfullscreen msallowfullscreen oallowfullscreen allowpaymentrequest importance frameboarder'.split(
      ' ',
    ),
  video:
    'src poster controls autoplay muted loop playsinline preload width height crossorigin style class id title disablepictureinpicture controlslist disableremoteplayback lang dir hidden tabindex role webkit-playsinline oncontextmenu onended onplay'.split(
      ' ',
    ),
  audio: 'src controls autoplay muted loop preload crossorigin style class id title controlslist disableremoteplayback lang dir hidden tabindex role onended onplay'.split(' '),
  script: 'src async defer type crossorigin integrity nomodule referrerpolicy nonce charset language id class fetchpriority blocking onload onerror'.split(' '),
};

export const rule: CodeRule = {
  id: 'misspelt',
  level: 'warning',
  source: 'HTML, index of elements and index of attributes',
  check: ({ reading, markup }) =>
    reading.input !== 'code'
      ? []
      : markup.elements.flatMap((element) => {
          const out: ReturnType<CodeRule['check']> = [];
          if (!known.has(element.name) && /^[a-z]+$/.test(element.name) && !insideForeign(element)) {
            const meant = nearest(element.name, elements);
            if (meant) out.push({ start: element.start, end: element.startTagEnd, facts: { what: 'element', found: element.name, meant } });
          }
          const list = attributes[element.name];
          if (!list) return out;
          for (const name of element.attributes.names()) {
            if (name === 'frameboarder' || (!list.includes(name) && /^[a-z]{3,}$/.test(name) && !name.startsWith('on'))) {
              const meant = name === 'frameboarder' ? 'frameborder' : nearest(name, list);
              const place = meant ? element.attributes.get(name) : undefined;
              if (meant && place) out.push({ start: place.start, end: place.end, facts: { what: 'attribute', found: name, meant } });
            }
          }
          return out;
        }),
};

function insideForeign(element: { parent: { name: string; parent: unknown } | null }): boolean {
  for (let at = element.parent as { name: string; parent: unknown } | null; at; at = at.parent as typeof at) if (at.name === 'svg' || at.name === 'math') return true;
  return false;
}

/* A name one edit away: a letter more, less, another or two changed about. Short names are near too many. */
function nearest(name: string, list: readonly string[]): string | null {
  if (name.length < 3) return null;
  return list.find((candidate) => candidate.length >= 3 && Math.abs(candidate.length - name.length) <= 1 && isOneEditAway(name, candidate)) ?? null;
}

function isOneEditAway(a: string, b: string): boolean {
  if (a === b) return false;
  let head = 0;
  while (head < a.length && head < b.length && a[head] === b[head]) head++;
  let tail = 0;
  while (tail < a.length - head && tail < b.length - head && a[a.length - 1 - tail] === b[b.length - 1 - tail]) tail++;
  const [x, y] = [a.slice(head, a.length - tail), b.slice(head, b.length - tail)];
  return (x.length <= 1 && y.length <= 1) || (x.length === 2 && y.length === 2 && x[0] === y[1] && x[1] === y[0]);
}
