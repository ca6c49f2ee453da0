import { spoken, type Terms, type YearlyCost } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { facts, fold, levelColour, table } from '../text.ts';

type Shown = Pick<Tools, 'colours' | 'io'>;

/** What has been agreed upon for one embed or with one provider, and what of it wants looking at. */
export function describeTerms(terms: Terms, { colours, io }: Shown): string {
  const { labels } = spoken.terms;
  const said = facts(
    [
      [terms.embed === null ? 'Provider' : 'Embed', terms.name],
      [spoken.terms.viewsSoFar, viewsIn(terms)],
      [labels.price, priceIn(terms) || 'not said'],
      [labels.licence, terms.licence || 'not said'],
      [labels.ends, terms.ends === null ? 'not said' : spoken.terms.day(terms.ends)],
      [labels.personalData, terms.personalData === null ? 'not said' : personalDataIn(terms)],
    ],
    colours,
  );
  return terms.findings.length === 0 ? said : `${said}\n${findingsOf(terms, { colours, io })}`;
}

/** All of them in a table, what of them wants looking at, and what they cost. */
export function describeAllTerms(
  all: readonly Terms[],
  costs: readonly YearlyCost[],
  { colours, io }: Shown,
): string {
  if (all.length === 0) return 'Nothing is written down yet: “orbis terms EMBED --price …” begins.\n';
  const { labels } = spoken.terms;
  const rows = all.map((terms) => [
    terms.embed ?? `${terms.provider} (provider)`,
    viewsIn(terms),
    priceIn(terms),
    terms.ends ?? '',
    terms.licence,
    personalDataIn(terms),
  ]);
  const heads = [
    'of',
    spoken.terms.viewsSoFar,
    labels.price,
    labels.ends,
    labels.licence,
    labels.personalData,
  ];
  const told = all.filter(({ findings }) => findings.length > 0);
  return [
    table(
      heads.map((head) => head.toLowerCase()),
      rows,
      colours,
    ),
    ...told.map((terms) => `\n${colours.bold(terms.name)}\n${findingsOf(terms, { colours, io })}`),
    `\n${spoken.terms.costs(costs)}\n${spoken.terms.countedWhere}\n`,
  ].join('');
}

const viewsIn = ({ views, viewsAMonth }: Terms): string => spoken.terms.views(views.times, viewsAMonth);
const priceIn = ({ price }: Terms): string => (price === null ? '' : spoken.terms.price(price));
const personalDataIn = ({ personalData }: Terms): string =>
  personalData === null ? '' : personalData ? 'yes' : 'no';

const findingsOf = ({ findings }: Terms, { colours, io }: Shown): string =>
  findings
    .map(({ level, message, remedy }) =>
      fold(`${levelColour(level, colours)(level)}: ${message} ${remedy}`, io.width, '  '),
    )
    .join('');
