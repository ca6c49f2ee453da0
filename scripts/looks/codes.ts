/** Codes of the demo’s providers, to be seen with what is asked of them. */
export type LooksOf = 'film' | 'map' | 'form' | 'post';

/** These codes, with the demo’s providers at this port. */
export const looksCodes = (port: number): Readonly<Record<LooksOf, string>> => ({
  film: `<iframe width="560" height="315" src="http://play.kinorill.localhost:${port}/film/nB4moorNight?from=112" title="A night on the moor" allow="fullscreen"></iframe>`,
  map: `<iframe width="640" height="480" src="http://mapmere.localhost:${port}/embed/map?lat=54.3712&amp;lng=-2.1048&amp;zoom=13" title="Map"></iframe>`,
  form: `<form action="http://formwold.localhost:${port}/letters/x" method="post"><h3>The monthly letter</h3><p><label>Your address <input type="email" name="mail" required></label></p><p><button>Sign up</button></p></form>`,
  post: `<blockquote class="fennfeed-post" cite="http://fennfeed.localhost:${port}/p/88213">\n  <p>First light on the new mirror.</p>\n  <a href="http://fennfeed.localhost:${port}/p/88213">12 November</a>\n</blockquote>\n<script async src="http://fennfeed.localhost:${port}/embed.js"></script>`,
});
