import type { AskedChange } from '../compose/changes.ts';
import { classFor } from '../compose/apart.ts';
import type { Circumstances } from '../compose/composition.ts';
import { snippetText, type Run } from '../compose/snippet.ts';
import { positions, type SnippetPosition } from '../options/position.ts';
import { reason } from '../reason.ts';
import { bringsLoader } from '../presentation/index.ts';
import { bringsListener } from '../compose/framed.ts';
import type { EditorRules } from '../editor/index.ts';
import { listenerTag, loaderTag } from '../visitors/index.ts';
import { askedFields, type FilledField } from './asked-fields.ts';
import { composeAtPlace } from './at-place.ts';
import { collisions } from './collisions.ts';
import { companionOf } from './companion.ts';
import { forEditorFindings, overBudget } from './editor-findings.ts';
import { fileSnippets, filesTaken } from './files.ts';
import type { PlacedComposition } from './forms.ts';
import { oncePerPage, type OncePerPage } from './once.ts';
import { mergeOrders } from './order.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { LeavingPlacement, PlannedPlacement } from './planned-placement.ts';
import { leaveOut, sharedParts, type SharedPart } from './shared.ts';
import type { PlannedSnippet } from './planned-snippet.ts';
import { headsOf, tooEarly, whyMoved, type Heads, type SiteHead } from './site-head.ts';
import { stepsOf, type PlanStep } from './steps.ts';
import { notCarried } from './uncarried.ts';

/** What a plan must know of the site. */
export interface PlannedSite {
  /** Whether there is a way into the heads of its pages. */
  head: boolean;
  /** What is meant for the head of the whole site; nothing where there is no way into it. */
  siteHead?: SiteHead;
  /** The language of its pages (BCP 47), for words that visitors read; English where nothing is said. */
  language?: string;
  /** Its style for what is in its frames (CSS). */
  frameStyle?: string;
  /** Whether all documents that are served share one host. */
  sharesHost?: boolean;
  /** Where the document is served that is for the neutral mark. */
  servedAt?: string;
  /** What its editor lets through; everything where nothing is said. */
  editor?: EditorRules;
}

/** What a page needs, all of its placements together. */
export interface PagePlan {
  /** By position, then by place. */
  snippets: PlannedSnippet[];
  steps: PlanStep[];
  findings: PlanFinding[];
  /** What it needs once: more than one page may need the same. */
  once: OncePerPage[];
}

/* A placement with what its code comes to, and what of that its page needs only once. */
interface Worked {
  placement: PlannedPlacement;
  circumstances: Circumstances;
  composition: PlacedComposition;
  /** The parts of the code that could as well stand elsewhere. */
  parts: SharedPart[];
}

/**
 * Plans a page: what its placements need only once is said once, in the page’s head where the site has a way
 * into it, else at the first place that needs it. The outcome does not depend on the order of placing.
 * `digest` makes the digest of a text, always the same for the same text; `leaving` are placements that have
 * ended and are still on the page.
 */
export function planPage(
  placements: readonly PlannedPlacement[],
  site: PlannedSite,
  digest: (text: string) => string,
  leaving: readonly LeavingPlacement[] = [],
): PagePlan {
  const heads = headsOf(site, digest);
  const worked = workedOut(placements, site, heads);
  const first = firstOf(worked.flatMap(({ parts }) => parts));
  const placeBy = new Map(placements.map(({ id, place }) => [id, place]));
  const spots = worked.map((one) => {
    const changes = one.parts.flatMap((part) => {
      const firstAt = first.get(part.text)!.placement;
      const elsewhere =
        firstAt === part.placement ? null : reason('loaded-at', { place: placeBy.get(firstAt)! });
      const why = whyMoved(part.text, heads) ?? elsewhere;
      return why === null ? [] : [leaveOut(part, why)];
    });
    return spotSnippet(one, { site, heads }, changes, digest);
  });
  const shared = positions
    .filter((position) => position !== 'spot' && position !== 'file')
    .flatMap((position) =>
      sharedSnippets(
        worked.map((one) => sharedAt(position, one, heads)),
        position,
        digest,
      ),
    );
  const companion = companionOf(worked, { ...site, heads }, digest);
  const snippets = [...fileSnippets(worked, digest), ...shared, ...companion, ...spots].sort(
    (a, b) => positions.indexOf(a.position) - positions.indexOf(b.position),
  );
  return {
    snippets,
    steps: stepsOf(snippets, placements, leaving, {
      fieldsOf: fieldsOf(worked, site),
      inSiteHead: new Set(site.siteHead?.stands ?? []),
    }),
    findings: [
      ...filesTaken(worked),
      ...collisions(worked.filter(isBare).map(({ placement }) => placement)),
      ...worked.flatMap(({ placement, composition }) => [
        ...notCarried(placement, composition),
        ...forEditorFindings(placement, composition),
      ]),
      ...tooEarly(worked, heads),
      ...overBudget(worked, snippets, site.editor),
    ],
    once: oncePerPage(worked, companion, digest),
  };
}

