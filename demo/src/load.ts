import { starterStyle } from '@orbis/core';
import { ApiError, follow, outcomeOf, type Client, type Sweep, type Widths } from '@orbis/contract';
import { demoCodes, onPort } from './codes.ts';
import { hosts } from './hosts.ts';
import { loadFriends } from './load-friends.ts';
import { loadTerms } from './load-terms.ts';
import { loopbackFetch } from './loopback.ts';
import { pages } from './site/content.ts';

const fetch = loopbackFetch();
const column: Widths = { phone: 358, tablet: 704, desktop: 728 };

/** What the demo is loaded into, and where its sites answer. */
interface Stage {
  client: Client;
  port: number;
  site: string;
}

/**
 * Loads the demo's data through the service's interface and the site editor's own, as an owner would:
 * collects, places, pastes what Orbis says, publishes, sweeps. One placement is left with an older code, one
 * is not pasted yet.
 * @param options.sendsMail whether Orbis has a mail server, by which news goes to the observatory.
 */
export async function loadDemo(
  client: Client,
  port: number,
  { sendsMail = false }: { sendsMail?: boolean } = {},
): Promise<void> {
  const stage: Stage = { client, port, site: `http://${hosts.hollinfell}:${port}` };
  await addSite(stage);
  await keepColours(stage);
  await collectCodes(stage);
  await collectLinks(stage);
  await collectReels(stage);
  await placeAndPublish(stage);
  await moveOn(stage);
  await loadFriends(client, port);
  await loadTerms(client);
  await client.call('savedSearches.save', {
    params: { search: 'To renew at the observatory' },
    ifNoneMatch: '*',
    body: { where: 'state=out-of-date site=hollinfell' },
  });
  await addChannels(client, sendsMail);
  await sweepAll(client);
}

/**
 * Looks at a page of the demo with a browser; where there is none, or it does not work, the demo has no
 * pictures of its pages.
 */
export async function lookAtDemo(client: Client): Promise<void> {
  const call = { params: { page: 'hollinfell/talks' }, body: {} };
  await outcomeOf(await client.open('looks.take', call), () => undefined, 'broken off').catch(
    (error: unknown) => {
      if (!(error instanceof ApiError && error.code.startsWith('browser-'))) throw error;
    },
  );
}

/**
 * Has everything of the observatory checked once, without a browser: what comes of the next check is held
 * against how it is now.
 */
export async function inspectDemo(client: Client): Promise<void> {
  const body = { site: 'hollinfell', looks: 0 };
  const { data } = await client.call('inspections.create', { body });
  const params = { inspection: data.id };
  for await (const { endedAt } of follow(client, 'inspections.events', { params }, isOver))
    if (endedAt !== null) return;
}

const isOver = ({ endedAt }: { endedAt: string | null }): boolean => endedAt !== null;

/* How the observatory hears of what is found: in its feed reader, and by mail. */
async function addChannels(client: Client, sendsMail: boolean): Promise<void> {
  await client.call('channels.create', {
    body: { kind: 'feed', name: 'The office’s reader', level: 'note' },
  });
  if (sendsMail)
    await client.call('channels.create', {
      body: { kind: 'mail', name: 'To the office', to: 'office@hollinfell.example', level: 'warning' },
    });
}

async function addSite({ client, site }: Stage): Promise<void> {
  await client.call('sites.create', {
    body: { key: 'hollinfell', name: 'Hollin Fell Observatory', address: site },
  });
  for (const page of pages) {
    await client.call('pages.create', {
      body: { key: `hollinfell/${page.path}`, title: page.path === '' ? 'Home' : page.title },
    });
    for (const [i, { spot }] of page.sections.entries())
      await client.call('spots.create', {
        body: {
          key: `hollinfell/${page.path}#${spot}`,
          widths: column,
          selector: `main > section:nth-of-type(${i + 1}) > .spot`,
        },
      });
  }
}

/* As an owner does it: what the site's own pages say, kept with the site, and a style made of it. */
async function keepColours({ client }: Stage): Promise<void> {
  const params = { site: 'hollinfell' };
  const { data } = await client.call('sites.colours', { params, body: {} });
  const colours = data.colours.map(({ colour }) => colour);
  const { etag } = await client.call('sites.read', { params });
  await client.call('sites.change', {
    params,
    ifMatch: etag ?? '',
    body: {
      colours,
      frameStyle: starterStyle({ colours, font: data.font }),
      schedule: { every: 'day', at: '03:00', zone: 'Europe/London' },
    },
  });
}

