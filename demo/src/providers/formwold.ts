import { Router, urlencoded } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { ownersPage, scriptHost } from './serve-script.ts';
import type { StandIn } from './stand-in.ts';

const host = 'formwold.localhost';

/**
 * Formwold: sign-up forms, as a form or as an element that its script fills. Attributes of the
 * element: data-letter, data-mail, data-speak, data-press (a colour), data-word (of the button),
 * data-then (a page afterwards).
 */
function forms(): Router {
  const router = scriptHost('/form.js', 'formwold.js');
  router.use(ownersPage('/letters/:letter/sent', 'Letter', 'Who has signed up for it.'));
  router.post('/letters/:letter', urlencoded({ extended: false }), (request, response) => {
    const { hf_trap: trap, then } = request.body as Record<string, string>;
    const trapped = Boolean(trap);
    const body = trapped
      ? '<h1>Refused</h1><p>Somebody filled in a field that people do not see.</p>'
      : '<h1>Thank you</h1><p>The letter comes when the moon is new.</p>' +
        (then ? `<p><a href="${escapeHtml(then)}">Go on</a></p>` : '');
    response.status(trapped ? 422 : 200).send(htmlPage({ title: 'Formwold', style: '', body }));
  });
  return router;
}

export const formwold: StandIn = {
  id: 'formwold',
  name: 'Formwold',
  hosts: { [host]: forms },
  offers: (origin) => [
    {
      what: 'The monthly letter, as an element',
      code: `<div class="formwold-letter" data-letter="hf-monthly"></div>\n<script async src="${origin(host)}/form.js"></script>`,
    },
    {
      what: 'The monthly letter, as a form',
      code: `<form class="fw-form" action="${origin(host)}/letters/hf-monthly" method="post">\n  <p><label>Your address <input type="email" name="mail" required></label></p>\n  <p style="display:none"><label>Leave this empty <input name="hf_trap"></label></p>\n  <p><button>Sign up</button></p>\n</form>`,
    },
  ],
};
