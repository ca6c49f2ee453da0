import { parsePrice, type Price } from '@orbis/core';
import type { Terms, TermsValues } from '@orbis/contract';

/** Terms as they stand in the fields of a form. */
export interface TermsDraft {
  viewsAMonth: string;
  price: string;
  licence: string;
  ends: string;
  personalData: string;
}

const yesNo = (said: boolean | null): string => (said === null ? '' : said ? 'yes' : 'no');
const typed = ({ amount, currency, every }: Price): string =>
  `${amount.toFixed(2)} ${currency} ${every === 'once' ? 'once' : `a ${every}`}`;

/** What the fields of a form begin with. */
export const draftOf = ({ viewsAMonth, price, licence, ends, personalData }: Terms): TermsDraft => ({
  viewsAMonth: viewsAMonth === null ? '' : String(viewsAMonth),
  price: price === null ? '' : typed(price),
  licence,
  ends: ends ?? '',
  personalData: yesNo(personalData),
});

const mostViews = 2_000_000_000;

/** What is typed, as terms; null, with what is wrong with which field, where it cannot be. */
export function valuesOf(draft: TermsDraft): {
  values: TermsValues | null;
  wrong: Partial<Record<keyof TermsDraft, string>>;
} {
  const views = draft.viewsAMonth.replaceAll(/[\s,.’']/g, '');
  const price = parsePrice(draft.price);
  const wrong: Partial<Record<keyof TermsDraft, string>> = {
    ...(views !== '' && !isCount(views) && { viewsAMonth: 'Write a whole number, from 1 on.' }),
    ...(draft.price.trim() !== '' &&
      price === null && { price: 'Write it as 12.50 EUR a month, 90 GBP a year, or 40 EUR once.' }),
  };
  if (Object.keys(wrong).length > 0) return { values: null, wrong };
  const values: TermsValues = {
    viewsAMonth: views === '' ? null : Number(views),
    price,
    licence: draft.licence.trim(),
    ends: draft.ends === '' ? null : draft.ends,
    personalData: draft.personalData === '' ? null : draft.personalData === 'yes',
  };
  return { values, wrong };
}

const isCount = (text: string): boolean =>
  /^\d{1,10}$/.test(text) && Number(text) >= 1 && Number(text) <= mostViews;
