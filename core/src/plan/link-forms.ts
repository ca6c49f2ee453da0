import type { Code } from '../code.ts';
import type { Circumstances } from '../compose/composition.ts';
import type { LevelledComposition } from '../compose/levels.ts';
import { markName, markReason, writeMark } from '../compose/mark.ts';
import type { Snippet } from '../compose/snippet.ts';
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
  { servedAt, mark = null, language = 'en' }: Circumstances,
): LevelledComposition {
  const content = contentOf(code);
  const served = servedAt === 'held' ? undefined : servedAt;
  const address = content?.address ?? served;
  const words = pastedIn(language).open(content?.provider ?? providerOf(code));
  if (address === undefined)
    return instead(code, composition, escapeText(words), [asks(reason('words-alone'))]);
  const carried = mark ? ` ${markName}="${writeMark(mark)}"` : '';
  const text = `<a${carried} href="${escapeAttribute(address)}">${escapeText(words)}</a>`;
  return instead(code, composition, text, [
    ...(content ? [asks(reason('link-in-words'))] : [asks(reason('pasted-link'))]),
    ...(mark ? [markReason] : []),
  ]);
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
