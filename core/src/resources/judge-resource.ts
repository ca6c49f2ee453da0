import type { Facts, Reason } from '../reason.ts';
import { fitsRoom, fittingFilm, type FilmSize } from './fitting-film.ts';
import type { ResourceUse } from './resources-in.ts';

/** How something was answered that placed embeds load. */
export type ResourceAnswer =
  /** It was not asked for, as nobody is asked there: `why` is a sentence. */
  | { as: 'unasked'; why: string }
  /** Nothing that could be made anything of came: `why` is a sentence. */
  | { as: 'silence'; why: string }
  /** It was refused, with this status. */
  | { as: 'refusal'; status: number; why: string }
  | {
      as: 'content';
      /** Where it was found in the end, and whether it was led there for good each time. */
      at: string;
      isMoved: boolean;
      /** How long it took to come, in ms. */
      took: number;
      /** As its host states it (RFC 9110, section 8.3). */
      type: string;
      /** Of a frame, why it may not be shown on the owner’s sites; null where it may. */
      framing: Reason | null;
      /** Of a script or style sheet, in bytes: now, and before where that was otherwise a short while ago. */
      size: { now: number; before: number } | null;
      /** Of a film or sound. */
      media: MediaAnswer | null;
      /** Of captions, whether pages of other hosts may read them (Fetch, section 3.2). */
      isShared: boolean;
    };

/** What the beginning of a film or sound tells. */
export interface MediaAnswer extends FilmSize {
  /** The type that its first bytes are of; null where they tell nothing. */
  type: string | null;
  /** Whether a part of it can be asked for (RFC 9110, section 14). */
  ranges: boolean;
}

/** What is asked for, and what matters around it. */
export interface Asked {
  use: ResourceUse;
  address: string;
  /** How often in a row it went wrong before. */
  fails: number;
  /** How often in a row it was slow before. */
  slows: number;
  /** In how many days the certificate of its host ends; null where it has none or that is not known. */
  certificateDays: number | null;
  /** px: how wide its largest spot is; null where that is not known. */
  room: number | null;
}

/** Something that is wrong with what placed embeds load, and whether it is of the whole host. */
export interface ResourceFinding {
  rule: Rule;
  level: 'error' | 'warning' | 'note';
  ofHost: boolean;
  facts: Facts;
}

type Rule = OfHost['rule'] | OfAddress['rule'] | OfFile['rule'];
interface OfHost {
  rule: 'resource-silent' | 'resource-barred' | 'resource-slow' | 'frame-refused' | 'certificate-ends';
}
interface OfAddress {
  rule: 'resource-gone' | 'resource-moved' | 'script-resized';
}
interface OfFile {
  rule: 'file-mistyped' | 'file-without-ranges' | 'file-too-large' | 'captions-barred';
}

/* So often in a row it has to go wrong, or be slow, before it is told: what passes by itself is no news. */
const toldFrom = 2;
/* What takes longer is slow, in ms. */
const slow = 5000;
/* From so many days before it ends a certificate is told of, and from so many on it is an error. */
const [daysBefore, daysLeft] = [14, 3];

/** Whether an answer is one of those that are told when they come again. */
export const isFailure = ({ as }: ResourceAnswer): boolean => as === 'silence' || as === 'refusal';

/** What is wrong with something that placed embeds load. */
export function judgeResource(asked: Asked, answer: ResourceAnswer): ResourceFinding[] {
  if (answer.as === 'unasked') return [];
  if (answer.as !== 'content') return asked.fails + 1 < toldFrom ? [] : [failureOf(asked, answer)];
  return [...ofHost(asked, answer), ...ofAddress(asked, answer), ...ofFile(asked, answer)];
}

type Content = Extract<ResourceAnswer, { as: 'content' }>;
type Failure = Extract<ResourceAnswer, { as: 'silence' | 'refusal' }>;

const hostFinding = (
  rule: OfHost['rule'],
  level: ResourceFinding['level'],
  facts: Facts,
): ResourceFinding => ({ rule, level, ofHost: true, facts });
const finding = (
  rule: OfAddress['rule'] | OfFile['rule'],
  level: ResourceFinding['level'],
  facts: Facts,
): ResourceFinding => ({ rule, level, ofHost: false, facts });

function failureOf({ use, address }: Asked, answer: Failure): ResourceFinding {
  const host = new URL(address).host;
  if (answer.as === 'silence') return hostFinding('resource-silent', 'error', { host, why: answer.why });
  const { status, why } = answer;
  if (status === 404 || status === 410)
    return finding('resource-gone', use === 'link' ? 'warning' : 'error', { host, address, status, use });
  return status >= 500
    ? hostFinding('resource-silent', 'error', { host, why })
    : hostFinding('resource-barred', 'note', { host, status });
}

function ofHost({ use, address, slows, certificateDays: days }: Asked, answer: Content): ResourceFinding[] {
  const host = new URL(address).host;
  const found: ResourceFinding[] = [];
  if (use === 'frame' && answer.framing)
    found.push(
      hostFinding('frame-refused', 'error', {
        host,
        code: answer.framing.code,
        ...answer.framing.facts,
      }),
    );
  if (days !== null && days <= daysBefore)
    found.push(hostFinding('certificate-ends', days <= daysLeft ? 'error' : 'warning', { host, days }));
  if (answer.took > slow && slows + 1 >= toldFrom) found.push(hostFinding('resource-slow', 'note', { host }));
  return found;
}

function ofAddress({ use, address }: Asked, { isMoved, at, size }: Content): ResourceFinding[] {
  const host = new URL(address).host;
  const found: ResourceFinding[] = [];
  if (isMoved && at !== address)
    found.push(finding('resource-moved', 'note', { host, use, address, to: at }));
  if (size !== null && isOtherSize(size))
    found.push(finding('script-resized', 'note', { host, use, address, before: size.before, now: size.now }));
  return found;
}

/* A script of much the same size is one that its provider looks after. */
const isOtherSize = ({ now, before }: { now: number; before: number }): boolean =>
  Math.abs(now - before) > 2048 && (now > before * 1.5 || now < before / 1.5);

function ofFile(asked: Asked, { type, media, isShared }: Content): ResourceFinding[] {
  const { use, address, room } = asked;
  const host = new URL(address).host;
  if (use === 'captions') return isShared ? [] : [finding('captions-barred', 'error', { host, address })];
  if (use !== 'media' || media === null) return [];
  const found: ResourceFinding[] = [];
  if (!isPlayable(type) || (media.type !== null && !isPlayable(media.type)))
    found.push(finding('file-mistyped', 'error', { host, address, stated: type, is: media.type ?? '' }));
  if (!media.ranges) found.push(finding('file-without-ranges', 'warning', { host, address }));
  if (room !== null && isPlayable(media.type ?? type) && !fitsRoom(media, room))
    found.push(finding('file-too-large', 'warning', { host, address, ...sizesOf(media, room) }));
  return found;
}

function sizesOf({ width, height, length, bytes }: MediaAnswer, room: number): Facts {
  const fitting = fittingFilm({ width, height }, room);
  return {
    ...{ room, width, height, bytes },
    kilobits: length !== null && bytes !== null ? Math.round((bytes * 8) / length / 1000) : null,
    ...{ fitWidth: fitting.width, fitHeight: fitting.height, fitKilobits: fitting.kilobits },
  };
}

/* A film, a sound, or a list of the pieces of one (HTML, section 4.8.11.3). */
const isPlayable = (type: string): boolean =>
  /^(?:(?:video|audio)\/|application\/(?:ogg|mp4|vnd\.apple\.mpegurl|x-mpegurl|dash\+xml)\b)/i.test(type);
