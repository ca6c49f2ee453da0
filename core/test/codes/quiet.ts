import type { CodeCase } from './case.ts';

/** What only looks wrong. */
export const quiet: CodeCase[] = [
  {
    code: '<iframe src="https://wellbrook.example/e" style="display:none"></iframe>',
    notRules: ['no-title'],
  },
  {
    code: '<iframe src="https://wellbrook.example/e" width="0" height="0"></iframe>',
    notRules: ['no-title'],
  },
  {
    code: '<svg viewBox="0 0 1 1" width="10" height="10"/>',
    notRules: ['cut-off'],
  },
  {
    code: '<a href="https://wellbrook.example"><svg viewBox="0 0 1 1"><use href="#i"/><path d="M0 0"/></svg></a>',
    notRules: ['cut-off', 'misspelt', 'sample-value'],
  },
  {
    code: '<wb-video><source src="https://f.wellbrook.example/a.mp4" type="video/mp4"></wb-video><script async src="https://cdn.wellbrook.example/x.js"></script>',
    notRules: ['wrong-element'],
  },
  {
    code: '<div class="wb" data-text="She said “hi” = “x”"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    notRules: ['curly-quotes'],
  },
  {
    code: '<script>var t="He said “hi” and a=“b”";</script>',
    notRules: ['curly-quotes'],
  },
  {
    code: '<iframe title="“Talk”" src="https://wellbrook.example/e"></iframe>',
    notRules: ['curly-quotes'],
  },
  {
    code: '<p>Use width=“5” carefully</p>',
    notRules: ['curly-quotes'],
  },
  {
    code: '<math><mi>x</mi></math><svg><style>.a{fill:red}</style><script>1</script></svg>',
    notRules: ['cut-off', 'misspelt'],
  },
  {
    code: '<iframe aria-hidden="true" src="https://wellbrook.example/e"></iframe>',
    notRules: ['no-title'],
  },
  {
    code: '<picture><source srcset="https://f.wellbrook.example/a.webp"><img src="https://f.wellbrook.example/a.jpg" alt="a"></picture>',
    notRules: ['wrong-element'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e"><p>Your browser shows no frames</p></iframe>',
    notRules: ['cut-off', 'no-fallback', 'sample-value'],
  },
  {
    code: '<script>document.addEventListener("DOMContentLoaded",()=>{document.title="x"})</script>',
    notRules: ['half-code', 'writes-document'],
  },
  {
    code: '<div id="wb"></div><script>Plot.defaults.x=1;</script><script async src="https://cdn.wellbrook.example/x.js"></script>',
    notRules: ['half-code'],
  },
  {
    code: '<iframe width=“5” src=“https://wellbrook.example/e”></iframe>',
    rules: ['curly-quotes'],
    notRules: ['sample-value'],
  },
];
