import type { PlacementSeen } from '@orbis/core';
import { FetchFailure } from '../fetching/failure.ts';
import type { IssuedText } from '../store/issued.ts';
import type { SweptPlacement } from '../store/placements.ts';
import type { PlacementResult } from '../store/seen.ts';
import type { PageOfSweep, PageResult } from '../store/sweeps.ts';
import type { ExpectedOnPage } from './expected-on-page.ts';
import { builtByScripts, foundOnPage, pageUnreachable } from './page-findings.ts';
import { outOfDateFinding, pausedFinding, retiredFinding } from '../usecases/placements.ts';

/** A page that could not be read says nothing of its placements. */
export const unreachable = (
  row: PageOfSweep,
  expected: Pick<ExpectedOnPage, 'placements' | 'ofBlock'>,
  failure: FetchFailure,
): PageResult => unseen(row, expected, failure, pageUnreachable(row, failure));

/** Nor does one that is empty until its scripts have run. */
export const emptyUntilScriptsRun = (
  row: PageOfSweep,
  expected: Pick<ExpectedOnPage, 'placements' | 'ofBlock'>,
  { status }: { status: number },
): PageResult =>
  unseen(
    row,
    expected,
    new FetchFailure(
      'The page is empty until its scripts have run.',
      'See in a browser what is on it.',
      status,
    ),
    builtByScripts(row),
  );

function unseen(
  row: PageOfSweep,
  { placements, ofBlock }: Pick<ExpectedOnPage, 'placements' | 'ofBlock'>,
  failure: FetchFailure,
  why: Parameters<typeof foundOnPage>[1][number],
): PageResult {
  const finding = {
    rule: 'page-unreachable',
    level: 'error' as const,
    facts: { why: failure.message, remedy: failure.remedy },
  };
  return {
    state: 'unreachable',
    status: failure.status,
    why: failure.message,
    digest: null,
    gone: [],
    head: [],
    kept: { basis: '', content: '', etag: '' },
    ...foundOnPage(row, [why], []),
    seen: placements
      .filter((each) => ofBlock(each) === null)
      .map((p) => ({
        ...{ placementId: p.id, was: p.state },
        state: 'unreachable' as const,
        delivery: null,
        carried: null,
        line: null,
        served: false,
        findings: [finding],
        block: null,
      })),
  };
}

/** What a sweep makes out of one placement, held against what is wanted of it now. */
export function resultOf(
  { id, state: was, wanted, revision, retiredAt, pausedAt }: SweptPlacement,
  seen: PlacementSeen,
  issued: readonly IssuedText[],
): Omit<PlacementResult, 'block'> {
  const { delivery, line, served } = seen;
  const carries = issued.find(({ number }) => number === delivery) ?? null;
  const unwanted = retiredAt !== null ? seenRetired : pausedAt !== null ? seenPaused : null;
  const isOld =
    unwanted === null &&
    seen.state === 'live' &&
    carries !== null &&
    wanted !== null &&
    carries.shown !== wanted;
  const { state, findings } = unwanted === null ? seen : unwanted(seen);
  return {
    ...{ placementId: id, was },
    state: isOld ? 'out-of-date' : state,
    delivery,
    carried: carries?.shown ?? null,
    line,
    served,
    findings: isOld
      ? [...findings, outOfDateFinding({ delivery: carries.number, revision: carries.revision }, revision)]
      : findings,
  };
}

type StateAndFindings = Pick<PlacementResult, 'state' | 'findings'>;

/* Of what is paused, nothing is missed; what is still there is to be taken out for now. */
const seenPaused = ({ state, findings }: PlacementSeen): StateAndFindings =>
  state === 'missing' || state === 'planned'
    ? { state: 'paused', findings: [] }
    : { state: 'out-of-date', findings: [...findings, pausedFinding] };

/* Of what is retired, nothing is missed; what is still there is to be taken out. */
function seenRetired({ state, findings }: PlacementSeen): StateAndFindings {
  return state === 'missing' || state === 'planned'
    ? { state: 'planned', findings: [] }
    : { state, findings: [...findings, retiredFinding] };
}
