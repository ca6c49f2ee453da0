import type { Request, Router } from 'express';

/** A stand-in provider: its hosts, and what people copy from it. */
export interface StandIn {
  id: string;
  name: string;
  /** What answers on each of its hosts. */
  hosts: Record<string, () => Router>;
  /** Codes and links to copy, on the port where it is asked. */
  offers: (origin: (host: string) => string) => { what: string; code: string }[];
}

/** The value of a parameter, where there is one and only one. */
export function asked(request: Request, name: string): string | null {
  const value = request.query[name];
  return typeof value === 'string' && value !== '' ? value : null;
}

/** A number among the parameters, within bounds; the usual one where there is none. */
export function numberIn(request: Request, name: string, usual: number, least: number, most: number): number {
  const value = Number(asked(request, name) ?? NaN);
  return Number.isFinite(value) ? Math.min(most, Math.max(least, value)) : usual;
}

/** A colour among the parameters, as `#rrggbb`. */
export const colourIn = (request: Request, name: string, usual: string): string =>
  /^[0-9a-f]{6}$/i.test(asked(request, name) ?? '') ? `#${asked(request, name)}` : usual;
