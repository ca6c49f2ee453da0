import type { Code } from '../code.ts';
import type { Change } from '../options/change.ts';
import { contribution, problem, type Option, type OptionContext } from '../options/option.ts';
import { choiceType } from '../options/types/choice.ts';
import { reason, type Reason } from '../reason.ts';
import { attribute, type MarkupElement } from '../text/index.ts';
import { answerTag, failedName, pastedIn, sentName } from '../visitors/index.ts';
import { framedWay } from './ways.ts';

/** Where the answer to a form is shown; `words`: none of it is, but words of the owner’s own. */
const answers = ['frame', 'tab', 'page', 'words'] as const;
type Answer = (typeof answers)[number];

/* Where a browser shows it (HTML, section 7.3.2.3). */
const targets: Readonly<Record<Exclude<Answer, 'words'>, string>> = {
  frame: '_self',
  tab: '_blank',
  page: '_top',
};

/* What the frame of ours must let it do for that. */
const powerFor: Readonly<Partial<Record<Answer, string>>> = {
  tab: 'may-open-windows',
  page: 'may-leave-page',
  words: 'may-run-scripts',
};

export const option: Option<string> = {
  name: 'answer',
  stage: 'isolation',
  type: choiceType(answers),
  kinds: 'any',
  example: 'words',
  source: 'HTML, section 4.10.19.6 (target of a form); Fetch, section 3.2.5 (opaque answers)',
  isOffered: (_, reading) => reading === null || reading.parts.some(({ role }) => role === 'form'),
  current: (code) => (formsIn(code)[0] ? asWritten(formsIn(code)[0]!) : null),
  contribute: (code, value, context) => {
    const answer = value as Answer;
    if (framedWay(context.options) === null) return problem('answer-needs-frame');
    const forms = formsIn(code);
    if (forms.length === 0) return problem('no-form-in-code');
    const power = powerFor[answer];
    if (power !== undefined && context.options[power] === false)
      return problem('answer-needs-power', { option: power });
    return contribution(
      answer === 'words' ? inWords(code, forms, context) : forms.flatMap((form) => shownIn(form, answer)),
    );
  },
};

/* A dialog’s form is sent to nobody. */
const formsIn = ({ markup }: Code): MarkupElement[] =>
  markup.elements.filter(
    (element) => element.name === 'form' && attribute(element, 'method')?.toLowerCase() !== 'dialog',
  );

function asWritten(form: MarkupElement): string | null {
  const target = attribute(form, 'target')?.toLowerCase();
  if (target === undefined || target === '') return null;
  if (target === '_self') return 'frame';
  return target === '_top' || target === '_parent' ? 'page' : 'tab';
}

const why: Readonly<Record<Exclude<Answer, 'words'>, Reason>> = {
  frame: reason('answer-shown-in-frame'),
  tab: reason('answer-shown-in-tab'),
  page: reason('answer-shown-in-page'),
};

/* A button’s own target would win over that of its form. */
const shownIn = (form: MarkupElement, answer: Exclude<Answer, 'words'>): Change[] => [
  { kind: 'attribute', element: form, name: 'target', value: targets[answer], reason: why[answer] },
  ...within(form)
    .filter((element) => attribute(element, 'formtarget') !== null)
    .map((element): Change => ({
      kind: 'attribute',
      element,
      name: 'formtarget',
      value: null,
      reason: why[answer],
    })),
];

const within = (element: MarkupElement): MarkupElement[] =>
  element.children.flatMap((child) => (child.kind === 'element' ? [child, ...within(child)] : []));

/* Each form with its words, and once the script that sends them. */
function inWords(
  code: Code,
  forms: readonly MarkupElement[],
  { options, page }: Pick<OptionContext, 'options' | 'page'>,
): Change[] {
  const usual = pastedIn(page.language);
  const words = [
    [sentName, (options['answer-words'] as string | undefined) ?? usual.sent],
    [failedName, (options['answer-failed'] as string | undefined) ?? usual.notSent],
  ] as const;
  return [
    ...forms.flatMap((element) =>
      words.map(([name, value]): Change => ({
        kind: 'attribute',
        element,
        name,
        value,
        reason: reason('answer-shown-as-words'),
      })),
    ),
    { kind: 'insert', at: code.text.length, markup: answerTag, reason: reason('answer-script') },
  ];
}
