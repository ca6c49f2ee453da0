import type { AskedChange } from '../compose/changes.ts';
import { snippetText, type Run } from '../compose/snippet.ts';
import { positions, type SnippetPosition } from '../options/position.ts';
import { reason, type Reason } from '../reason.ts';
import type { EditorRules } from '../editor/index.ts';
import { aroundOf, givenParts, type Around, type Block } from './around.ts';
import { askedFields, type FilledField } from './asked-fields.ts';
import { composeAtPlace } from './at-place.ts';
import { broughtTwice } from './brought-twice.ts';
import { collisions } from './collisions.ts';
import { companionOf } from './companion.ts';
import { forEditorFindings, overBudget } from './editor-findings.ts';
import { bareIn } from './fields.ts';
import { fileSnippets, filesTaken } from './files.ts';
import { isBare } from './forms.ts';
import { keptApartFindings, type KeptApart } from './keep-apart.ts';
import { oncePerPage, type OncePerPage } from './once.ts';
import { mergeOrders } from './order.ts';
import { popUpsTogether } from './pop-ups.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { LeavingPlacement, PlannedPlacement } from './planned-placement.ts';
import type { PlannedSite } from './planned-site.ts';
import { leaveOut, type SharedPart } from './shared.ts';
import type { PlannedSnippet } from './planned-snippet.ts';
import { headsOf, tooEarly, whyMoved, type Heads } from './site-head.ts';
import { stepsOf, type PlanStep } from './steps.ts';
import { tooLarge } from './too-large.ts';
import { notCarried } from './uncarried.ts';
import { apartFrom, keptApart, placeOf, workedOut, type Worked } from './worked.ts';

/** What a page needs, all of its placements together. */
export interface PagePlan {
  /** By position, then by place. */
  snippets: PlannedSnippet[];
  steps: PlanStep[];
  findings: PlanFinding[];
  /** What it needs once: more than one page may need the same. */
  once: OncePerPage[];
  /** What is in a frame of its own here because it claims what another placement has. */
  apart: { placement: string; way: KeptApart['way'] }[];
}

/**
 * Plans a page: what its placements need only once is said once, in the page’s head where the site has a way
 * into it, or in a field of its editor, else at the first place that needs it. The outcome does not depend on
 * the order of placing. `digest` makes the digest of a text, always the same for the same text; `leaving` are
 * placements that have ended and are still on the page; `blocks` stand around its own content, and stay as
 * they are.
 */
export function planPage(
  placements: readonly PlannedPlacement[],
  site: PlannedSite,
  digest: (text: string) => string,
  leaving: readonly LeavingPlacement[] = [],
  blocks: readonly Block[] = [],
): PagePlan {
  const heads = headsOf(site, digest);
  const around = aroundOf(blocks, site, digest);
  const apart = keptApart(placements, site, heads, around.claimants);
  const worked = workedOut(apartFrom(placements, apart), site, heads, around.given);
  const given = new Set(worked.flatMap((one) => [...givenParts(one, heads, around)]));
  const spots = spotSnippets(worked, { site, heads, given, around }, digest);
  const shared = positions
    .filter((position) => position !== 'spot' && position !== 'file')
    .flatMap((position) =>
      sharedSnippets(
        worked.map((one) => sharedAt(position, one, { heads, given })),
        position,
        digest,
      ),
    );
  const companion = around.hasCompanion ? [] : companionOf(worked, { ...site, heads }, digest);
  const snippets = [...fileSnippets(worked, digest), ...shared, ...companion, ...spots].sort(
    (a, b) => positions.indexOf(a.position) - positions.indexOf(b.position),
  );
  return {
    snippets,
    steps: stepsOf(snippets, placements, leaving, {
      fieldsOf: fieldsOf(worked, site),
      inSiteHead: new Set(site.siteHead?.stands ?? []),
    }),
    findings: findingsOf(worked, { apart, heads, snippets, editor: site.editor, around, given }),
    once: oncePerPage(worked, companion, digest),
    apart: [...apart].map(([placement, { way }]) => ({ placement, way })),
  };
}

