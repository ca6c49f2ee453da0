/** What something costs: so much, once or again and again. */
export interface Price {
  /** In the currency’s own unit, with at most two decimals: `12.5`. */
  amount: number;
  /** As ISO 4217 has it: `EUR`. */
  currency: string;
  every: PricePeriod;
}

/** How often a price is paid. */
export const pricePeriods = ['month', 'year', 'once'] as const;
export type PricePeriod = (typeof pricePeriods)[number];

/** What an owner has agreed upon for an embed or with a provider, as the owner wrote it down. */
export interface Terms {
  /** How many views a month the plan has; null where none is said. */
  viewsAMonth: number | null;
  price: Price | null;
  /** Under what the content may be shown; empty where nothing is said. */
  licence: string;
  /** The last day of the contract, as `YYYY-MM-DD`; null where it does not end. */
  ends: string | null;
  /** Whether it may process personal data; null where that is not said. */
  personalData: boolean | null;
}

/** What is said where nobody has written anything down. */
export const noTerms: Terms = {
  viewsAMonth: null,
  price: null,
  licence: '',
  ends: null,
  personalData: null,
};

/** Whether nothing is said at all. */
export const isUnsaid = (terms: Terms): boolean =>
  terms.viewsAMonth === null &&
  terms.price === null &&
  terms.licence === '' &&
  terms.ends === null &&
  terms.personalData === null;
