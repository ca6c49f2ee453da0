import { notUnderstood, type Parsed } from '../values.ts';
import type { Limits, OptionType } from './type.ts';

type NumberLimits = Required<Pick<Limits, 'least' | 'most'>> & Pick<Limits, 'whole' | 'unit'>;

/** A number between two others. People may write its unit behind it: `13`, `1.5`, `50 %`, `640px`. */
export const numberType = (limits: NumberLimits): OptionType<number> => ({
  name: 'number',
  limits,
  parse: (text) => parseNumber(text, limits),
  format: (value) => (limits.unit === '%' ? `${value}%` : String(value)),
});

function parseNumber(text: string, { least, most, whole = false }: NumberLimits): Parsed<number> {
  const said = text.trim().replace(/\s?(?:%|px)$/i, '');
  const value = /^-?\d{1,9}(?:\.\d{1,6})?$/.test(said) ? Number(said) : NaN;
  const fits = value >= least && value <= most && (!whole || Number.isInteger(value));
  return fits ? { ok: true, value } : notUnderstood('number', { least, most, whole });
}
