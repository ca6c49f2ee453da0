import { openCode, titleIn, type Code } from '../code.ts';
import {
  broughtPolicy,
  emptyDocument,
  fixedContacts,
  frameDocument,
  frameStub,
  frameTokens,
  isOpaque,
  permissionsIn,
  type FramedContent,
  type FramedWay,
} from '../frame/index.ts';
import type { Options } from '../options/values.ts';
import { withoutOptions } from '../options/values.ts';
import { contentOf, providerOf, type Content } from '../presentation/beside/content.ts';
import { frameOf } from '../presentation/target.ts';
import { shownAlone } from '../presentation/alone.ts';
import { bringListener, toldHeight } from '../presentation/size/told-height.ts';
import { reason, type Reason } from '../reason.ts';
import { withBareNames } from '../settings/of-sheet.ts';
import { escapeAttribute, type Edit, type EditReason } from '../text/index.ts';
import { listenerTag } from '../visitors/index.ts';
import { classFor } from './apart.ts';
import { composeBare } from './bare.ts';
import { gatherChanges, type AskedChange } from './changes.ts';
import type { Circumstances, Composition, Framed } from './composition.ts';
import { optionsOf } from './edits.ts';
import { inAndAround } from './in-and-around.ts';
import { runsOf, documentText, snippetText, type Snippet } from './snippet.ts';

/* A document of its own takes style rules apart from the code; whose they are does not matter there. */
const classInside = classFor('frame');

/**
 * Composes a code that stands in a document of its own: what is asked of the code itself is done in the
 * document, what is asked of its look and place is done to the frame of ours that shows it. The frame is one
 * edit in the place of the whole code, with the reasons of all that is in it.
 */
export function composeFramed(
  code: Code,
  way: FramedWay,
  asked: Options,
  circumstances: Circumstances,
): Composition {
  const options = withBareNames(asked, code.sheet);
  const { inside, around, isolation, implied } = inAndAround(code, options);
  const { language = 'en', sharesHost = false } = circumstances;
  const page = { language, sharesHost, loader: 'here', listener: 'here' } as const;
  const { changes, problems } = gatherChanges(code, isolation, page);
  const unframed = withoutOptions(options, Object.keys(isolation));
  if (problems.length > 0) {
    const bare = composeBare(code, unframed, circumstances);
    return { ...bare, problems: [...bare.problems, ...problems] };
  }
  const address = addressOf(way, isolation, circumstances);
  if (address === undefined) {
    const bare = composeBare(code, unframed, circumstances);
    const uncarried = { option: 'frame', code: 'served-needs-place', facts: {} };
    return { ...bare, uncarried: [...bare.uncarried, uncarried] };
  }
  const inner = composeInside(code, { inside, around, planned: changes }, language);
  const framed = framedCode(code, way, { inner, options, circumstances });
  const stub = stubCode(code, frameStub(code, { address, ...stubbed(framed) }));
  const outer = composeBare(stub, around, {
    ...circumstances,
    planned: framed.fills ? [] : listening(circumstances),
  });
  return merged(code, { inner, outer, framed, implied, address });
}

/* Undefined where nobody knows it, null where the document stands in the markup itself. */
function addressOf(
  way: FramedWay,
  isolation: Options,
  { servedAt }: Circumstances,
): string | null | undefined {
  if (way === 'enclosed' || servedAt === 'held') return null;
  return way === 'file' ? (isolation['frame-file'] as string) : servedAt;
}

const sized: ReadonlySet<string> = new Set(['iframe', 'video', 'object', 'embed', 'img']);

/* What shows a frame or player alone is as high as the frame of ours, unless it says how high it is. */
function composeInside(
  code: Code,
  { inside, around, planned }: { inside: Options; around: Options; planned: readonly AskedChange[] },
  language: string,
): Inner {
  const circumstances = { apart: classInside, language, planned };
  if (around['fit'] === 'content' && toldHeight(code) !== null)
    return { fills: false, ...composeBare(code, { ...inside, fit: 'content' }, circumstances) };
  const shown = shownAlone(code) && frameOf(code);
  const filled =
    shown && sized.has(shown.name) ? composeBare(code, { ...inside, fit: 'fill' }, circumstances) : null;
  const fills = filled !== null && !filled.problems.some(({ option }) => option === 'fit');
  return { fills, ...(fills ? filled : composeBare(code, inside, circumstances)) };
}

type Inner = Composition & { fills: boolean };

function framedCode(
  code: Code,
  way: FramedWay,
  { inner, options, circumstances }: { inner: Inner; options: Options; circumstances: Circumstances },
): Framed {
  const { fills } = inner;
  const text = documentText(inner.snippets);
  const title = (options['title'] as string | undefined) ?? titleOf(code);
  const linksOpenTabs =
    !code.reading.needs.forms &&
    code.markup.elements.some(({ name, attributes }) => name === 'a' && attributes.has('href'));
  const sandboxTokens = frameTokens(code.reading, options, {
    isOpaque: isOpaque(way, circumstances.sharesHost),
    hasReporter: !fills,
    linksOpenTabs,
    leavesPage: options['answer'] === undefined && isForPage(code),
  });
  const contacts = fixedContacts(options);
  const head = contacts
    ? `<meta http-equiv="Content-Security-Policy" content="${escapeAttribute(broughtPolicy(text, code.reading, { hosts: contacts, reports: !fills }))}">`
    : '';
  const language = circumstances.language ?? 'en';
  const style = options['site-style'] === false ? '' : (circumstances.frameStyle ?? '');
  const inTab = sandboxTokens.some(({ token }) => token === 'allow-popups');
  const content = runsSomething(code) ? withTab(contentOf(code), inTab) : null;
  const document = { language, title, fills, linksOpenTabs, content, style, head };
  return {
    way,
    text,
    html: frameDocument(text, document),
    title,
    sandboxTokens,
    permissions: permissionsIn(code, options),
    contacts,
    fills,
    linksOpenTabs,
    content,
    style,
  };
}

