import type { FoundFact } from '@orbis/core';

type Facts = FoundFact['facts'];
interface Row {
  /** What is wrong, and why it matters. */
  message: (facts: Facts) => string;
  /** What to do. */
  remedy: (facts: Facts) => string;
}

/** One row a rule: the sentences that console, command line and interface all show. */
export const findingSentences: Record<string, Row> = {
  'too-much': {
    message: (f) =>
      f.what === 'surrogate'
        ? `The character at position ${f.offset} is half of one: the text was cut or copied wrongly.`
        : f.what === 'length'
          ? `This has ${f.found} characters; Orbis reads at most ${f.most}.`
          : f.what === 'nesting'
            ? `Its elements are nested deeper than ${f.most}, where browsers stop as well.`
            : `One of its elements has more than ${f.most} attributes.`,
    remedy: () => 'Copy the code from the provider once more, and paste only the code.',
  },
  'visible-code': {
    message: () => 'This is a code that was copied as text: visitors would read it instead of seeing the embed.',
    remedy: () => 'Copy it from the provider’s own field once more, as plain text.',
  },
  'cut-off': {
    message: (f) =>
      f.open === 'tag' ? 'The text ends in the middle of a tag, so a part of the code is missing.' : `The ${f.open} is never closed, so it swallows what follows it on the page.`,
    remedy: () => 'Copy the whole code from the provider once more, to its very end.',
  },
  'insecure': {
    message: (f) => `The address ${f.url} begins with http:, which browsers block on secure pages.`,
    remedy: () => 'Ask the provider for a code with https:.',
  },
  'active-address': {
    message: (f) => `The ${f.use} address is itself a program that would run in your own page.`,
    remedy: () => 'Do not use this code unless you know its author; providers have no need of it.',
  },
  'no-title': {
    message: () => 'The frame has no name: people who cannot see it are not told what is in it.',
    remedy: () => 'Give it a title that says what it shows.',
  },
  'clip-order': {
    message: (f) => `The clip ends (${f.to} s) before it begins (${f.from} s), so nothing is played.`,
    remedy: () => 'Set an end that is later than the start.',
  },
  'link-time': {
    message: (f) => `The time is given as a link gives it (${f.parameter}=${f.value}); in an embed it has no effect.`,
    remedy: () => 'Set the start instead.',
  },
  'sound-autoplay': {
    message: () => 'It is meant to play by itself with sound, which browsers refuse: it will stand still.',
    remedy: () => 'Set muted as well, or let people start it.',
  },
  'missing': { message: () => 'It was on this page, and is not any more.', remedy: () => 'Paste its code again, or end the placement.' },
  'altered': {
    message: () => 'It is on the page, but not as Orbis handed it out: the site’s editor, or somebody, changed it.',
    remedy: () => 'Copy the code once more and put it in the place of what is there.',
  },
  'shown-as-text': { message: () => 'Visitors read the code itself: it was pasted where the editor takes text only.', remedy: () => 'Paste it into the editor’s field for HTML.' },
  'out-of-date': {
    message: (f) =>
      f.carries === f.revision
        ? 'The page carries an earlier form of the code than Orbis would hand out today.'
        : `The page still carries the code of revision ${f.carries}; the newest is ${f.revision}.`,
    remedy: () => 'Copy the code once more and put it in the place of what is there.',
  },
  'doubled': { message: (f) => `It is on the page ${f.times} times.`, remedy: () => 'Take out all but one.' },
  'page-unreachable': { message: (f) => `The page could not be read: ${f.why}`, remedy: (f) => `${f.remedy ?? 'See that the page opens in a browser, then check it again.'}` },
};

/** A finding with its sentences. */
export function tellFinding<F extends { rule: string; facts: Facts }>(finding: F): F & { message: string; remedy: string } {
  const row = findingSentences[finding.rule];
  if (!row) throw new Error(`no sentences for the rule ${finding.rule}`);
  return { ...finding, message: row.message(finding.facts), remedy: row.remedy(finding.facts) };
}
