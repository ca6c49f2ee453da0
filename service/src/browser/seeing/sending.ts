import type { Page, Request } from 'playwright-core';
import { z } from 'zod';
import type { SeenBox } from '@orbis/core';
import { framesOn, isInBox, isWithin } from './attribute.ts';
import { untilQuiet } from '../show.ts';
import type { Watched } from './watching.ts';

/** What became of a form that was filled in and sent. */
export interface SentForm {
  /** Whether anything was sent; it went to a stand-in, and to nobody else. */
  isSent: boolean;
  host: string | null;
  method: string | null;
  /** What its fields are called, in the order in which they were sent. */
  fields: string[];
}

/* So many fields are named. */
const mostFields = 50;

/*
 * Fills in what a visitor would have to, and presses the button of the form. What it sends is answered by a
 * stand-in: nothing that is asked for from then on leaves the browser.
 */
const fillIn = (box: SeenBox | null): string => `(() => {
  const form = [...document.forms].find(${isInBox(box)});
  if (!form) return null;
  const values = { email: 'nobody@example.org', tel: '0000', url: 'https://example.org/', number: '1',
    date: '2020-01-01', time: '12:00', month: '2020-01', week: '2020-W01', color: '#000000', range: '1' };
  for (const field of form.elements) {
    if (!field.willValidate || field.getClientRects().length === 0) continue;
    if (field.type === 'checkbox' || field.type === 'radio') field.checked ||= field.required;
    else if (field.localName === 'select') field.selectedIndex = Math.max(field.selectedIndex, field.options.length - 1);
    else if (field.localName === 'input' || field.localName === 'textarea') field.value ||= values[field.type] ?? 'Orbis';
    field.dispatchEvent(new Event('input', { bubbles: true }));
    field.dispatchEvent(new Event('change', { bubbles: true }));
  }
  form.requestSubmit(form.querySelector('button:not([type=button]):not([type=reset]),input[type=submit]') ?? undefined);
  return true;
})()`;

/**
 * Fills in and sends the form that stands in a box. The page is of no use behind that.
 * @returns null where there is none.
 */
export async function sendIn(page: Page, watched: Watched, box: SeenBox): Promise<SentForm | null> {
  const sent: Request[] = [];
  await page.context().route('**/*', (route) => {
    sent.push(route.request());
    return route.fulfill({
      contentType: 'text/html; charset=utf-8',
      headers: { 'access-control-allow-origin': '*' },
      body: '<!doctype html><title>Sent</title><p>Nothing was sent: this is a stand-in.</p>',
    });
  });
  const frames = (await framesOn(page, watched))
    .filter((each) => isWithin(each.box, box))
    .map(({ frame }) => frame);
  for (const frame of [page.mainFrame(), ...frames]) {
    const expression = fillIn(frame === page.mainFrame() ? box : null);
    let found: unknown = null;
    await untilQuiet(page, async () => {
      found = await frame.evaluate(expression).catch(() => null);
    });
    if (found === true) return sentBy(sent);
  }
  return null;
}

/* What was sent, before what came of it was asked for. */
function sentBy(requests: readonly Request[]): SentForm {
  const [first] = [...requests.filter((each) => each.method() === 'POST'), ...requests];
  if (!first) return { isSent: false, host: null, method: null, fields: [] };
  const url = new URL(first.url());
  const names = [...namesIn(first), ...url.searchParams.keys()];
  return {
    isSent: true,
    host: url.host,
    method: first.method(),
    fields: [...new Set(names)].slice(0, mostFields).map((name) => name.slice(0, 60)),
  };
}

/* Of a form as it is sent without files, with files, or as JSON (HTML, section 4.10.21.6). */
function namesIn(request: Request): string[] {
  const body = request.postData() ?? '';
  const type = request.headers()['content-type'] ?? '';
  if (type.startsWith('multipart/form-data'))
    return [...body.matchAll(/\bname="([^"]{1,100})"/g)].map(([, name]) => name!);
  if (type.startsWith('application/json')) {
    const said = z.record(z.string(), z.unknown()).safeParse(parsed(body));
    return said.success ? Object.keys(said.data) : [];
  }
  return [...new URLSearchParams(body).keys()];
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
