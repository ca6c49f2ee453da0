import type { Price, PricePeriod } from './terms.ts';

/* “12.50 EUR a month”, “EUR 12.50/month”, “90 GBP once”. */
const forms = [
  /^(?<amount>\d{1,9}(?:[.,]\d{1,2})?) ?(?<currency>[a-z]{3}) ?(?:an? |per |every |\/ ?)?(?<every>month|year|once)$/i,
  /^(?<currency>[a-z]{3}) ?(?<amount>\d{1,9}(?:[.,]\d{1,2})?) ?(?:an? |per |every |\/ ?)?(?<every>month|year|once)$/i,
];

/** A price as people type it; null where it is none. */
export function parsePrice(text: string): Price | null {
  const words = text.trim().replaceAll(/\s+/g, ' ');
  const found = forms.map((form) => form.exec(words)?.groups).find((groups) => groups !== undefined);
  if (!found) return null;
  const code = found['currency']!.toUpperCase();
  if (!isCurrency(code)) return null;
  return {
    amount: Number(found['amount']!.replace(',', '.')),
    currency: code,
    every: found['every']!.toLowerCase() as PricePeriod,
  };
}

/** Whether three capital letters name a currency (ISO 4217). */
export const isCurrency = (code: string): boolean => currencies.has(code);

const currencies = new Set(Intl.supportedValuesOf('currency'));