async function collectCodes({ client, port }: Stage): Promise<void> {
  for (const { name, tags, text, notes = '', mend = false, options = {} } of demoCodes)
    await client.call('embeds.create', {
      body: { name, tags, text: onPort(text, port), notes, mend, options },
    });
  await client.call('embeds.create', {
    body: {
      name: 'Newsletter form',
      tags: ['newsletter'],
      notes: 'The monthly letter. The hidden field catches robots.',
      text: `<form class="fw-form" action="http://${hosts.formwold}:${port}/letters/hf-monthly" method="post">\n  <p><label>Your address <input type="email" name="mail" required></label></p>\n  <p style="display:none"><label>Leave this empty <input name="hf_trap"></label></p>\n  <p><button>Sign up</button></p>\n</form>\n`,
    },
  });
  await client.call('embeds.create', {
    body: {
      name: 'What a comet leaves behind',
      tags: ['talks'],
      text: `http://${hosts.kinorill}:${port}/films/cM7comet`,
      options: { 'start': 41, 'fit': 'shape', 'max-width': 640, 'max-width.tablet': 480, 'align': 'centre' },
    },
  });
}

/* Of these only a number, a link with a time, and a file on the site itself are known. */
async function collectLinks({ client, port, site }: Stage): Promise<void> {
  await client.call('embeds.create', {
    body: {
      name: 'Festival stall',
      tags: ['shop', 'festival'],
      text: 'stallmere:512',
      options: { count: 3, button: 'I want this' },
    },
  });
  await client.call('embeds.create', {
    body: {
      name: 'Rings, from the first minute',
      tags: ['talks'],
      text: `http://${hosts.kinorill}:${port}/k/rG5rings?at=1m5s`,
      ask: true,
    },
  });
  for (const [name, address, options] of [
    [
      'The tarn',
      `http://mapmere.localhost:${port}/maps/tarn`,
      { 'load': 'click', 'fit': 'shape', 'max-width': 720, 'caption': 'The tarn below the observatory' },
    ],
    ['Under the Fell, 16', `http://tonebarn.localhost:${port}/hear/16`, { fit: 'content' }],
    [
      'Chart for winter',
      `http://folioferry.localhost:${port}/charts/winter.pdf`,
      { heading: 'What the sky shows this winter', fallback: true, corners: 8 },
    ],
    // Nobody knows this provider: its pages say themselves who answers about them.
    ['How dark is dark?', `http://gladewick.localhost:${port}/decks/how-dark-is-dark`, {}],
    ['Why our torches are red', `http://gladewick.localhost:${port}/decks/red-torches`, {}],
  ] as const)
    await client.call('embeds.create', {
      body: { name, tags: ['by link'], text: address, ask: true, options },
    });
  await client.call('embeds.create', {
    body: {
      name: 'The dome opens',
      tags: ['background'],
      text: `${site}/files/dome-opens.webm`,
      ask: true,
      options: { start: 12, end: 20, autoplay: true, loop: true, controls: false },
    },
  });
}

async function collectReels({ client, port }: Stage): Promise<void> {
  const player = `http://${hosts.kinorillPlayer}:${port}/film`;
  const frame = (id: string, title: string): string =>
    `<iframe width="560" height="315" src="${player}/${id}?knobs=1" title="${title}" allow="fullscreen" allowfullscreen></iframe>`;

  await client.call('embeds.create', {
    body: {
      name: 'How to find north',
      tags: ['talks', 'festival'],
      text: frame('fN2north', 'How to find north without a compass'),
      options: { start: 12, fit: 'shape', align: 'centre' },
    },
  });
  await client.call('embeds.create', {
    body: {
      name: 'Turning sky',
      tags: ['background'],
      text: frame('tS9turning', 'The turning sky'),
      options: { autoplay: true, loop: true, controls: false, fit: 'shape' },
    },
  });
  await client.call('embeds.create', {
    body: {
      name: 'Opening talk',
      tags: ['talks', 'festival'],
      notes: 'The minute about why the dark is worth keeping.',
      text: frame('nB4moorNight', 'Opening talk: a night on the moor'),
      options: { 'start': 112, 'end': 184, 'fit': 'shape', 'max-width': 720, 'align': 'centre' },
    },
  });
}

