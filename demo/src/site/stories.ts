import { htmlPage } from '../html.ts';
import { hosts } from '../hosts.ts';
import { demoCodes, onPort } from '../codes.ts';

const codeOf = (kind: string): string => demoCodes.find((code) => code.kind === kind)!.text;
/* The place of a code, without the script that it brings: as on pages where the script was pasted
   elsewhere. */
const placeOf = (kind: string): string => codeOf(kind).replace(/\n?<script[\s\S]*?<\/script>\n?/g, '');

/**
 * A page that was written by hand years ago, with codes pasted into it by whoever was there: what a register
 * knows nothing of, until it is harvested. One script is loaded twice, one code has lost its own.
 */
export const twelveWinters = (port: number): string => onPort(whole(port), port);

const whole = (port: number): string =>
  htmlPage({
    title: 'Twelve winters on the moor · Hollin Fell Observatory',
    style: '/site/site.css',
    body: `<header><p class="brand">Hollin Fell<span>Observatory</span></p><nav><a href="/">Home</a></nav></header>
<main>
<h1>Twelve winters on the moor</h1>
<p class="lead">It began with a shed, a borrowed mirror and a road that was closed more often than not.</p>
<section>
<h2>The road</h2>
<p>This is how one finds us, when one does.</p>
${codeOf('map')}
</section>
<section>
<h2>The first talk</h2>
<p>Few came; those who did stayed till dawn.</p>
<div style="position:relative;padding-bottom:56.25%;height:0"><iframe src="http://${hosts.kinorillPlayer}:${port}/film/rG5rings?knobs=1" style="position:absolute;inset:0;width:100%;height:100%" title="The first talk: rings and what is between them" allow="fullscreen"></iframe></div>
<p>And this is what was said of it:</p>
${codeOf('feed')}
<h3>What else was said</h3>
${codeOf('feed').replaceAll('88213', '88307').replace('First light on the new mirror.', 'Clouds, again.')}
</section>
<section>
<h2>Come in winter</h2>
<p>Nights are long, and the kettle is on.</p>
${codeOf('booking')}
${placeOf('popup')}
</section>
<section>
<h2>The dome</h2>
<p>It took eleven of the winters. This is the first time that it opened.</p>
<video src="/files/dome-opens.webm" controls width="640" height="360"><a href="/files/dome-opens.webm">The dome opens</a></video>
</section>
</main>
<footer>Visitors so far: ${codeOf('counter')}</footer>`,
  });
