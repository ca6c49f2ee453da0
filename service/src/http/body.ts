import express, { type Request, type Response } from 'express';
import { OrbisError } from '@orbis/contract';
import { depthOf, deepest } from '../json-depth.ts';

const types = ['application/json', 'application/merge-patch+json'];

/**
 * Reads the JSON body of a request, of at most so many bytes. Nothing is unpacked, and nothing is parsed
 * before its size and its depth are known.
 * @throws OrbisError
 */
export async function readBody(request: Request, response: Response, most: number): Promise<unknown> {
  if (!request.is(types))
    throw new OrbisError('unsupported-type', { found: request.get('content-type') ?? null });
  refuseEncodings(request);
  const bytes = await rawBody(request, response, most);
  if (depthOf(bytes) > deepest) throw new OrbisError('too-deep', { most: deepest });
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)) as unknown;
  } catch {
    throw new OrbisError('not-json');
  }
}

/**
 * What a request brings, as it comes.
 * @throws OrbisError `unsupported-type`, `unsupported-encoding`
 */
export function inputOf(request: Request, type: string): AsyncIterable<Uint8Array> {
  if (!request.is(type))
    throw new OrbisError('unsupported-type', { found: request.get('content-type') ?? null, takes: type });
  refuseEncodings(request);
  return request as AsyncIterable<Uint8Array>;
}

function refuseEncodings(request: Request): void {
  const encoding = request.get('content-encoding');
  if (encoding !== undefined && encoding !== 'identity')
    throw new OrbisError('unsupported-encoding', { found: encoding.slice(0, 40) });
}

const rawBody = (request: Request, response: Response, most: number): Promise<Uint8Array> =>
  new Promise((resolve, reject) => {
    express.raw({ limit: most, inflate: false, type: types })(request, response, (error?: unknown) => {
      const type = typeof error === 'object' && error !== null && 'type' in error ? String(error.type) : '';
      if (type === 'entity.too.large') reject(new OrbisError('too-large', { most: sizeInWords(most) }));
      else if (error !== undefined) reject(error instanceof Error ? error : new OrbisError('not-json'));
      else resolve(Buffer.isBuffer(request.body) ? request.body : new Uint8Array());
    });
  });

const sizeInWords = (bytes: number): string =>
  bytes < 1024 * 1024 ? `${Math.round(bytes / 1024)} kB` : `${Math.round(bytes / 1024 / 1024)} MB`;
