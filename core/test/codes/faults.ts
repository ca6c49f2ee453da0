import type { CodeCase } from './case.ts';

/** What is wrong with codes, and has to be told. */
export const faults: CodeCase[] = [
  {
    code: '<iframe title="t" src="http://old.wellbrook.example/e?a=1?b=2" width="5" height="4"></iframe>',
    rules: ['insecure', 'second-question-mark'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e" width="5" height="4"></iframe><p>after <iframe title="u" src="https://wellbrook.example/f"',
    rules: ['cut-off'],
  },
  {
    code: '<form action="https://f.wellbrook.example/8"><input name="a"><p>More text of the page',
    rules: ['cut-off'],
    noMend: ['cut-off'],
  },
  {
    code: '<script src=“https://cdn.wellbrook.example/x.js”></script><p>She said “hi”</p>',
    rules: ['curly-quotes'],
  },
  {
    code: '<p>He wrote width=“wide” in the text</p><iframe title="t" src="https://wellbrook.example/e"></iframe>',
    notRules: ['curly-quotes'],
  },
  {
    code: '<script>var s=document.createElement("script");s.src="http://cdn.wellbrook.example/a.js";document.head.appendChild(s)</script>',
    rules: ['insecure'],
  },
  {
    code: '<style>.wb{background:url(http://img.wellbrook.example/a.png)}</style><div class="wb">x</div>',
    rules: ['insecure'],
  },
  {
    code: '<div style="background:url(http://img.wellbrook.example/a.png)">x</div>',
    rules: ['insecure'],
  },
  {
    code: '<img data-src="http://img.wellbrook.example/a.png" src="https://img.wellbrook.example/s.gif" alt="a">',
    rules: ['insecure'],
  },
  {
    code: '<link rel="stylesheet" href="http://cdn.wellbrook.example/a.css">',
    rules: ['insecure'],
  },
  {
    code: '<a href="http://wellbrook.example/">x</a>',
    notRules: ['insecure'],
  },
  {
    code: '<form action="http://f.wellbrook.example/8" method="post"><input name="a"><button>Go</button></form>',
    rules: ['insecure'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e?a=1&amp;amp;b=2"></iframe>',
    anyProblem: true,
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e​/8" width="5" height="4"></iframe>',
    anyProblem: true,
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e/8"></iframe>',
    anyProblem: true,
  },
  {
    code: '{"html":"<iframe src=\\"https:\\/\\/wellbrook.example\\/e\\" width=\\"5\\" height=\\"4\\"><\\/iframe>"}',
    anyError: true,
  },
  {
    code: '&lt;script src=&quot;https://cdn.wellbrook.example/x.js&quot;&gt;&lt;/script&gt;',
    input: 'visible-code',
    rules: ['visible-code'],
  },
  {
    code: '```html\n<iframe src="https://wellbrook.example/e"></iframe>\n```',
    input: 'visible-code',
  },
  {
    code: '&#60;iframe src=&#34;https://wellbrook.example/e&#34;&#62;&#60;/iframe&#62;',
    input: 'visible-code',
  },
  {
    code: '<p>&lt;iframe src="https://wellbrook.example/e"&gt;<br>&lt;/iframe&gt;</p>',
    input: 'visible-code',
  },
  {
    code: '<div class="code-block"><span class="hl-tag">&lt;<span class="hl-name">iframe</span> <span class="hl-attr">src</span>=<span>"https://wellbrook.example/e"</span>&gt;</span><span class="hl-tag">&lt;/iframe&gt;</span></div>',
    input: 'visible-code',
    rules: ['visible-code'],
  },
  {
    code: '<table><tr><td>1</td><td>&lt;iframe src="https://wellbrook.example/e"&gt;&lt;/iframe&gt;</td></tr></table>',
    input: 'visible-code',
  },
  {
    code: '<iframe title="t" source="https://wellbrook.example/e"></iframe>',
    anyProblem: true,
  },
  {
    code: '<video controls href="https://f.wellbrook.example/a.mp4"></video>',
    anyProblem: true,
  },
  {
    code: '<object src="https://f.wellbrook.example/a.pdf" type="application/pdf" width="5" height="4">x</object>',
    anyProblem: true,
  },
  {
    code: '<textarea name="q"></textarea><buton>x</buton><vidoe src="https://f.wellbrook.example/a.mp4"></vidoe>',
    rules: ['misspelt'],
    count: {
      misspelt: 2,
    },
  },
  {
    code: '<iframe titel="t" src="https://wellbrook.example/e" allowfulscreen widht="5" height="4"></iframe>',
    rules: ['misspelt'],
    count: {
      misspelt: 3,
    },
  },
  {
    code: '<iframe title="t" scr="https://wellbrook.example/e"></iframe>',
    rules: ['misspelt'],
  },
  {
    code: '<iframe title="t" srch="https://wellbrook.example/e" wdith="5"></iframe>',
    anyProblem: true,
  },
  {
    code: '<link herf="https://cdn.wellbrook.example/a.css" rel="stylesheet">',
    rules: ['misspelt'],
  },
  {
    code: '<script scr="https://cdn.wellbrook.example/a.js"></script>',
    rules: ['misspelt'],
  },
  {
    code: '<script asnyc src="https://cdn.wellbrook.example/a.js"></script>',
    rules: ['misspelt'],
  },
  {
    code: '<audio contorls src="https://f.wellbrook.example/a.mp3"></audio>',
    rules: ['misspelt'],
  },
  {
    code: '<input typ="email" nmae="a"><select nme="b"></select>',
    rules: ['misspelt'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e?autoplay=true&muted=truecontrols=0"></iframe>',
    rules: ['second-question-mark'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e&start=30&end=40"></iframe>',
    rules: ['second-question-mark'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e&amp;start=30"></iframe>',
    rules: ['second-question-mark'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e?a=1?b"></iframe>',
    rules: ['second-question-mark'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e?a=1&b=https://x.example/?c=2"></iframe>',
    notRules: ['second-question-mark'],
  },
  {
    code: '<form action="https://f.wellbrook.example/8"><input name="email"><label class="hp" style="opacity:0;position:absolute;height:0">x<input name="hp"></label></form>',
    rules: ['hidden-field'],
  },
  {
    code: '<style>.wb-hp{display:none}</style><form action="https://f.wellbrook.example/8"><input name="email"><textarea class="wb-hp" name="c"></textarea></form>',
    rules: ['hidden-field'],
  },
  {
    code: '<form action="https://f.wellbrook.example/8"><input name="email"><input type="checkbox" name="b_robot" value="1" style="display:none!important" tabindex="-1" autocomplete="off"></form>',
    rules: ['hidden-field'],
  },
  {
    code: '<form action="https://f.wellbrook.example/8"><input name="email"><div class="honeypot"><input name="url"></div></form>',
    rules: ['hidden-field'],
  },
  {
    code: '<div id="wb"></div><script>wb.render("#wb",{k:1})</script>',
    rules: ['half-code'],
  },
  {
    code: '<script>new WbWidget({container:"#wb"})</script><div id="wb"></div>',
    rules: ['half-code'],
  },
  {
    code: '<script>window.addEventListener("load",function(){WbBox.init({el:"wb"})})</script><div id="wb"></div>',
    rules: ['half-code'],
  },
  {
    code: '<wb-widget data-id="8"></wb-widget>',
    rules: ['half-code'],
  },
  {
    code: '<style>.video-wraper{position:relative;padding-bottom:56.25%}.video-wraper iframe{position:absolute;width:100%;height:100%}</style><div class="video-wrapper"><iframe title="t" src="https://wellbrook.example/e"></iframe></div>',
    rules: ['unmatched-style'],
  },
  {
    code: '<style>#wb-contianer{width:100%}</style><div id="wb-container" class="wb"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    rules: ['unmatched-style'],
  },
  {
    code: '<div id="wb-container"></div><script>document.getElementById("wb-contaner").innerHTML="x"</script>',
    rules: ['unmatched-style'],
  },
  {
    code: '<style>.wb-card{color:red}.wb-cards{display:grid}</style><div class="wb-card">x</div>',
    notRules: ['unmatched-style'],
  },
];
