import {
  codeOfOembed,
  isFailure,
  judgeClip,
  judgeResource,
  type ResourceAnswer,
  type ResourceFinding,
} from '@orbis/core';
import type { ResourceState } from '@orbis/contract';
import { decodeData } from '../fetching/decode.ts';
import type { Found } from '../store/findings.ts';
import type { AskedResult } from '../store/record-asked.ts';
import { usesOf, widestSpot, type UseOfResource } from '../store/uses-of-resource.ts';
import type { ResourceRow } from '../store/resources.ts';
import { openSource } from '../usecases/codes.ts';
import type { Asking } from './ask.ts';
import type { AskTools } from './ask-tools.ts';

/* What went wrong once is asked for again in so many seconds, before anybody is told. */
const soon = 15 * 60;
/* In how many hours something is asked for again. */
const usually = 24;
/* So many embeds that load the same are looked at. */
const mostUses = 100;
/* For so many days it is told that a script has another size. */
const daysResized = 7;
const day = 86_400_000;

/** What an answer says: of the resource, of its host, and of the embeds that load it. */
export async function answered(row: ResourceRow, asking: Asking, tools: AskTools): Promise<AskedResult> {
  const { answer, status, bytes } = asking;
  const now = tools.now();
  // Whoever wants to know now is told at once.
  const [fails, slows] = row.byHand === 1 ? [1, 1] : [row.fails, row.slows];
  const ends = tools.fetching.certificateEnds(row.address);
  const resized = resizing(row, bytes, now);
  const found = judgeResource(
    {
      ...{ use: row.use, address: row.address, fails, slows },
      certificateDays: ends === null ? null : Math.floor((ends.getTime() - now.getTime()) / day),
      room: row.use === 'media' ? await widestSpot(tools.db, row.id) : null,
    },
    withSize(answer, resized),
  );
  const uses = await usesOf(tools.db, row.id, mostUses);
  const all = [
    ...found.map((each) => keptOf(each, row, uses)),
    ...clipsOutside(row, answer, uses),
    ...(await otherCodes(asking, uses, tools)),
  ];
  const failed = isFailure(answer);
  return {
    state: stateOf(all, answer),
    again: failed && row.fails === 0 ? soon : (tools.every || usually) * 3600,
    itself: tools.every > 0,
    answered: answer.as === 'unasked' ? null : isAnswer(answer),
    certificateEnds: ends,
    found: all,
    values: {
      status,
      why: answer.as === 'content' ? '' : answer.why.slice(0, 300),
      ...resized,
      ...(failed ? failedValues(row) : contentValues(row, answer)),
    },
  };
}

/* Whether its host is there: also where it says that something else is not. */
const isAnswer = (answer: ResourceAnswer): boolean =>
  answer.as === 'content' || (answer.as === 'refusal' && answer.status < 500);

/* Notes are worth knowing, and nothing is wrong. */
function stateOf(found: readonly Found[], answer: ResourceAnswer): ResourceState {
  if (answer.as === 'unasked') return 'waiting';
  if (found.some(({ level }) => level !== 'note')) return 'faulty';
  return isFailure(answer) ? 'unsure' : 'well';
}

const failedValues = ({ fails }: ResourceRow): Partial<ResourceRow> => ({ fails: Math.min(fails + 1, 1000) });

const shortSide = (length: number | null): number | null =>
  length === null ? null : Math.min(65_535, Math.round(length));
/* Whatever a host says of a file, as much is kept as a column holds. */
const capped = (bytes: number | null): number | null =>
  bytes === null ? null : Math.min(4_294_967_295, bytes);

function contentValues({ slows }: ResourceRow, answer: ResourceAnswer): Partial<ResourceRow> {
  if (answer.as !== 'content') return {};
  const { took, type, isMoved, at, media } = answer;
  return {
    ...{ fails: 0, took, type: type.slice(0, 100) },
    slows: took > slowFrom ? Math.min(slows + 1, 1000) : 0,
    movedTo: isMoved ? at.slice(0, 2000) : null,
    ...(media && {
      ...{ bytes: capped(media.bytes), width: shortSide(media.width), height: shortSide(media.height) },
      length: media.length === null ? null : capped(Math.round(media.length * 1000)),
    }),
  };
}

