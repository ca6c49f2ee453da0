import { formatRule, spoken, whereFound, type NewsItem, type NewsKind } from '@orbis/contract';

/** A mail in plain text. */
export interface MailText {
  subject: string;
  text: string;
}

/** What a mail is made of. */
export interface MailFacts {
  /** What it tells, in its order. */
  news: readonly NewsItem[];
  /** The channel by which it goes. */
  channel: string;
  /** Where the console answers. */
  origin: string;
}

const order: readonly NewsKind[] = ['found', 'due', 'solved'];
const worstFirst = ['error', 'warning', 'note'];
/* So many findings are listed. */
const mostListed = 50;

/** Words for news: what was found, the worst first, each with what to do; then what is solved. */
export function newsMail({ news, channel, origin }: MailFacts): MailText {
  const last = lastOfEach(news).sort((a, b) => placeOf(a) - placeOf(b));
  const listed = last.slice(0, mostListed);
  const more = last.length - listed.length;
  const sections = order.flatMap((kind) => {
    const of = listed.filter((item) => item.kind === kind);
    return of.length === 0
      ? []
      : [`${spoken.news.kinds[kind]} (${of.length})`, ...of.map((item) => entryOf(item))];
  });
  const words = [
    ...sections,
    ...(more > 0 ? [spoken.news.more(more)] : []),
    spoken.news.all(`${origin}/attention`),
    `-- \n${spoken.news.because(channel, `${origin}/news`)}`,
  ];
  return { subject: subjectOf(last), text: `${words.join('\n\n')}\n` };
}

/** Words for a mail that only tries out whether it gets through. */
export const trialMail = ({ channel, origin }: Pick<MailFacts, 'channel' | 'origin'>): MailText => ({
  subject: spoken.news.trial,
  text: `${spoken.news.trialSays(channel)}\n\n-- \n${spoken.news.because(channel, `${origin}/news`)}\n`,
});

/* By what became of it, and then by how bad it is. */
const placeOf = ({ kind, finding: { level } }: NewsItem): number =>
  order.indexOf(kind) * worstFirst.length + worstFirst.indexOf(level);

/* What was found and is solved already is told once, as it is now. */
function lastOfEach(news: readonly NewsItem[]): NewsItem[] {
  const last = new Map<string, NewsItem>();
  for (const item of news) {
    last.delete(item.finding.id);
    last.set(item.finding.id, item);
  }
  return [...last.values()];
}

function subjectOf(news: readonly NewsItem[]): string {
  const [only, ...others] = news;
  if (only !== undefined && others.length === 0) return newsLine(only);
  const counts = { found: 0, due: 0, solved: 0 };
  for (const { kind } of news) counts[kind] += 1;
  const sites = new Set(news.map(({ finding }) => finding.site));
  return spoken.news.many(counts, sites.size === 1 ? [...sites][0]! : null);
}

/* A piece of news in a line: what, of which embed, and where. */
const newsLine = ({ kind, finding }: NewsItem): string =>
  spoken.news.one({
    ...{ kind, title: formatRule(finding.rule), what: finding.embedName },
    where: whereFound(finding),
  });

function entryOf({ kind, finding }: NewsItem): string {
  const { message, remedy, details, url, level } = finding;
  const what = finding.embedName ?? formatRule(finding.rule);
  const where = whereFound(finding);
  const lines = [
    where === '' ? what : `${what}, in ${where}`,
    message,
    ...details.map((each) => `- ${each}`),
    ...(kind === 'solved' ? [] : [remedy]),
    ...(url === null ? [] : [url]),
  ];
  const [head, ...rest] = lines;
  return [`* ${kind === 'solved' ? '' : `${level}: `}${head}`, ...rest.map((line) => `  ${line}`)].join('\n');
}
