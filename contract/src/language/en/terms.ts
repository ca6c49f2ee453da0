import type { Facts, Price } from '@orbis/core';
import type { Language } from '../language.ts';

const number = new Intl.NumberFormat('en-GB');
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' });
/* What is no day stays as it is. */
const formatDay = (date: unknown): string => {
  const at = Date.parse(String(date));
  return Number.isNaN(at) ? String(date) : day.format(at);
};

const money = (amount: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'code' })
    .format(amount)
    // It sets a blank that does not break, which nobody types.
    .replaceAll('\u00a0', ' ');

const days = (count: unknown): string => (count === 1 ? 'one day' : `${String(count)} days`);
const of = ({ views, most }: Facts): string =>
  `${number.format(Number(views))} of ${number.format(Number(most))} views`;

/** What has been agreed upon, in words. */
export const terms = {
  labels: {
    viewsAMonth: 'Views a month',
    price: 'Price',
    licence: 'Licence',
    ends: 'Ends',
    personalData: 'Personal data',
  },
  price: ({ amount, currency, every }: Price) =>
    `${money(amount, currency)} ${every === 'once' ? 'once' : `a ${every}`}`,
  viewsSoFar: 'Views this month',
  countedWhere: 'Views are counted where Orbis serves the frame, and nowhere else.',
  views: (times, most) =>
    most === null ? number.format(times) : `${number.format(times)} of ${number.format(most)}`,
  day: formatDay,
  personalData: (may) => (may ? 'it may process them' : 'it may not process them'),
  costs: (costs) =>
    costs.length === 0
      ? 'There are no running costs.'
      : `${new Intl.ListFormat('en-GB').format(costs.map(({ amount, currency }) => money(amount, currency)))} a year in all.`,
} satisfies Language['terms'];

/* With a provider, where it is named; else it is that of an embed, which stands above it. */
const isNamed = ({ name }: Facts): boolean => typeof name === 'string' && name !== '';
const contract = (facts: Facts): string =>
  isNamed(facts) ? `The contract with ${facts['name']}` : 'Its contract';
const whose = (facts: Facts): string => (isNamed(facts) ? String(facts['name']) : 'It');

/** What of it wants looking at. */
export const termsFindings = {
  'contract-over': {
    message: ({ ends, days: ago, ...facts }: Facts) =>
      `${contract(facts)} is over: ${formatDay(ends)} was its last day, ${days(ago)} ago.`,
    remedy: () => 'Write down until when it goes on, or take it off your pages.',
  },
  'contract-ends': {
    message: ({ ends, days: left, ...facts }: Facts) =>
      left === 0
        ? `${contract(facts)} ends today.`
        : `${contract(facts)} ends in ${days(left)}, on ${formatDay(ends)}.`,
    remedy: () => 'Renew it and write down until when, or look for something in its place.',
  },
  'views-used-up': {
    message: (facts: Facts) =>
      `${whose(facts)} has had ${of(facts)} this month: the plan’s limit is reached.`,
    remedy: () => 'Ask the provider what happens now, or choose a larger plan and write it down.',
  },
  'views-run-short': {
    message: (facts: Facts) => `${whose(facts)} has had ${of(facts)} this month: not many are left.`,
    remedy: () => 'See whether they will do until the month is over.',
  },
};
