import { request } from 'node:http';

export interface Got {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  body: string;
}

/** Asks for an address on loopback by the name of its host, or by another name where the headers give one. */
export const get = (
  address: string,
  { method = 'GET', headers = {} }: { method?: string; headers?: Record<string, string> } = {},
): Promise<Got> =>
  new Promise((resolve, reject) => {
    const { host, port, pathname, search } = new URL(address);
    request(
      { host: '127.0.0.1', port, path: pathname + search, method, headers: { host, ...headers } },
      (response) => {
        let body = '';
        response.on('data', (chunk: Buffer) => void (body += chunk.toString()));
        response.on('end', () => resolve({ status: response.statusCode!, headers: response.headers, body }));
      },
    )
      .on('error', reject)
      .end();
  });
