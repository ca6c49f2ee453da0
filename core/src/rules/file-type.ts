import { attribute, type MarkupElement } from '../text/index.ts';
import { mendAttribute } from './mends.ts';
import { foundIn, type CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

const types: Record<string, string> = {
  mp4: 'video/mp4',
  m4v: 'video/mp4',
  webm: 'video/webm',
  ogv: 'video/ogg',
  mov: 'video/quicktime',
  mp3: 'audio/mpeg',
  ogg: 'audio/ogg',
  oga: 'audio/ogg',
  wav: 'audio/wav',
  m4a: 'audio/mp4',
  aac: 'audio/aac',
  flac: 'audio/flac',
  opus: 'audio/ogg',
};
/* Endings that not every browser plays. */
const few = new Set([
  'mov',
  'avi',
  'wmv',
  'mkv',
  'flv',
  'ogv',
  'mpg',
  'mpeg',
  '3gp',
  'wma',
  'aiff',
  'mid',
  'midi',
  'm3u8',
  'mpd',
]);
const same = (a: string, b: string): boolean =>
  a === b ||
  (a.endsWith('/ogg') && b.endsWith('/ogg')) ||
  (/^audio\/(?:mpeg|mp3)$/.test(a) && /^audio\/(?:mpeg|mp3)$/.test(b)) ||
  (/^audio\/(?:x-)?wav$/.test(a) && /^audio\/(?:x-)?wav$/.test(b)) ||
  (/mp4$/.test(a) && /mp4$/.test(b)) ||
  (/quicktime$/.test(b) && /mp4$/.test(a));

const endingOf = (address: string): string | null =>
  /\.([a-z0-9]{2,4})$/i.exec(address.split(/[?#]/)[0]!)?.[1]?.toLowerCase() ?? null;

const sourcesBeside = ({ parent }: MarkupElement): number =>
  parent?.children.filter((child) => child.kind === 'element' && child.name === 'source').length ?? 0;

export const rule: CodeRule = {
  id: 'file-type',
  level: 'warning',
  source: 'RFC 4281 and 6381 (types of media); observed: what current browsers play',
  elements: {
    named: ['video', 'audio', 'source'],
    check: (e, { markup }) => {
      const ending = endingOf(attribute(e, 'src') ?? '');
      if (ending === null) return null;
      const stated = attribute(e, 'type')?.split(';')[0]?.trim().toLowerCase();
      const usual = types[ending];
      if (stated && usual && !same(stated, usual)) {
        const mend = mendAttribute(markup, e, 'type', usual, reason('type-of-ending', { ending }));
        return foundIn(e, { ending, stated, usual, why: 'mismatch' }, mend);
      }
      const alternatives = e.name === 'source' && sourcesBeside(e) > 1;
      return few.has(ending) && !alternatives
        ? foundIn(e, { ending, stated: stated ?? null, usual: usual ?? null, why: 'few' })
        : null;
    },
  },
};
