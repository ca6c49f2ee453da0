import type { CodeCase } from './case.ts';

/** Several embeds in one code. */
export const several: CodeCase[] = [
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/video/8" width="560" height="315" allow="fullscreen; picture-in-picture"></iframe><div class="ff-timeline" data-user="h"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    embeds: ['video', 'feed'],
    rules: ['several-embeds'],
    roles: ['frame', 'mount', 'loader'],
  },
  {
    code: '<div class="wb-form" data-id="8"></div><script async src="https://cdn.wellbrook.example/x.js"></script><div class="pr-reviews" data-id="9"></div><script async src="https://cdn.praisebarn.example/p.js"></script>',
    embeds: ['form', 'reviews'],
  },
  {
    code: '<video controls src="https://f.hollin.example/a.mp4"></video><audio controls src="https://f.hollin.example/a.mp3"></audio>',
    embeds: ['video', 'audio'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/video/8" width="560" height="315" /><p>After</p><iframe title="u" src="https://maps.wellbrook.example/maps/8" width="560" height="315"></iframe>',
    embeds: ['video', 'map'],
    rules: ['cut-off', 'several-embeds'],
  },
  {
    code: '<div class="wb" data-id="1"></div><div class="wb" data-id="2"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    rules: ['several-embeds'],
    embedCount: 2,
  },
  {
    code: '<img src="https://img.hollin.example/a.jpg" alt="a"><img src="https://img.hollin.example/b.jpg" alt="b">',
    kind: 'image',
    notRules: ['several-embeds'],
    embedCount: 1,
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/video/8" width="560" height="315"></iframe>\n<iframe title="u" src="https://play.wellbrook.example/video/9" width="560" height="315"></iframe>\n<iframe title="v" src="https://play.wellbrook.example/video/10" width="560" height="315"></iframe>',
    count: {
      'several-embeds': 1,
    },
    embedCount: 3,
  },
  {
    code: '<iframe src="https://wellbrook.example/w" title="t" width="300" height="200"></iframe><noscript><img src="https://wellbrook.example/n.gif" alt=""></noscript>',
    notRules: ['several-embeds'],
    embedCount: 1,
  },
  {
    code: '<script src="https://wellbrook.example/a.js" /><div class="wb" data-id="3"></div>',
    rules: ['cut-off'],
    hasRoles: ['loader', 'mount'],
  },
];
