import type { Code } from '../code.ts';
import type { LevelledComposition } from '../compose/levels.ts';
import { markedElement, markReason, neutralClass, neutralComment } from '../compose/mark.ts';
import { snippetText, type Run } from '../compose/snippet.ts';
import { isTaken, takenOut, type EditorRules, type TakenOut } from '../editor/index.ts';
import { reason, type Reason } from '../reason.ts';
import { parseMarkup, type EditReason } from '../text/index.ts';
import { heightName, listenerTag } from '../visitors/index.ts';
import { cutRuns, type Cut } from './cut-runs.ts';
import { matters } from './matters.ts';

/** A code at its spot as an editor lets it through. */
export interface Fitted {
  runs: Run[];
  text: string;
  /** What it cannot do without, and would lose; empty where it does what it is for. */
  lost: string[];
  /** What it loses beside that, left out already. */
  without: string[];
  /** Whether its frame keeps one height, as nothing on the page makes it as high as what is in it. */
  fixesHeight: boolean;
  /** Whether nothing had to be changed. */
  isSame: boolean;
}

/** Leaves out of what stands at the spot what an editor would take out, and marks it so that it is found. */
export function fitToEditor(
  code: Pick<Code, 'reading'>,
  { snippets }: Pick<LevelledComposition, 'snippets'>,
  rules: EditorRules,
): Fitted {
  const { runs } = snippets.find(({ position }) => position === 'spot')!;
  const text = snippetText({ runs });
  const taken = takenOut(text, rules);
  const ours = oursIn(runs);
  const lost = taken.filter((each) => matters(each, { text, code, isOurs: ours(each) }));
  const cut = cutRuns(runs, [
    ...taken.flatMap((each) => each.ranges.map((range) => ({ ...range, reason: why(each), instead: '' }))),
    ...useless(text, taken),
  ]);
  const whole = inLines(marked(cut, hasMark(runs), rules), rules);
  return {
    runs: whole,
    text: snippetText({ runs: whole }),
    lost: namesOf(lost),
    without: namesOf(
      taken.filter(
        (each) =>
          !lost.includes(each) && !each.name.startsWith('data-orbis') && !isListener(text, each.element),
      ),
    ),
    fixesHeight: taken.some(({ name, element }) => name === heightName || isListener(text, element)),
    isSame: taken.length === 0 && whole.length === runs.length,
  };
}

const namesOf = (taken: readonly TakenOut[]): string[] => [...new Set(taken.map(nameOf))];

/* As people write them. */
function nameOf({ what, name }: TakenOut): string {
  if (what === 'attribute') return name;
  return what === 'comment' ? '<!-- -->' : `<${name}>`;
}

/* Whether an element was put there by Orbis. */
function oursIn(runs: readonly Run[]): (taken: TakenOut) => boolean {
  let offset = 0;
  const places = runs.map((run) => {
    const start = offset;
    offset += run.text.length;
    return { start, end: offset, isOurs: run.from === 'orbis' };
  });
  return ({ element }) =>
    places.some(
      ({ start, end, isOurs }) => isOurs && element !== null && element.start >= start && element.start < end,
    );
}

const asked = (why: Reason): EditReason => ({ stage: 'editor', option: 'editor', ...why });
const why = (taken: TakenOut): EditReason => asked(reason('editor-takes-out', { name: nameOf(taken) }));

const isListener = (text: string, element: TakenOut['element']): boolean =>
  element?.name === 'script' && text.slice(element.start, element.end) === listenerTag;

/* Our listener finds its frames by their attribute. */
function useless(text: string, taken: readonly TakenOut[]): Cut[] {
  const height = taken.find(({ name }) => name === heightName);
  const start = height ? text.indexOf(listenerTag) : -1;
  const isTakenToo = taken.some(({ ranges }) => ranges.some((range) => range.start === start));
  return start < 0 || isTakenToo
    ? []
    : [{ start, end: start + listenerTag.length, reason: why(height!), instead: '' }];
}

const hasMark = (runs: readonly Run[]): boolean =>
  runs.some((run) => run.from === 'orbis' && run.text !== '' && run.reasons.some(isMark));
const isMark = ({ stage }: EditReason): boolean => stage === 'mark';
const carries = (run: Run): boolean => run.text.includes('data-orbis="');

/* Where the attribute does not survive, a comment before the code carries the mark, else a class; where
   neither does, it is known by its content. */
function marked(runs: Run[], wasMarked: boolean, rules: EditorRules): Run[] {
  if (!wasMarked || runs.some(carries)) return runs;
  if (rules.comments) return [markRun(neutralComment), ...runs];
  if (isTaken(rules.attributes, 'class')) return runs;
  const text = snippetText({ runs });
  const element = markedElement({ markup: parseMarkup(text) });
  if (element === null) return runs;
  const known = element.attributes.get('class');
  const at = known?.quote ? known.valueStart : element.nameEnd;
  const instead = known?.quote ? `${neutralClass} ` : ` class="${neutralClass}"`;
  return cutRuns(runs, [{ start: at, end: at, reason: markReason, instead }]);
}

const markRun = (text: string): Run => ourRun(text, markReason);

const ourRun = (text: string, reason: EditReason): Run => ({
  from: 'orbis',
  text,
  stage: reason.stage,
  options: [reason.option],
  reasons: [reason],
  instead: null,
});

/* With the lines that the editor wants before and behind a code. */
function inLines(runs: readonly Run[], { firstLine, lastLine }: EditorRules): Run[] {
  const line = asked(reason('editor-line'));
  return [
    ...(firstLine === '' ? [] : [ourRun(`${firstLine}\n`, line)]),
    ...runs,
    ...(lastLine === '' ? [] : [ourRun(`\n${lastLine}`, line)]),
  ];
}
