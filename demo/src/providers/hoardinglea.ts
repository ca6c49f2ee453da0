import { Router } from 'express';
import { htmlPage } from '../html.ts';
import { asked, type StandIn } from './stand-in.ts';

const host = 'hoardinglea.localhost';

/** Hoardinglea: adverts of fixed sizes. Parameters: backdrop (pale, deep), speech (a language). */
function frames(): Router {
  return Router().get('/slot/:slot', (request, response) => {
    const deep = asked(request, 'backdrop') === 'deep';
    const german = asked(request, 'speech') === 'de';
    response.send(
      htmlPage({
        title: 'Advert',
        style: '',
        head: `<style>body{margin:0;height:100vh;display:grid;place-content:center;gap:8px;text-align:center;font:16px sans-serif;background:${deep ? '#452947' : '#ead0e8'};color:${deep ? '#fffdf8' : '#241b25'}}small{opacity:.7}</style>\n`,
        body: `<strong>${german ? 'Wollmützen aus dem Moor' : 'Wool hats from the moor'}</strong><a href="/" target="_blank" style="color:inherit">${german ? 'Ansehen' : 'Have a look'}</a><small>${german ? 'Anzeige' : 'Advert'} · ${request.params.slot.replace(/[^\w-]/g, '')}</small>`,
      }),
    );
  });
}

export const hoardinglea: StandIn = {
  id: 'hoardinglea',
  name: 'Hoardinglea',
  hosts: { [host]: frames },
  offers: (origin) => [
    {
      what: 'Beside the programme',
      code: `<iframe src="${origin(host)}/slot/festival-side" width="300" height="250" title="Advert" sandbox="allow-scripts allow-popups"></iframe>`,
    },
  ],
};