/* Whether something in it is for the page around it (HTML, section 7.3.2.3). */
const isForPage = ({ markup }: Code): boolean =>
  markup.elements.some(({ attributes }) =>
    ['target', 'formtarget'].some((name) => /^_(?:top|parent)$/i.test(attributes.value(name) ?? '')),
  );

const runsSomething = ({ reading: { needs, parts } }: Code): boolean =>
  needs.scripts || parts.some(({ role }) => role === 'frame');

const withTab = (content: Content | null, inTab: boolean): FramedContent | null =>
  content && { ...content, inTab };

const titleOf = (code: Code): string => titleIn(code) ?? providerOf(code);

const stubbed = ({ sandboxTokens, ...framed }: Framed): Omit<Parameters<typeof frameStub>[1], 'address'> => ({
  ...framed,
  sandbox: sandboxTokens.map(({ token }) => token),
});

/* The frame of ours as a code of its own: what visitors are told of it is told of the code that it shows. */
function stubCode(code: Code, text: string): Code {
  const stub = openCode(text, { sheets: [] });
  const { kind, provider, hosts, addresses } = code.reading;
  return {
    ...stub,
    reading: { ...stub.reading, kind, provider, hosts, addresses, findings: [], claims: [] },
    sheet: code.sheet,
    length: code.length,
  };
}

/* What makes the frame as high as its document says, where this code brings it. */
const listening = ({ listener = 'here' }: Circumstances): AskedChange[] =>
  bringListener({ listener }).map((change) => ({ ...change, stage: 'isolation', option: 'frame' }));

/** Whether a code that was composed has the listener with it. */
export const bringsListener = ({ edits, text }: Pick<Composition, 'edits' | 'text'>): boolean =>
  edits.some(({ reasons }) => reasons.some(({ code }) => code === 'listener-once')) &&
  text.includes(listenerTag);

const whyFramed: Readonly<Record<FramedWay, Reason>> = {
  enclosed: reason('framed-enclosed'),
  served: reason('framed-served'),
  file: reason('framed-file'),
};

interface Merging {
  inner: Inner;
  outer: Composition;
  framed: Framed;
  implied: Composition['implied'];
  address: string | null;
}

function merged(code: Code, { inner, outer, framed, implied, address }: Merging): Composition {
  const spot = outer.snippets.find(({ position }) => position === 'spot')!;
  const text =
    address === null
      ? snippetText(spot).replace(emptyDocument, () => `srcdoc="${escapeAttribute(framed.html)}"`)
      : snippetText(spot);
  const edit = wholeEdit(code, text, { inner, outer, framed });
  const onPage = outer.snippets.map((snippet): Snippet =>
    snippet === spot ? { position: 'spot', runs: runsOf(code.text, [edit]) } : snippet,
  );
  const snippets = framed.way === 'file' ? [fileSnippet(framed, address!), ...onPage] : onPage;
  return {
    edits: [edit],
    problems: [...inner.problems, ...outer.problems],
    implied,
    losses: [...inner.losses, ...outer.losses],
    uncarried: [...inner.uncarried, ...outer.uncarried],
    snippets,
    text,
    framed,
  };
}

/* The document, as it is put at its address. */
function fileSnippet({ html }: Framed, address: string): Snippet {
  const why: EditReason = { stage: 'isolation', option: 'frame', ...reason('document-of-file', { address }) };
  return {
    position: 'file',
    runs: [
      { from: 'orbis', text: html, stage: 'isolation', options: ['frame'], reasons: [why], instead: null },
    ],
  };
}

/* One edit of all; it is filled by the frame, not because somebody asked for a fit. */
function wholeEdit(
  code: Code,
  text: string,
  { inner, outer, framed }: Pick<Merging, 'inner' | 'outer' | 'framed'>,
): Edit {
  const ofFrame = (why: Reason): EditReason => ({ stage: 'isolation', option: 'frame', ...why });
  const reasons = [
    ofFrame(whyFramed[framed.way]),
    ...framed.sandboxTokens.map(({ token, reason: { code: why } }) =>
      ofFrame(reason('frame-may', { token, why })),
    ),
    ...inner.edits.flatMap((edit) => edit.reasons).filter(({ option }) => option !== 'fit'),
    ...outer.edits.flatMap((edit) => edit.reasons),
  ];
  return {
    start: 0,
    end: code.text.length,
    text,
    stage: 'isolation',
    options: optionsOf(reasons),
    reasons,
  };
}
