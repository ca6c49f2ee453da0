import { createClient, type Client } from '@orbis/contract';

/** A browser as the service sees it: it keeps its cookies. */
export interface BrowserSession {
  client: Client;
  cookies: Map<string, string>;
}

export function browserSession(url: string): BrowserSession {
  const cookies = new Map<string, string>();
  const keeping: typeof fetch = async (address, init) => {
    const headers = new Headers(init?.headers);
    if (cookies.size > 0) headers.set('cookie', [...cookies].map((pair) => pair.join('=')).join('; '));
    const answer = await fetch(address, { ...init, headers });
    for (const line of answer.headers.getSetCookie()) {
      const [, name, value] = /^([^=]+)=([^;]*)/.exec(line)!;
      if (value === '') cookies.delete(name!);
      else cookies.set(name!, value!);
    }
    return answer;
  };
  return { client: createClient({ url, fetch: keeping }), cookies };
}
