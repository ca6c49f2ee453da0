import { Router } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { colourIn, asked, type StandIn } from './stand-in.ts';

const host = 'nodthorn.localhost';
const words: Record<string, string> = { en: 'Pass it on', de: 'Weitersagen', fr: 'Faire passer' };

/**
 * Nodthorn: a button that passes a page on. Parameters: url (the page), words (a language),
 * glow (a colour), at=night.
 */
function frames(): Router {
  return Router().get('/share', (request, response) => {
    const target = asked(request, 'url') ?? '';
    const night = asked(request, 'at') === 'night';
    response.send(
      htmlPage({
        title: 'Nodthorn',
        style: '',
        head: `<style>body{margin:0;background:${night ? '#171b19' : 'transparent'}}a{display:inline-block;font:600 14px/28px sans-serif;padding:0 12px;border-radius:14px;text-decoration:none;color:#fff;background:${colourIn(request, 'glow', '#3c5a70')}}</style>\n`,
        body: `<a href="mailto:?body=${escapeHtml(encodeURIComponent(target))}" target="_blank" data-page="${escapeHtml(target)}">${escapeHtml(words[asked(request, 'words') ?? 'en'] ?? words['en']!)}</a>`,
      }),
    );
  });
}

export const nodthorn: StandIn = {
  id: 'nodthorn',
  name: 'Nodthorn',
  hosts: { [host]: frames },
  offers: (origin) => [
    {
      what: 'A button for the festival',
      code: `<iframe src="${origin(host)}/share?url=https%3A%2F%2Fdarkskyweek.localhost%2F%3Ffrom%3Dbutton" width="132" height="36" title="Share this page" frameborder="0" scrolling="no"></iframe>`,
    },
  ],
};
