import { reason } from '../reason.ts';
import { isOneEditAway, type MarkupElement } from '../text/index.ts';
import type { Mend } from '../reading/reading.ts';
import { foundIn, type CodeRule } from './rule.ts';

const elements =
  'iframe video audio source track object embed script style form input button img picture blockquote noscript link a div span'.split(
    ' ',
  );
const known = new Set(
  'a abbr address area article aside audio b base bdi bdo blockquote body br button canvas caption center cite code col colgroup data datalist dd del details dfn dialog dir div dl dt em embed fieldset figcaption figure font footer form frame frameset h1 h2 h3 h4 h5 h6 head header hgroup hr html i iframe img input ins kbd label legend li link main map mark math menu meta meter nav nobr noembed noframes noscript object ol optgroup option output p param picture plaintext pre progress q rp rt ruby s samp script search section select slot small source span strike strong style sub summary sup svg table tbody td template textarea tfoot th thead time title tr track tt u ul var video wbr xmp marquee big portal fencedframe'.split(
    ' ',
  ),
);
const attributes: Record<string, string[]> = {
  iframe:
    'src width height title allow allowfullscreen loading sandbox srcdoc name referrerpolicy frameborder scrolling style class id align border allowtransparency marginwidth marginheight fetchpriority credentialless csp longdesc seamless hspace vspace onload onerror hidden tabindex lang dir role webkitallowfullscreen mozallowfullscreen msallowfullscreen oallowfullscreen allowpaymentrequest importance'.split(
      ' ',
    ),
  video:
    'src poster controls autoplay muted loop playsinline preload width height crossorigin style class id title disablepictureinpicture controlslist disableremoteplayback lang dir hidden tabindex role webkit-playsinline oncontextmenu onended onplay'.split(
      ' ',
    ),
  audio:
    'src controls autoplay muted loop preload crossorigin style class id title controlslist disableremoteplayback lang dir hidden tabindex role onended onplay'.split(
      ' ',
    ),
  script:
    'src async defer type crossorigin integrity nomodule referrerpolicy nonce charset language id class fetchpriority blocking onload onerror'.split(
      ' ',
    ),
  a: 'href target rel download title class id style name type hreflang ping referrerpolicy role tabindex lang dir hidden'.split(
    ' ',
  ),
  form: 'action method name target class id style enctype novalidate autocomplete accept-charset rel role lang dir hidden'.split(
    ' ',
  ),
  img: 'src srcset sizes alt width height loading decoding class id style title usemap ismap crossorigin referrerpolicy fetchpriority border align hspace vspace longdesc name lang dir hidden role tabindex'.split(
    ' ',
  ),
  link: 'href rel type media as crossorigin integrity sizes hreflang referrerpolicy title id class fetchpriority imagesrcset imagesizes disabled blocking'.split(
    ' ',
  ),
  input:
    'type name value placeholder required id class style title autocomplete autofocus checked disabled readonly min max minlength maxlength pattern size step multiple accept list form tabindex inputmode width height src alt role lang dir hidden'.split(
      ' ',
    ),
  embed: 'src type width height class id style title hidden name align allow'.split(' '),
  object: 'data type width height class id style title name usemap form align classid codebase'.split(' '),
  source: 'src type srcset sizes media width height class id'.split(' '),
};

const attributeNames = new Map(
  Object.entries(attributes).map(([element, names]) => [element, new Set(names)]),
);

export const rule: CodeRule = {
  id: 'misspelt',
  level: 'warning',
  source: 'HTML, index of elements and index of attributes',
  elements: {
    named: 'any',
    check: (e) => {
      if (known.has(e.name) || !/^[a-z]+$/.test(e.name) || insideForeign(e)) return null;
      const meant = nearest(e.name, elements);
      return meant ? foundIn(e, { what: 'element', found: e.name, meant }, renamed(e, meant)) : null;
    },
  },
  attributes: (e, name) => {
    const list = attributeNames.get(e.name);
    if (!list || (list.has(name) && name !== slip)) return null;
    if (name !== slip && (name.startsWith('on') || !/^[a-z]{3,}$/.test(name))) return null;
    const meant = name === slip ? 'frameborder' : nearest(name, [...list]);
    if (!meant || e.attributes.has(meant)) return null;
    const { start, end } = e.attributes.get(name)!;
    return {
      start,
      end,
      facts: { what: 'attribute', found: name, meant },
      mend: [
        { start, end: start + name.length, text: meant, reason: reason('write-as', { found: name, meant }) },
      ],
    };
  },
};

/* The commonest slip of all is two edits away. */
const slip = 'frameboarder';

/* The name in the start tag, and in the end tag where there is one. */
function renamed(e: MarkupElement, meant: string): Mend[] {
  const why = reason('write-as', { found: e.name, meant });
  const at = (start: number): Mend => ({ start, end: start + e.name.length, text: meant, reason: why });
  return e.endTagStart === null ? [at(e.start + 1)] : [at(e.start + 1), at(e.endTagStart + 2)];
}

function insideForeign(element: { parent: { name: string; parent: unknown } | null }): boolean {
  for (let at = element.parent; at; at = at.parent as typeof at)
    if (at.name === 'svg' || at.name === 'math') return true;
  return false;
}

/* A name one edit away: a letter more, less, another or two changed about. Short names are near too many. */
const nearest = (name: string, list: readonly string[]): string | null =>
  name.length < 3
    ? null
    : (list.find((candidate) => candidate.length >= 3 && isOneEditAway(name, candidate)) ?? null);