const fieldsOf = (
  worked: readonly Worked[],
  { editor }: PlannedSite,
): ReadonlyMap<string, readonly FilledField[]> =>
  new Map(
    editor
      ? worked.map(({ placement, composition }) => [
          placement.id,
          askedFields(placement, composition, editor),
        ])
      : [],
  );

/* What has a document of its own, or stands there as a link, shares no names with the page. */
const isBare = ({ composition: { framed, forEditor } }: Pick<Worked, 'composition'>): boolean =>
  framed === null && (forEditor === null || forEditor.form === 'asked');

/* What each code comes to, in the order of the places: the first that needs our loader brings it, where there
   is no way into the head. */
function workedOut(placements: readonly PlannedPlacement[], site: PlannedSite, heads: Heads): Worked[] {
  let hasLoader = false;
  let hasListener = false;
  return [...placements].sort(byPlace).map((placement) => {
    const inHead = (tag: string): boolean => heads.page || heads.ofSite(tag);
    const loader = inHead(loaderTag) ? 'head' : hasLoader ? 'elsewhere' : 'here';
    const listener = inHead(listenerTag) ? 'head' : hasListener ? 'elsewhere' : 'here';
    const circumstances = circumstancesOf(placement, site, { loader, listener });
    const composition = composeAtPlace(placement.code, placement.asked, circumstances, {
      editor: site.editor,
      moves: (text) => heads.page || heads.ofSite(text),
    });
    hasLoader ||= bringsLoader(composition);
    hasListener ||= bringsListener(composition);
    return {
      placement,
      circumstances,
      composition,
      parts: isBare({ composition })
        ? sharedParts(placement.id, placement.code, { edits: composition.uncut })
        : [],
    };
  });
}

const byPlace = (a: PlannedPlacement, b: PlannedPlacement): number =>
  a.place < b.place ? -1 : a.place > b.place ? 1 : a.id < b.id ? -1 : 1;

/* Who brings each shared text first, in the order of the places. */
function firstOf(parts: readonly SharedPart[]): Map<string, SharedPart> {
  const first = new Map<string, SharedPart>();
  for (const part of parts) if (!first.has(part.text)) first.set(part.text, part);
  return first;
}

const circumstancesOf = (
  { id, mark }: PlannedPlacement,
  { head, language = 'en', servedAt, frameStyle, sharesHost = false }: PlannedSite,
  ours: Pick<Circumstances, 'loader' | 'listener'>,
): Circumstances => ({
  mark,
  apart: head ? classFor(id) : null,
  language,
  sharesHost,
  ...(frameStyle !== undefined && { frameStyle }),
  ...(servedAt !== undefined && { servedAt }),
  ...ours,
});

function spotSnippet(
  { placement, circumstances, composition }: Worked,
  { site, heads }: { site: PlannedSite; heads: Heads },
  planned: readonly AskedChange[],
  digest: (text: string) => string,
): PlannedSnippet {
  const { id, code, asked } = placement;
  const { snippets } =
    planned.length === 0
      ? composition
      : composeAtPlace(
          code,
          asked,
          { ...circumstances, planned },
          {
            editor: site.editor,
            moves: (text) => heads.page || heads.ofSite(text),
          },
        );
  const runs = snippets
    .find(({ position }) => position === 'spot')!
    .runs.map((run): Run => (run.from === 'source' ? { ...run, of: id } : run));
  return { position: 'spot', runs, digest: digest(snippetText({ runs })), placements: [id] };
}

/* Something that stands at another position than the spot, for one placement. */
interface SharedThing {
  text: string;
  runs: Run[];
  placement: string;
}

/* What a placement needs at a position: what its options ask for there, and in a head its own parts that
   belong there. What is meant for the site’s head does not stand in the page’s. */
function sharedAt(
  position: SnippetPosition,
  { placement: { id }, composition, parts }: Worked,
  heads: Heads,
): SharedThing[] {
  const askedAt = (wanted: SnippetPosition): SharedThing[] =>
    composition.snippets
      .filter((snippet) => snippet.position === wanted)
      .map(({ runs }) => ({ text: snippetText({ runs }), runs, placement: id }));
  if (position !== 'site-head' && position !== 'page-head') return askedAt(position);
  const things = [...parts, ...askedAt('page-head')];
  return position === 'site-head'
    ? things.filter(({ text }) => heads.ofSite(text))
    : things.filter(({ text }) => heads.page && !heads.ofSite(text));
}

/* Each shared text by itself, so that what one code brings does not change when another one comes or goes. */
function sharedSnippets(
  needed: readonly (readonly SharedThing[])[],
  position: SnippetPosition,
  digest: (text: string) => string,
): PlannedSnippet[] {
  const all = needed.flat();
  return mergeOrders(needed.map((things) => things.map(({ text }) => text))).map((text) => ({
    position,
    runs: all.find((thing) => thing.text === text)!.runs,
    digest: digest(text),
    placements: [...new Set(all.filter((thing) => thing.text === text).map(({ placement }) => placement))],
  }));
}
