/**
 * In how many seconds a host that is too busy may be asked again (RFC 9110, section 10.2.3): a number of
 * seconds, or a date.
 * @returns null where it says nothing that can be understood.
 */
export function retryAfter(value: string | null, now: Date): number | null {
  if (value === null) return null;
  if (/^\d{1,9}$/.test(value)) return Number(value);
  const at = Date.parse(value);
  return Number.isNaN(at) ? null : Math.max(0, Math.ceil((at - now.getTime()) / 1000));
}
