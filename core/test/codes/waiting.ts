import type { CodeCase } from './case.ts';

/** Codes that wait for consent or for a script. */
export const waiting: CodeCase[] = [
  {
    code: '<script type="text/plain" data-category="marketing" src="https://cdn.wellbrook.example/x.js"></script><div class="wb-feed" data-id="8"></div>',
    roles: ['loader', 'mount'],
    kind: 'feed',
    notRules: ['half-code', 'blocks-page'],
    hosts: ['cdn.wellbrook.example'],
  },
  {
    code: '<script type="text/plain" data-category="statistics">window.wbq=window.wbq||[];wbq.push({box:"wb-8"});</script><div id="wb-8"></div>',
    roles: ['setup', 'mount'],
    claims: ['global:wbq'],
    repeat: {
      setup: 'placement',
    },
  },
  {
    code: '<script type="text/plain" data-src="https://cdn.wellbrook.example/x.js" data-consent="ads"></script><div class="wb-feed" data-id="8"></div>',
    roles: ['loader', 'mount'],
    notRules: ['half-code'],
  },
  {
    code: '<iframe data-consent-src="https://play.wellbrook.example/video/8" title="t" width="640" height="360"></iframe>',
    kind: 'video',
    hosts: ['play.wellbrook.example'],
    roles: ['frame'],
  },
  {
    code: '<div class="wb-feed" data-id="8"><p>The feed of our station is loading. If nothing appears, you can open it at <a href="https://wellbrook.example/feed/8">Wellbrook</a>, where all of our posts since the opening of the dome in May can be read by everybody, also without an account.</p></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    roles: ['mount', 'loader'],
    kind: 'feed',
    repeat: {
      mount: 'placement',
      loader: 'page',
    },
  },
  {
    code: '<a class="wb-popup" data-id="8" href="https://wellbrook.example/form/8">Open the form</a><script async src="https://cdn.wellbrook.example/x.js"></script>',
    roles: ['mount', 'loader'],
  },
  {
    code: '<span class="wb-count" data-id="8"></span><script async src="https://cdn.wellbrook.example/x.js"></script>',
    roles: ['mount', 'loader'],
  },
  {
    code: '<template id="wb-t"><iframe title="t" src="https://play.wellbrook.example/video/8" width="640" height="360"></iframe></template><div id="wb-x"></div><script>document.getElementById("wb-x").append(document.getElementById("wb-t").content.cloneNode(true))</script>',
    kind: 'video',
    hosts: ['play.wellbrook.example'],
  },
  {
    code: '<noscript><iframe src="https://wellbrook.example/none.html?site=8" style="visibility:hidden"></iframe></noscript>',
    notRules: ['no-title'],
  },
  {
    code: '<section id="wb-sec" data-wb="8"><h3>Our reviews</h3></section><script async src="https://cdn.wellbrook.example/x.js"></script>',
    roles: ['mount', 'loader'],
  },
];