async function placeAndPublish(stage: Stage): Promise<void> {
  const { client } = stage;
  const place = async (
    embed: string,
    path: string,
    spot: string,
    options: Record<string, number | string> = {},
    beside = '',
  ): Promise<() => Promise<void>> => {
    const { data } = await client.call('placements.create', {
      body: { embed, place: `hollinfell/${path}#${spot}`, options },
    });
    return async () => {
      const { data: delivery } = await client.call('deliveries.create', { params: { placement: data.id } });
      await edit(stage, 'PUT', 'spots', { page: path, spot, code: `${delivery.text}${beside}` });
    };
  };
  const toPaste = [
    await place('turning-sky', '', 'sky'),
    await place('opening-talk', 'talks', 'opening'),
    await place('how-to-find-north', 'talks', 'north'),
    await place('newsletter-form', 'newsletter', 'form', {
      'frame': 'enclosed',
      'answer': 'words',
      'answer-words': 'Thank you. The letter comes when the moon is new.',
    }),
    // Narrower there than on the home page.
    await place(
      'turning-sky',
      'live',
      'camera',
      { 'max-width': 640, 'align': 'centre' },
      `\n${untold(stage.port)}`,
    ),
  ];
  await place('what-a-comet-leaves-behind', 'talks', 'comet'); // placed, but not pasted: the owner's next step
  for (const paste of toPaste) await paste();
  await fillFooter(stage);
  for (const page of pages) await edit(stage, 'POST', 'publish', { page: page.path });
}

/* What somebody has put onto the page beside the camera, and told nobody. */
const untold = (port: number): string =>
  `<iframe width="560" height="315" src="http://${hosts.kinorillPlayer}:${port}/film/cM7comet?knobs=1" title="The comet of the autumn" allow="fullscreen"></iframe>`;

/* The footer of every page is pasted once, and all of them show it. */
async function fillFooter(stage: Stage): Promise<void> {
  const { client } = stage;
  const key = 'hollinfell/{footer}';
  await client.call('pages.create', { body: { key, title: 'Footer' } });
  await client.call('spots.create', {
    body: { key: `${key}#main`, widths: column, selector: 'footer > .spot' },
  });
  const { data } = await client.call('placements.create', {
    body: { embed: 'visit-counter', place: `${key}#main` },
  });
  const { data: delivery } = await client.call('deliveries.create', { params: { placement: data.id } });
  await edit(stage, 'PUT', 'footer', { code: delivery.text });
}

/* The site's own editor. */
async function edit({ site }: Stage, method: string, path: string, body: object): Promise<void> {
  const answer = await fetch(`${site}/edit/api/${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`the site's editor answered ${answer.status}`);
}

/* What happened since: a clip was cut, and an old page was harvested. */
async function moveOn({ client, site }: Stage): Promise<void> {
  // The clip is cut after its code was pasted, so the page carries the older one.
  const north = await client.call('embeds.read', { params: { embed: 'how-to-find-north' } });
  await client.call('revisions.create', {
    params: { embed: 'how-to-find-north' },
    ifMatch: north.etag!,
    body: { options: { ...north.data.current.options, start: 12, end: 140 } },
  });
  // An old page that nobody registered: what is on it was found, and one of it was taken.
  const { data: harvest } = await client.call('harvests.create', {
    body: { address: `${site}/stories/twelve-winters` },
  });
  const talk = harvest.items.find((item) => item.kind === 'video')!;
  await client.call('harvests.take', {
    params: { harvest: harvest.id },
    body: { items: [{ number: talk.number, name: 'The first talk' }], tags: ['talks', 'stories'] },
  });
}

/** Sweeps everything, and waits for the end. */
export async function sweepAll(client: Client, what: { site?: string; page?: string } = {}): Promise<Sweep> {
  const { data } = await client.call('sweeps.create', { body: what });
  for (;;) {
    const { data: now } = await client.call('sweeps.read', { params: { sweep: data.id } });
    if (now.endedAt !== null) return now;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
