import { Router } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { originFor } from '../hosts.ts';
import { discovery, oembed } from './oembed.ts';
import { colourIn, numberIn, asked, type StandIn } from './stand-in.ts';

const host = 'tonebarn.localhost';
const rate = 8000;
const seconds = 40;

function playChords(): Buffer {
  const samples = rate * seconds;
  const wav = Buffer.alloc(44 + samples);
  wav.write('RIFF', 0);
  wav.writeUInt32LE(36 + samples, 4);
  wav.write('WAVEfmt ', 8);
  wav.writeUInt32LE(16, 16);
  wav.writeUInt16LE(1, 20);
  wav.writeUInt16LE(1, 22);
  wav.writeUInt32LE(rate, 24);
  wav.writeUInt32LE(rate, 28);
  wav.writeUInt16LE(1, 32);
  wav.writeUInt16LE(8, 34);
  wav.write('data', 36);
  wav.writeUInt32LE(samples, 40);
  const tones = [196, 247, 294, 220];
  for (let i = 0; i < samples; i++) {
    const base = tones[Math.floor(i / rate / 4) % tones.length]!;
    const wave =
      Math.sin((2 * Math.PI * base * i) / rate) + 0.6 * Math.sin((2 * Math.PI * base * 1.5 * i) / rate);
    wav[44 + i] = 128 + Math.round(30 * wave);
  }
  return wav;
}

/** Forty seconds of slow chords, made here: PCM in a WAV container (RFC 2361). */
export const chords = playChords();

/**
 * Tonebarn: a player for sound. Parameters: begin (seconds), quiet=yes, ink (a colour), keep=no (no
 * download); steps of the path: the show, and skin-slate. It never plays by itself: browsers let only silent
 * pictures do that. It tells the page around it where it is, and how high it is.
 */
function frames(): Router {
  const router = Router();
  router.get('/sounds/under-the-fell.wav', (request, response) => {
    const range = /^bytes=(\d+)-(\d*)$/.exec(request.get('range') ?? '');
    response.set({ 'Content-Type': 'audio/wav', 'Accept-Ranges': 'bytes' });
    if (!range) return void response.send(chords);
    const [from, to] = [Number(range[1]), range[2] ? Number(range[2]) : chords.length - 1];
    response
      .status(206)
      .set('Content-Range', `bytes ${from}-${to}/${chords.length}`)
      .send(chords.subarray(from, to + 1));
  });
  router.get('/hear/:episode', (request, response) => {
    const { episode } = request.params;
    const [origin, title] = [originFor(request, host), `Under the Fell, ${episode}`];
    response.send(
      htmlPage({
        title,
        style: '',
        head: discovery(`${origin}/oembed`, `${origin}/hear/${encodeURIComponent(episode)}`, ['json']),
        body: `<h1>${escapeHtml(title)}</h1><iframe src="/podcast/under-the-fell/${encodeURIComponent(episode)}" width="600" height="176" title="${escapeHtml(title)}"></iframe>`,
      }),
    );
  });
  router.get(
    '/oembed',
    oembed(['json'], (link, request) => {
      const episode = link.hostname === host ? /^\/hear\/(\d+)$/.exec(link.pathname)?.[1] : undefined;
      if (episode === undefined) return null;
      const title = `Under the Fell, ${episode}`;
      const html = `<iframe src="${originFor(request, host)}/podcast/under-the-fell/${episode}" width="600" height="176" title="${title}" loading="lazy"></iframe>`;
      return {
        type: 'rich',
        title,
        author_name: 'Hollin Fell Observatory',
        provider_name: 'Tonebarn',
        html,
        width: 600,
        height: 176,
        cache_age: 86_400,
      };
    }),
  );
  router.get('/podcast/:show/:episode{/skin-:skin}', (request, response) => {
    const begin = numberIn(request, 'begin', 0, 0, seconds);
    const dark = request.params.skin === 'slate';
    const [quiet, keep] = [asked(request, 'quiet') === 'yes', asked(request, 'keep') !== 'no'];
    const title = `${request.params.show.replaceAll('-', ' ')}, ${request.params.episode}`;
    response.send(
      htmlPage({
        title,
        style: '',
        head: `<style>body{margin:0;padding:14px 18px;font:16px sans-serif;background:${dark ? '#232a27' : '#f5f1e8'};color:${dark ? '#f5f1e8' : '#232a27'};border-left:8px solid ${colourIn(request, 'ink', '#2f6145')}}p{margin:0 0 10px;text-transform:capitalize}audio{width:100%}</style>\n`,
        body: `<p>${escapeHtml(title)}</p><audio controls src="/sounds/under-the-fell.wav"${keep ? '' : ' controlslist="nodownload"'}${quiet ? ' muted' : ''} preload="auto"></audio>${keep ? '<a href="/sounds/under-the-fell.wav" download>Take it along</a>' : ''}
<script>const a = document.querySelector('audio'); a.addEventListener('loadedmetadata', () => { a.currentTime = ${begin}; }); for (const name of ['timeupdate', 'seeked', 'pause']) a.addEventListener(name, () => parent.postMessage({ tonebarn: { heard: a.currentTime * 1000 } }, '*')); const high = () => parent.postMessage({ tonebarn: { tall: document.body.offsetHeight } }, '*'); new ResizeObserver(high).observe(document.body);</script>`,
      }),
    );
  });
  return router;
}

export const tonebarn: StandIn = {
  id: 'tonebarn',
  name: 'Tonebarn',
  hosts: { [host]: frames },
  offers: (origin) => [
    {
      what: 'Under the Fell, 17',
      code: `<iframe src="${origin(host)}/podcast/under-the-fell/17" width="100%" height="176" allow="autoplay" title="Podcast: Under the Fell" loading="lazy"></iframe>`,
    },
    { what: 'A link to episode 16', code: `${origin(host)}/hear/16` },
  ],
};
