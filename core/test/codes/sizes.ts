import type { CodeCase } from './case.ts';

/** The size that is stated, wherever it stands. */
export const sizes: CodeCase[] = [
  {
    code: '<div class="wb" data-id="3" style="width:400px;height:300px"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    width: '400px',
    height: '300px',
    ratio: 1.3333,
  },
  {
    code: '<wb-player data-id="3" width="640" height="360"></wb-player><script async src="https://cdn.wellbrook.example/x.js"></script>',
    width: '640px',
    height: '360px',
    ratio: 1.7778,
  },
  {
    code: '<div class="wb" data-id="3" data-width="500" data-height="250"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    width: '500px',
    height: '250px',
    ratio: 2,
  },
  {
    code: '<div style="position:relative;padding-bottom:75%;height:0"><div class="wb" data-id="3" style="position:absolute;inset:0"></div></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    ratio: 1.3333,
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/w" style="width:100%;max-width:600px;min-width:300px;height:400px"></iframe>',
    width: '100%',
    height: '400px',
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/w" style="width:600px;max-width:100%;height:400px"></iframe>',
    width: '600px',
    height: '400px',
    ratio: 1.5,
  },
  {
    code: '<style>.wbf{width:100%;aspect-ratio:4/3}</style><iframe class="wbf" title="t" src="https://wellbrook.example/w"></iframe>',
    width: '100%',
    ratio: 1.3333,
  },
  {
    code: '<canvas width="300" height="150" id="wbc"></canvas><script>document.getElementById("wbc").getContext("2d")</script>',
    width: '300px',
    height: '150px',
    ratio: 2,
  },
  {
    code: '<picture><source media="(min-width:1px)" srcset="https://img.hollin.example/a.webp" width="800" height="400"><img src="https://img.hollin.example/a.jpg" alt="a" width="400" height="200"></picture>',
    width: '400px',
    height: '200px',
    ratio: 2,
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/w" width="100%" height="450"></iframe>',
    width: '100%',
    height: '450px',
  },
  {
    code: '<div style="width:50%;height:0;padding-bottom:calc(56.25% + 52px);position:relative"><iframe title="t" src="https://wellbrook.example/w" style="position:absolute;width:100%;height:100%"></iframe></div>',
    ratio: 1.7778,
  },
  {
    code: '<video controls width="640" src="https://f.hollin.example/a.mp4"></video>',
    width: '640px',
  },
  {
    code: '<a class="wb-tl" href="https://wellbrook.example/u" data-width="400" data-height="600" data-id="1">Posts</a><script async src="https://cdn.wellbrook.example/x.js"></script>',
    width: '400px',
    height: '600px',
  },
];
