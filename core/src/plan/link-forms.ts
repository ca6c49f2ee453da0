import type { Code } from '../code.ts';
import type { Circumstances } from '../compose/composition.ts';
import type { LevelledComposition } from '../compose/levels.ts';
import { markName, markReason, writeMark } from '../compose/mark.ts';
import type { Snippet } from '../compose/snippet.ts';
import { isHeldPicture } from '../options/types/index.ts';
import { contentOf, providerOf } from '../presentation/beside/content.ts';
import { reason, type Reason } from '../reason.ts';
import { escapeAttribute, escapeText, type Edit, type EditReason } from '../text/index.ts';
import { pastedIn } from '../visitors/index.ts';

const asks = (why: Reason): EditReason => ({ stage: 'editor', option: 'editor', ...why });

/** The link to what is served for it, alone; null where nothing is served. */
export function linkAlone(
  code: Code,
  composition: LevelledComposition,
  { servedAt }: Circumstances,
): LevelledComposition | null {
  if (servedAt === undefined || servedAt === 'held') return null;
  return instead(code, composition, servedAt, [asks(reason('pasted-link'))]);
}

/** A link with words to what it shows: at its provider, else where it is served. */
export function linkInWords(
  code: Code,
  composition: LevelledComposition,
  circumstances: Circumstances,
): LevelledComposition {
  const { address, words, isAtProvider } = leadsTo(code, circumstances);
  if (address === undefined)
    return instead(code, composition, escapeText(words), [asks(reason('words-alone'))]);
  return linked(code, composition, circumstances, {
    address,
    shows: escapeText(words),
    why: reason(isAtProvider ? 'link-in-words' : 'pasted-link'),
  });
}

/** The owner’s still picture of it as such a link; null where there is none, or nothing that it leads to. */
export function linkedPicture(
  code: Code,
  composition: LevelledComposition,
  circumstances: Circumstances,
): LevelledComposition | null {
  const { address, words } = leadsTo(code, circumstances);
  const still = composition.effective['still'];
  if (address === undefined || typeof still !== 'string' || isHeldPicture(still)) return null;
  return linked(code, composition, circumstances, {
    address,
    shows: `<img src="${escapeAttribute(still)}" alt="${escapeAttribute(words)}" style="max-width:100%;height:auto">`,
    why: reason('linked-picture'),
  });
}

/* Where visitors find what a code shows, and in which words. */
function leadsTo(
  code: Code,
  { servedAt, language = 'en' }: Circumstances,
): { address: string | undefined; words: string; isAtProvider: boolean } {
  const content = contentOf(code);
  const served = servedAt === 'held' ? undefined : servedAt;
  return {
    address: content?.address ?? served,
    words: pastedIn(language).open(content?.provider ?? providerOf(code)),
    isAtProvider: content !== null,
  };
}

function linked(
  code: Code,
  composition: LevelledComposition,
  { mark = null }: Circumstances,
  { address, shows, why }: { address: string; shows: string; why: Reason },
): LevelledComposition {
  const carried = mark ? ` ${markName}="${writeMark(mark)}"` : '';
  const text = `<a${carried} href="${escapeAttribute(address)}">${shows}</a>`;
  return instead(code, composition, text, [asks(why), ...(mark ? [markReason] : [])]);
}

/* All of the code in one edit. */
function instead(
  { text: source }: Code,
  composition: LevelledComposition,
  text: string,
  reasons: EditReason[],
): LevelledComposition {
  const range = { start: 0, end: source.length };
  const { stage, option } = reasons[0]!;
  const edit: Edit = { ...range, text, stage, options: [option], reasons };
  const spot: Snippet = {
    position: 'spot',
    runs: [{ from: 'orbis', text, stage, options: [option], reasons, instead: range }],
  };
  return { ...composition, edits: [edit], snippets: [spot], text, framed: null, losses: [], uncarried: [] };
}
