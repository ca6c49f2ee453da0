import { escapeHtml, htmlPage } from '../html.ts';
import { scriptHost } from './serve-script.ts';
import type { StandIn } from './stand-in.ts';

const host = 'fennfeed.localhost';

const account = (name: string): string =>
  htmlPage({
    title: name,
    style: '',
    body: `<h1>${escapeHtml(name)}</h1><div class="fennfeed-stream" data-of="${escapeHtml(name)}" data-show="12"></div><script async src="/embed.js"></script>`,
  });

/**
 * Fennfeed: posts and pictures. Attributes of its elements: data-of (an account), data-show (how
 * many), data-tone=dark, data-rim (a colour), data-lay=tall or wide, data-gap (a length),
 * data-about (words, joined by commas).
 */
export const fennfeed: StandIn = {
  id: 'fennfeed',
  name: 'Fennfeed',
  hosts: {
    [host]: () =>
      scriptHost('/embed.js', 'fennfeed.js').get(
        '/of/:account',
        (request, response) => void response.send(account(request.params.account)),
      ),
  },
  offers: (origin) => [
    {
      what: 'One post',
      code: `<blockquote class="fennfeed-post" cite="${origin(host)}/p/88213">\n  <p>First light on the new mirror.</p>\n  <a href="${origin(host)}/p/88213">12 November</a>\n</blockquote>\n<script async src="${origin(host)}/embed.js"></script>`,
    },
    {
      what: 'The newest of an account',
      code: `<div class="fennfeed-stream" data-of="hollinfell" data-show="3"></div>\n<script async src="${origin(host)}/embed.js"></script>`,
    },
    { what: 'A link to an account', code: `${origin(host)}/of/darkskyweek` },
  ],
};