/* In ms, as it is told from. */
const slowFrom = 5000;

/* A size that is otherwise is held against the one before for a few days; then it is what is usual. */
function resizing(row: ResourceRow, bytes: number | null, now: Date): Partial<ResourceRow> {
  if (bytes === null) return {};
  const isOver = row.resizedAt !== null && now.getTime() - row.resizedAt.getTime() > daysResized * day;
  const before = isOver ? null : row.bytesBefore;
  if (row.bytes === null || row.bytes === bytes)
    return { bytes, bytesBefore: before, resizedAt: before === null ? null : row.resizedAt };
  return { bytes, bytesBefore: before ?? row.bytes, resizedAt: row.resizedAt ?? now };
}

const withSize = (answer: ResourceAnswer, { bytes, bytesBefore }: Partial<ResourceRow>): ResourceAnswer =>
  answer.as !== 'content'
    ? answer
    : { ...answer, size: bytes && bytesBefore ? { now: bytes, before: bytesBefore } : null };

/* What is of a whole host is one finding, whichever address it was found at. */
function keptOf(
  { rule, level, ofHost, facts }: ResourceFinding,
  row: ResourceRow,
  [first, ...others]: readonly UseOfResource[],
): Found {
  return {
    ...{ rule, level, siteId: null, pageId: null, placementId: null, hostId: row.hostId },
    ...(ofHost
      ? { about: `host:${row.hostId}`, facts }
      : {
          about: `resource:${row.id}`,
          embedId: first?.embedId ?? null,
          facts: { ...facts, others: others.length },
        }),
  };
}

const ofEmbed = ({ hostId }: ResourceRow, { embedId }: UseOfResource) => ({
  ...{ siteId: null, pageId: null, placementId: null, hostId, embedId },
});

function clipsOutside(row: ResourceRow, answer: ResourceAnswer, uses: readonly UseOfResource[]): Found[] {
  const length = answer.as === 'content' ? (answer.media?.length ?? null) : null;
  if (length === null) return [];
  return uses.flatMap((use) =>
    use.clips.flatMap((clip) => {
      const found = judgeClip(clip, length);
      const about = `embed:${use.embedId} ${row.id} ${clip.start},${clip.end}`;
      return found ? [{ ...found, about, ...ofEmbed(row, use) }] : [];
    }),
  );
}

/* Longer ones cannot be collected, in characters. */
const mostCode = 1_048_576;

/* Where a provider hands out a code for a link that is not the one that was collected. */
async function otherCodes(
  { body }: Asking,
  uses: readonly UseOfResource[],
  { reader, renderContext }: AskTools,
): Promise<Found[]> {
  if (body === null || uses.length === 0) return [];
  const type = body.headers.get('content-type') ?? '';
  const parsed = await reader
    .oembedAnswer(decodeData(body.body, type), /xml/i.test(type) ? 'xml' : 'json')
    .catch(() => null);
  const code = parsed?.ok ? codeOfOembed(parsed.answer) : null;
  if (code === null || code.length > mostCode) return [];
  // It was collected as it was read: with what was mended in it.
  const read = await openSource({ base: code }, await renderContext()).catch(() => null);
  const is = plain(read?.reading.mending?.text ?? code);
  const host = new URL(body.url).host;
  return uses
    .filter(({ source }) => plain(source.base) !== is)
    .map((use) => ({
      ...{ rule: 'code-renewed', level: 'note' as const, facts: { host }, code },
      about: `embed:${use.embedId}`,
      ...{ siteId: null, pageId: null, placementId: null, hostId: null, embedId: use.embedId },
    }));
}

const plain = (code: string): string => code.replaceAll(/\s+/g, ' ').trim();