/* What is wrong with it, or worth knowing: of the page, then of each placement. */
const findingsOf = (
  worked: readonly Worked[],
  {
    apart,
    heads,
    snippets,
    editor,
    around,
    given,
  }: {
    apart: ReadonlyMap<string, KeptApart>;
    heads: Heads;
    snippets: readonly PlannedSnippet[];
    editor: EditorRules | undefined;
    around: Around;
    given: ReadonlySet<SharedPart>;
  },
): PlanFinding[] => [
  ...filesTaken(worked),
  ...keptApartFindings(
    worked.map(({ placement }) => placement),
    apart,
  ),
  ...collisions(
    [...worked, ...around.worked]
      .filter(({ composition }) => isBare(composition))
      .map(({ placement }) => placement),
  ),
  ...popUpsTogether([...worked, ...around.worked].map(({ placement }) => placement)),
  ...broughtTwice(worked, { heads, around, given }),
  ...worked.flatMap(({ placement, composition }) => [
    ...tooLarge(placement, composition),
    ...notCarried(placement, composition),
    ...forEditorFindings(placement, composition),
  ]),
  ...tooEarly(worked, heads),
  ...overBudget(worked, { snippets, editor, around: around.worked }),
];

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

/* Who brings each shared text first, in the order of the places. */
function firstOf(parts: readonly SharedPart[]): Map<string, SharedPart> {
  const first = new Map<string, SharedPart>();
  for (const part of parts) if (!first.has(part.text)) first.set(part.text, part);
  return first;
}

/* What stands at each spot: without what its page has elsewhere. */
function spotSnippets(
  worked: readonly Worked[],
  {
    site,
    heads,
    given,
    around,
  }: { site: PlannedSite; heads: Heads; given: ReadonlySet<SharedPart>; around: Around },
  digest: (text: string) => string,
): PlannedSnippet[] {
  const first = firstOf(worked.flatMap(({ parts }) => parts.filter((part) => !given.has(part))));
  const placeBy = new Map(worked.map(({ placement: { id, place } }) => [id, place]));
  const whyElsewhere = (part: SharedPart): Reason | null => {
    if (given.has(part)) return reason('loaded-at', { place: around.given.get(part.text)! });
    const firstAt = first.get(part.text)!.placement;
    const isElsewhere = firstAt !== part.placement;
    return (
      whyMoved(part.text, heads) ??
      (isElsewhere ? reason('loaded-at', { place: placeBy.get(firstAt)! }) : null)
    );
  };
  return worked.map((one) => {
    const changes = one.parts.flatMap((part) => {
      const why = whyElsewhere(part);
      return why === null ? [] : [leaveOut(part, why)];
    });
    return spotSnippet(one, { site, heads }, changes, digest);
  });
}

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
      : composeAtPlace(code, asked, { ...circumstances, planned }, placeOf(site, heads));
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
  { heads, given }: { heads: Heads; given: ReadonlySet<SharedPart> },
): SharedThing[] {
  const askedAt = (wanted: SnippetPosition): SharedThing[] =>
    composition.snippets
      .filter((snippet) => snippet.position === wanted)
      .map(({ runs }) => ({ text: snippetText({ runs }), runs, placement: id }));
  if (!isBefore(position)) return askedAt(position);
  const things = [...parts.filter((part) => !given.has(part)), ...askedAt('page-head')];
  if (position === 'site-head') return things.filter(({ text }) => heads.ofSite(text));
  const own = things.filter(({ text }) => !heads.ofSite(text));
  if (position === 'page-head') return heads.page ? own : [];
  return own
    .filter(({ text }) => heads.field(text) === position)
    .map(({ runs, placement }) => {
      const bare = bareIn(position, runs);
      return { text: snippetText({ runs: bare }), runs: bare, placement };
    });
}

const isBefore = (
  position: SnippetPosition,
): position is 'site-head' | 'page-head' | 'page-style' | 'page-script' =>
  ['site-head', 'page-head', 'page-style', 'page-script'].includes(position);

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
