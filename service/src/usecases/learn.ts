import { linkIn, type LearnAnswers, type LearnContext, type Sheet } from '@orbis/core';
import {
  OrbisError,
  formatLearned,
  formatLearnedLine,
  serializeLearnedLine,
  formatLearnProblem,
  writeSheet,
  type SheetProposal,
} from '@orbis/contract';
import type { Answers } from '../fetching/answers.ts';
import type { Fetching } from '../fetching/client.ts';
import type { Reader } from '../reading/reader.ts';
import { answerFor, type Listed } from './resolve-link.ts';

interface Tools {
  sheets: readonly Sheet[];
  reader: Pick<Reader, 'learnFrom' | 'linkedPage' | 'oembedAnswer' | 'fileFacts'>;
  fetching: Pick<Fetching, 'get'>;
  answers: Answers;
  /** Who is known to answer about a link, out of lists of oEmbed providers. */
  listedFor: (link: string) => Promise<Listed>;
  declared: readonly string[];
  now: Date;
}

/**
 * Proposes a sheet from samples; links are followed first, where that is asked for, to have the codes that
 * their provider tells.
 * @throws OrbisError `cannot-learn`, or `link-unreachable`.
 */
export async function learn(
  { samples, answers, ask }: { samples: readonly string[]; answers: LearnAnswers; ask: boolean },
  tools: Tools,
): Promise<SheetProposal> {
  const all: { text: string; from: string | null }[] = samples.map((text) => ({ text, from: null }));
  let oembed: LearnContext['oembed'];
  for (const text of ask ? samples : []) {
    const link = linkIn(text);
    const told =
      link === null ? null : await answerFor(link, { ...tools, listed: await tools.listedFor(link) });
    if (!told) continue;
    if (told.answer.html !== null && !all.some((sample) => sample.text === told.answer.html))
      all.push({ text: told.answer.html, from: link });
    oembed = questionsOf(told.endpoint) ?? oembed;
  }
  const learned = await tools.reader.learnFrom(
    all.map(({ text }) => text),
    { sheets: tools.sheets, answers, ...(oembed && { oembed }) },
  );
  if (!learned.ok) {
    const { problem } = learned;
    const pointer =
      'sample' in problem.facts
        ? `/samples/${problem.facts.sample - 1}`
        : 'about' in problem.facts
          ? `/answers/${problem.facts.about}`
          : '/samples';
    throw new OrbisError('cannot-learn', { problem: formatLearnProblem(problem) }, [
      { pointer, detail: formatLearnProblem(problem) },
    ]);
  }
  const { sheet, lines, templates } = learned.proposal;
  const open = lines.filter(({ sure }) => !sure);
  const remarks = [
    `Learned from ${all.length} samples.${open.length > 0 ? ` Not yet answered: ${open.map(({ about }) => about).join(', ')}.` : ''}`,
    ...lines.map(
      (line) => `${formatLearnedLine(line)}: ${line.means ?? '?'} (${formatLearned(line.reasons)})`,
    ),
  ];
  return {
    text: writeSheet(sheet, remarks),
    sheet,
    lines: lines.map(serializeLearnedLine),
    open: open.length,
    codes: templates.codes,
    links: templates.links,
    samples: learned.proposal.samples.map((sample, i) => ({ ...sample, ...all[i]! })),
  };
}

/* Where questions about any link go: the answer's own address without the link that it is about. */
function questionsOf({ href, format }: { href: string; format: 'json' | 'xml' }): LearnContext['oembed'] {
  const url = new URL(href);
  const others = [...url.searchParams.keys()].filter((name) => name !== 'url' && name !== 'format');
  return others.length > 0 || !url.searchParams.has('url')
    ? undefined
    : { endpoint: `{scheme}://${url.hostname}{+port}${url.pathname}`, formats: [format] };
}
