import { Router } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { colourIn, numberIn, wish, type StandIn } from './stand-in.ts';

const host = 'tonebarn.localhost';
const rate = 8000;
const seconds = 40;

/** Forty seconds of slow chords, made here: PCM in a WAV container (RFC 2361). */
export function chords(): Buffer {
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
    const wave = Math.sin((2 * Math.PI * base * i) / rate) + 0.6 * Math.sin((2 * Math.PI * base * 1.5 * i) / rate);
    wav[44 + i] = 128 + Math.round(30 * wave);
  }
  return wav;
}

const sound = chords();

/** Tonebarn: a player for sound. Parameters: begin (seconds), quiet=yes, skin (linen, slate), ink (a colour), keep=no (no download). It never plays by itself: browsers let only silent pictures do that. */
function frames(): Router {
  const router = Router();
  router.get('/sounds/under-the-fell.wav', (request, response) => {
    const range = /^bytes=(\d+)-(\d*)$/.exec(request.get('range') ?? '');
    response.set({ 'Content-Type': 'audio/wav', 'Accept-Ranges': 'bytes' });
    if (!range) return void response.send(sound);
    const [from, to] = [Number(range[1]), range[2] ? Number(range[2]) : sound.length - 1];
    response
      .status(206)
      .set('Content-Range', `bytes ${from}-${to}/${sound.length}`)
      .send(sound.subarray(from, to + 1));
  });
  router.get('/podcast/:show/:episode', (request, response) => {
    const begin = numberIn(request, 'begin', 0, 0, seconds);
    const dark = wish(request, 'skin') === 'slate';
    const [quiet, keep] = [wish(request, 'quiet') === 'yes', wish(request, 'keep') !== 'no'];
    const title = `${request.params.show.replaceAll('-', ' ')}, ${request.params.episode}`;
    response.send(
      htmlPage({
        title,
        style: '',
        head: `<style>body{margin:0;padding:14px 18px;font:16px sans-serif;background:${dark ? '#232a27' : '#f5f1e8'};color:${dark ? '#f5f1e8' : '#232a27'};border-left:8px solid ${colourIn(request, 'ink', '#2f6145')}}p{margin:0 0 10px;text-transform:capitalize}audio{width:100%}</style>\n`,
        body: `<p>${escapeHtml(title)}</p><audio controls src="/sounds/under-the-fell.wav"${keep ? '' : ' controlslist="nodownload"'}${quiet ? ' muted' : ''} preload="auto"></audio>${keep ? '<a href="/sounds/under-the-fell.wav" download>Take it along</a>' : ''}
<script>const a = document.querySelector('audio'); a.addEventListener('loadedmetadata', () => { a.currentTime = ${begin}; });</script>`,
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
      code: `<iframe src="${origin(host)}/podcast/under-the-fell/17" width="100%" height="152" allow="autoplay" title="Podcast: Under the Fell" loading="lazy"></iframe>`,
    },
  ],
};
