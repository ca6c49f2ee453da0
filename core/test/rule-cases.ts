/** A frame with an address. */
export const frame = (address: string, more = 'title="t"'): string =>
  `<iframe src="${address}" ${more}></iframe>`;

const player = 'https://play.kinorill.localhost/film/a1';
const other = 'https://e.localhost';

/** For each rule: codes where it must speak, and codes, near to these, where it must be silent. */
export const ruleCases: [rule: string, speaks: string[], silent: string[]][] = [
  [
    'insecure',
    [
      frame('http://elsewhere.example/'),
      '<script src="http://e.example/x.js"></script>',
      '<img src="http://e.example/x.png">',
    ],
    [
      frame('http://play.kinorill.localhost:7430/film/a'),
      frame('http://127.0.0.1/'),
      frame('//e.example/'),
      '<a href="http://e.example/">x</a>',
    ],
  ],
  [
    'active-address',
    [
      frame('javascript:alert(1)'),
      frame(' jAvA\tscript:x'),
      frame('data:text/html,x'),
      '<a href="javascript:void(0)">x</a>',
    ],
    [frame(player), frame('data:image/png;base64,AA'), '<a href="#">x</a>'],
  ],
  [
    'escaped-twice',
    [frame(`${other}/x?a=1&amp;amp;b=2`)],
    [frame(`${other}/x?a=1&amp;b=2`), frame(`${other}/x?a=R%26amp;D`)],
  ],
  [
    'odd-blank',
    ['<iframe\u00a0src="https://e.localhost/x" title=t></iframe>', '<b\u200b class=x>y</b>'],
    ['<b title="a\u00a0b">x\u00a0y</b>', '<b>\u200b</b>'],
  ],
  [
    'unmatched-style',
    [
      '<style>.video-wraper{color:red}</style><div class="video-wrapper">x</div>',
      '<style>#box-lfet{color:red}</style><div id="box-left">x</div>',
      '<div id="box-left">x</div><script>document.getElementById("box-left1x".slice(0)); document.querySelector("#box-letf")</script>',
    ],
    [
      '<style>.card{color:red}.cards{color:red}</style><div class="card">x</div>',
      '<style>.box-1{color:red}</style><div class="box-2">x</div>',
      '<style>.other{color:red}</style><div class="box">x</div>',
      '<p class="video-wraper video-wrapper">x</p>',
    ],
  ],
  [
    'no-title',
    [frame(player, ''), frame(player, 'title=" "')],
    [
      frame(player),
      frame(player, 'aria-label="x"'),
      frame(player, 'aria-hidden="true"'),
      '<video controls></video>',
    ],
  ],
  [
    'visible-code',
    [
      '&lt;iframe src=x&gt;',
      '<pre>&lt;script&gt;x&lt;/script&gt;</pre>',
      '&amp;lt;iframe src="x"&amp;gt;&amp;lt;/iframe&amp;gt;',
      '```html\n<iframe src="x"></iframe>\n```',
      '<p>&lt;div&nbsp;class="x"&gt;</p>',
      '`<iframe src="x"></iframe>`',
      '&#60;iframe src="x"&#62;',
    ],
    [
      'a &lt; b',
      'I &amp; you',
      frame(player),
      '<p title="&lt;b&gt;">x</p>',
      `${frame(player)}<p>Write &lt;b&gt; for bold</p>`,
      'x `y` z',
    ],
  ],
  [
    'cut-off',
    [
      '<iframe src="x',
      '<iframe src="x" title="t">',
      '<video src=x>',
      '<!-- never',
      '<script>x()',
      '<form action="x"><input',
      `${frame(player)}<di`,
    ],
    [frame(player), '<img src=x>', '<p>no end tag', 'a < b', '<ul><li>x<li>y</ul>'],
  ],
  [
    'curly-quotes',
    [
      '<iframe src=“https://e.localhost/”></iframe>',
      '<iframe src=”https://e.localhost/” title=‘x’></iframe>',
      '<a href=„x“>y</a>',
    ],
    [frame(other, 'title="the “long” night"'), '<p>He said: x=“y”</p>', 'x = “y”'],
  ],
  [
    'sample-value',
    [
      frame(`${other}/embed/YOUR_VIDEO_ID`),
      frame(`${other}/embed/VIDEO_ID`),
      frame(`${other}/?account=your-account`),
      '<div data-form="{{form_id}}"></div><script src="https://e.localhost/a.js"></script>',
      frame(`${other}/[id]`),
      frame(`${other}/xxxx/`),
      frame(''),
      frame(`${other}/INSERT-NAME-HERE`),
      frame(`${other}/%3Cid%3E`),
      '<div id="x" data-key="paste your key here"></div><script src="https://e.localhost/a.js"></script>',
    ],
    [
      frame(`${other}/embed/QXZVKLMN`),
      frame(`${other}/embed/NASA_LIVE`),
      frame(`${other}/film/aXXb`),
      frame(`${other}/?q=your+town`),
      frame(other, 'title="Your guide to the stars"'),
      frame(`${other}/maps?o=!k7!zq2`),
      '<input placeholder="your name">',
      frame(`${other}/myvideos/17`),
      frame(`${other}/YOURSHIRE/7`),
    ],
  ],
  [
    'wrong-element',
    [
      '<div src="https://e.localhost/x"></div>',
      '<src="https://e.localhost/x">',
      '<width="3">',
      '<source src="a.mp4">',
      '<p src=//e.localhost/x>',
    ],
    [
      '<video><source src="a.mp4"></video>',
      '<picture><source srcset="a.png"><img src=b.png></picture>',
      '<div data-src="https://e.localhost/x"></div>',
      '<x-player src="https://e.localhost/x"></x-player><script src="https://e.localhost/a.js"></script>',
    ],
  ],
  [
    'misspelt',
    [
      '<ifame src="x"></ifame>',
      '<ifrmae src="x"></ifrmae>',
      '<vidoe src="x"></vidoe>',
      '<iframe scr="x" title=t></iframe>',
      '<iframe src=x hieght=3 title=t></iframe>',
      '<video contols src=x></video>',
      '<script asnyc src=x></script>',
      '<iframe src=x frameboarder=0></iframe>',
    ],
    [
      frame(player),
      '<x-frame></x-frame>',
      '<custom></custom>',
      '<svg><clippath></clippath></svg>',
      '<iframe src=x data-scr="y" title=t></iframe>',
      '<b></b><i></i><u></u><s></s>',
      '<iframe src=x title=t width=1 height=1 loading=lazy></iframe>',
      '<script src="x" id="y" class="z"></script>',
    ],
  ],
  [
    'value-on-presence',
    [
      '<video autoplay="false" muted></video>',
      '<video controls=0></video>',
      '<audio loop="no"></audio>',
      '<iframe src=x allowfullscreen="false"></iframe>',
      '<script src=x async="false"></script>',
    ],
    [
      '<video autoplay="autoplay" muted></video>',
      '<video controls=""></video>',
      '<video CONTROLS="Controls"></video>',
      '<iframe src=x data-autoplay="false"></iframe>',
      '<div controls="false"></div>',
    ],
  ],
  [
    'not-inline',
    ['<video autoplay muted></video>'],
    [
      '<video autoplay muted playsinline></video>',
      '<video controls></video>',
      '<audio autoplay muted></audio>',
    ],
  ],
  [
    'no-way-to-play',
    ['<video src=x></video>', '<audio src=x></audio>', frame(`${player}?knobs=0`)],
    [
      '<video controls src=x></video>',
      '<video autoplay muted src=x></video>',
      '<video src=x onclick="this.play()"></video>',
      '<video id=v src=x></video><script>document.getElementById("v").play()</script>',
      frame(`${player}?knobs=0&amp;roll=1&amp;hush=1`),
      frame(`${other}/?knobs=0`),
    ],
  ],
  [
    'no-fallback',
    ['<video controls src=x></video>', '<object data=x></object>', '<video controls><source src=x></video>'],
    [
      '<video controls src=x><a href=x>Watch</a></video>',
      frame(player),
      '<object data=x><p>Not shown</p></object>',
      '<embed src=x>',
    ],
  ],
  [
    'old-attribute',
    [
      frame(player, 'frameborder="0"'),
      '<center>x</center>',
      frame(player, 'webkitallowfullscreen'),
      '<script language="x"></script>',
      '<font color=red>x</font>',
    ],
    [
      frame(player, 'allowfullscreen'),
      '<table class=x></table>',
      '<img src=x width=3>',
      '<video controls width=3></video>',
    ],
  ],
  [
    'active-attribute',
    [
      '<a href="#" onclick="go()">x</a>',
      '<img src=x onerror="y()">',
      '<body onload="x()"><div ONCLICK=x></div>',
    ],
    ['<a href="#on">x</a>', '<div data-onclick="x"></div>', '<div on="x"></div>'],
  ],
  [
    'writes-document',
    [
      '<script>document.write("<b>x</b>")</script>',
      '<script>(function(d){d.write("x")})(document)</script>',
      '<script>window.document.writeln(1)</script>',
    ],
    [
      '<script>console.log("document.write()")</script>',
      '<script>file.write("x")</script>',
      '<p>document.write("x")</p>',
      '<script>// document.write("x")\n</script>',
    ],
  ],
  [
    'blocks-page',
    [
      '<script src="https://e.localhost/a.js"></script>',
      '<script type="text/javascript" src="https://e.localhost/a.js"></script>',
    ],
    [
      '<script async src="https://e.localhost/a.js"></script>',
      '<script defer src="https://e.localhost/a.js"></script>',
      '<script type=module src="https://e.localhost/a.js"></script>',
      '<script>x()</script>',
    ],
  ],
  [
    'tracking',
    [
      frame(`${other}/?utm_source=x`),
      '<img src="https://e.localhost/p.gif" width="1" height="1">',
      frame(`${other}/?xclid=1`),
    ],
    [
      frame(`${other}/?source=x`),
      '<img src="https://e.localhost/p.gif" width="10" height="1">',
      frame(`${other}/?id=utm_source`),
    ],
  ],
  [
    'global-style',
    [
      '<style>body{margin:0}</style><div class=x></div>',
      '<style>* { box-sizing:border-box }</style>',
      '<style>.x b{color:red} a:hover{color:red}</style><div class=x></div>',
      '<style>@media (min-width:1px){h1{color:red}}</style>',
    ],
    [
      '<style>.x{margin:0}</style><div class=x></div>',
      '<style>#y input{margin:0}</style><div id=y></div>',
      '<style>x-box b{margin:0}</style><x-box></x-box><script src=https://e.localhost/a.js></script>',
      '<style>.fw-later{color:red}</style><div class=fw></div>',
      '<style>@font-face{font-family:x;src:url(x.woff2)}</style>',
    ],
  ],
  [
    'half-code',
    ['<div class="sl" data-slots="7"></div>', '<tally-wren></tally-wren>'],
    [
      '<div class="sl" data-slots="7"></div><script async src="https://e.localhost/a.js"></script>',
      '<div class="spacer"></div>',
      '<blockquote cite="https://e.localhost/1">x</blockquote>',
      `<div data-x="1">${frame(player)}</div>`,
    ],
  ],
  [
    'several-embeds',
    [
      frame(player) + frame(other),
      `${frame(player)}<video controls src=x></video>`,
      '<div data-x=1></div><div data-x=2></div><script src="https://e.localhost/a.js"></script>',
      `${other}/a\n${other}/b`,
    ],
    [
      frame(player),
      `${frame(player)}<img src=x>`,
      `<noscript>${frame(other)}</noscript>${frame(player)}`,
      '<video controls><object data=x></object></video>',
    ],
  ],
  [
    'shape-mismatch',
    [frame(player, 'title=t width=640 height=400'), frame(player, 'title=t width=640 height=480')],
    [
      frame(player, 'title=t width=640 height=360'),
      frame(player, 'title=t width=360 height=640'),
      frame(player, 'title=t width="100%" height=400'),
      frame(other, 'title=t width=640 height=400'),
      frame(player, 'title=t width=640 height=361'),
    ],
  ],
  [
    'clip-order',
    [
      frame(`${player}?from=9&amp;until=3`),
      frame(`${player}?from=9&amp;until=9`),
      '<video controls src="a.mp4#t=9,3"></video>',
    ],
    [
      frame(`${player}?from=3&amp;until=9`),
      frame(`${player}?from=9`),
      frame(`${other}/?from=9&amp;until=3`),
      '<video controls src="a.mp4#t=3,9"></video>',
      '<video controls src="a.mp4#t=,9"></video>',
    ],
  ],
  [
    'clip-beyond',
    [
      `<script type="application/ld+json">{"duration": "PT1M30S"}</script>${frame(`${player}?from=90`)}`,
      frame(`${player}?from=9&amp;until=61`, 'title=t data-duration=60'),
      '<video controls src="a.mp4#t=20,40" data-length="30"></video>',
    ],
    [
      `<script type="application/ld+json">{"duration": "PT1H1M30S"}</script>${frame(`${player}?from=90`)}`,
      frame(`${player}?from=9&amp;until=60`, 'title=t data-duration=60'),
      frame(`${player}?from=900`),
      frame(`${other}/?from=900`, 'title=t data-duration=60'),
      '<video controls src="a.mp4?t=40" data-length="30"></video>',
      `<div data-duration=5></div>${frame(`${player}?from=9`, 'title=t data-duration=60')}`,
    ],
  ],
  ['link-time', [frame(`${player}?at=1m3s`)], [frame(`${player}?from=9`), frame(`${other}/?at=9`)]],
  [
    'sound-autoplay',
    [frame(`${player}?roll=1`), '<video autoplay src=x></video>'],
    [
      frame(`${player}?roll=1&amp;hush=1`),
      frame(`${player}?roll=0`),
      '<video autoplay muted src=x></video>',
      frame(`${other}/?roll=1`),
    ],
  ],
  [
    'duplicate-parameter',
    [frame(`${other}/?a=1&amp;a=2`), frame(`${other}/?a&amp;a=2`)],
    [
      frame(`${other}/?a=1&amp;a=1`),
      frame(`${other}/?a[]=1&amp;a[]=2`),
      frame(`${other}/?a=1#a=2`),
      frame(`${other}/?a=1&amp;b=1`),
    ],
  ],
  [
    'second-question-mark',
    [frame(`${other}/?a=1?b=2`), frame(`${other}/x?lang=en?start=3`)],
    [
      frame(`${other}/?u=https://p.localhost/?x=1`),
      frame(`${other}/?u=%2Fpage%3Fx%3D1`),
      frame(`${other}/?u=/page?x=1`),
      frame(`${other}/?q=what?`),
      frame(`${other}/#a?b=1`),
      frame(`${other}/?o=!k7!zq2?`),
    ],
  ],
  [
    'space-in-address',
    [
      frame(' https://e.localhost/x'),
      frame('https://e.localhost/x '),
      frame('https://e.localhost/a b'),
      frame('https://e.localhost/\nx'),
    ],
    [frame(`${other}/a%20b`), frame(`${other}/a+b`), frame('data:text/plain,a b')],
  ],
  [
    'file-type',
    [
      '<video controls src="a.avi"></video>',
      '<video controls><source src="a.mp4" type="video/webm"></video>',
      '<audio controls src="a.wma"></audio>',
    ],
    [
      '<video controls src="a.mp4"></video>',
      '<video controls><source src="a.mp4" type="video/mp4"><source src="a.mov" type="video/quicktime"></video>',
      '<audio controls src="a.mp3" ></audio>',
      '<video controls><source src="a.mp4" type=\'video/mp4; codecs="avc1"\'></video>',
      '<video controls src="/stream?id=a.b"></video>',
      '<audio controls><source src="a.ogg" type="audio/ogg"></audio>',
    ],
  ],
  [
    'not-fully-read',
    ['<script>let x = ;;; @@ "</script>', `<style>${'a{b:c}'.repeat(6000)}</style>`],
    [
      '<script>let x = 1</script>',
      '<style>.a{b:c</style>',
      '<script type="application/json">{"a":1}</script>',
      '<script type="module">import x from "https://e.localhost/x.js"; await x()</script>',
    ],
  ],
  [
    'hidden-field',
    [
      '<form action=x><div style="display:none"><input name=trap></div></form>',
      '<form action=x><p style="position:absolute; left: -5000px" aria-hidden="true"><input name=trap></p></form>',
      '<form action=x><input name=t tabindex="-1" autocomplete="off"></form>',
    ],
    [
      '<form action=x><input type=hidden name=id value=3></form>',
      '<form action=x><input name=mail></form>',
      '<div style="display:none"><input name=x></div>',
    ],
  ],
];
