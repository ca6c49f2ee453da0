import { expect } from 'chai';
import fc from 'fast-check';
import { isUnsaid, noTerms, parsePrice, pricePeriods, termsFindings, type Terms } from '@orbis/core';

const found = (terms: Partial<Terms>, { views = 0, today = '2026-11-29' } = {}): string[] =>
  termsFindings({ ...noTerms, ...terms }, { views, today }).map(
    ({ rule, level, facts }) => `${level} ${rule} ${JSON.stringify(facts)}`,
  );

describe('what has been agreed upon', () => {
  for (const [what, ends, expected] of [
    ['ended yesterday', '2026-11-28', 'error contract-over {"ends":"2026-11-28","days":1}'],
    ['ends today', '2026-11-29', 'warning contract-ends {"ends":"2026-11-29","days":0}'],
    [
      'ends in 30 days, over a month’s end',
      '2026-12-29',
      'warning contract-ends {"ends":"2026-12-29","days":30}',
    ],
    ['ends in 31 days', '2026-12-30', null],
    ['does not end', null, null],
  ] as const)
    it(`is told of where a contract ${what}: ${expected ?? 'not at all'}`, () =>
      expect(found({ ends })).to.deep.equal(expected === null ? [] : [expected]));

  for (const [views, expected] of [
    [799, null],
    [800, 'warning views-run-short {"views":800,"most":1000}'],
    [999, 'warning views-run-short {"views":999,"most":1000}'],
    [1000, 'error views-used-up {"views":1000,"most":1000}'],
  ] as const)
    it(`of 1,000 views a month ${views} are used: ${expected ?? 'nothing is said'}`, () => {
      expect(found({ viewsAMonth: 1000 }, { views })).to.deep.equal(expected === null ? [] : [expected]);
      expect(found({}, { views })).to.deep.equal([]);
    });

  it('puts what is worse first', () => {
    expect(found({ viewsAMonth: 1, ends: '2026-12-01' }, { views: 5 })[0]).to.match(/^error/);
    expect(found({ viewsAMonth: 10, ends: '2026-11-01' }, { views: 8 })[0]).to.match(/^error/);
  });

  it('is unsaid only where nothing at all is said', () => {
    expect(isUnsaid(noTerms)).to.equal(true);
    const said: Partial<Terms>[] = [
      { viewsAMonth: 1 },
      { price: { amount: 0, currency: 'EUR', every: 'once' } },
      { licence: 'ours' },
      { ends: '2026-01-01' },
      { personalData: false },
    ];
    for (const each of said) expect(isUnsaid({ ...noTerms, ...each }), JSON.stringify(each)).to.equal(false);
  });
});

describe('a price as people type it', () => {
  for (const [text, expected] of [
    ['12.50 EUR a month', [12.5, 'EUR', 'month']],
    ['12,5 eur/month', [12.5, 'EUR', 'month']],
    ['EUR 12.50 per month', [12.5, 'EUR', 'month']],
    ['  90   GBP  once ', [90, 'GBP', 'once']],
    ['1200 JPY every year', [1200, 'JPY', 'year']],
    ['0 EUR a year', [0, 'EUR', 'year']],
    ['12.50', null],
    ['12.50 EUR', null],
    ['12.505 EUR a month', null],
    ['-3 EUR a month', null],
    ['12 QQQ a month', null],
    ['12 EUR a week', null],
    ['1.200,50 EUR a month', null],
    ['', null],
  ] as const)
    it(`takes “${text}” for ${expected === null ? 'none' : expected.join(' ')}`, () => {
      const price = parsePrice(text);
      expect(price && [price.amount, price.currency, price.every]).to.deep.equal(expected);
    });

  it('is read back as it is written, whatever it is', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_999_999 }),
        fc.constantFrom('EUR', 'GBP', 'JPY', 'CHF'),
        fc.constantFrom(...pricePeriods),
        (cents, currency, every) => {
          const amount = cents / 100;
          const text = `${amount.toFixed(2)} ${currency} ${every}`;
          expect(parsePrice(text)).to.deep.equal({ amount, currency, every });
        },
      ),
    ));
});
