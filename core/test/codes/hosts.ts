import type { CodeCase } from './case.ts';

/** Every host that is contacted, and none that is not. */
export const hosts: CodeCase[] = [
  {
    code: '<wb-model src="https://media.wellbrook.example/a.glb" poster="https://img.wellbrook.example/p.jpg"></wb-model><script async src="https://cdn.wellbrook.example/x.js"></script>',
    hosts: ['media.wellbrook.example', 'img.wellbrook.example'],
  },
  {
    code: '<object width="600" height="400" data="https://player.wellbrook.example/p.swf"><param name="movie" value="https://media.wellbrook.example/m.swf"><param name="flashvars" value="file=https://files.wellbrook.example/a.mp4"></object>',
    hosts: ['player.wellbrook.example', 'media.wellbrook.example'],
  },
  {
    code: '<script>var s=new WebSocket("wss://live.wellbrook.example/feed");</script>',
    hosts: ['live.wellbrook.example'],
  },
  {
    code: "<script>document.write(unescape(\"%3Cscript src='https://cdn.wellbrook.example/a.js' type='text/javascript'%3E%3C/script%3E\"));</script>",
    hosts: ['cdn.wellbrook.example'],
    rules: ['writes-document'],
  },
  {
    code: '<script>var h=(("https:"==document.location.protocol)?"https://safe.":"http://plain.");document.write(unescape("%3Cscript src=\'"+h+"wellbrook.example/a.js\'%3E%3C/script%3E"));</script>',
    hosts: ['safe.wellbrook.example', 'plain.wellbrook.example'],
    rules: ['writes-document'],
  },
  {
    code: '<script>var src=(location.protocol==="https:"?"https://safe":"http://plain")+".wellbrook.example/t.js";var s=document.createElement("script");s.src=src;document.body.appendChild(s)</script>',
    hosts: ['safe.wellbrook.example', 'plain.wellbrook.example'],
  },
  {
    code: '<script>fetch("https://"+region+".api.wellbrook.example/v1");var x="https://cdn"+n+".wellbrook.example/a.js";</script>',
    hostCount: 0,
  },
  {
    code: '<div id="a"></div><script>document.getElementById("a").insertAdjacentHTML("beforeend","<img src=\\"https://img.wellbrook.example/a.png\\">")</script>',
    hosts: ['img.wellbrook.example'],
  },
  {
    code: '<script>var u=`https://${"cdn"}.wellbrook.example/a.js`; import(u);</script>',
    hosts: ['cdn.wellbrook.example'],
  },
  {
    code: '<script>new Image().src="https://px.wellbrook.example/i?x="+Date.now();navigator.sendBeacon("https://log.wellbrook.example/b",d);</script>',
    hosts: ['px.wellbrook.example', 'log.wellbrook.example'],
  },
  {
    code: '<link rel="preconnect" href="https://fonts.wellbrook.example"><link rel="dns-prefetch" href="//dns.wellbrook.example">',
    hosts: ['fonts.wellbrook.example', 'dns.wellbrook.example'],
  },
  {
    code: '<div style="background-image:url(\'https://img.wellbrook.example/b.jpg\')" class="wb"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    hosts: ['img.wellbrook.example'],
  },
  {
    code: '<div class="wb" data-config=\'{"api":"https://api.wellbrook.example/v1"}\'></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    hosts: ['api.wellbrook.example'],
  },
  {
    code: '<script>// see https://docs.wellbrook.example/help\nvar a=1; /* https://old.wellbrook.example */</script>',
    hostCount: 0,
  },
  {
    code: '<iframe title="t" src="https://user:pw@play.wellbrook.example:8443/e/8"></iframe>',
    hosts: ['play.wellbrook.example'],
  },
  {
    code: '<iframe title="t" src="https://WWW.Wellbrook.EXAMPLE/e/8"></iframe>',
    hosts: ['www.wellbrook.example'],
  },
  {
    code: '<a href="https://wellbrook.example/p">x</a><form action="https://f.wellbrook.example/8"><input name="a"></form>',
    when: {
      'wellbrook.example': 'use',
      'f.wellbrook.example': 'use',
    },
  },
  {
    code: '<script>$.getScript("//cdn.wellbrook.example/a.js"); $("#x").load("https://api.wellbrook.example/h")</script>',
    hosts: ['cdn.wellbrook.example', 'api.wellbrook.example'],
  },
  {
    code: '<iframe title="t" srcdoc="&lt;script src=&quot;https://cdn.wellbrook.example/a.js&quot;&gt;&lt;/script&gt;"></iframe>',
    hosts: ['cdn.wellbrook.example'],
  },
  {
    code: '<script>var p="https://www.w3.org/2000/svg"; document.createElementNS("http://www.w3.org/2000/svg","svg")</script>',
    notHosts: ['www.w3.org'],
  },
  {
    code: '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1"><path d="M0 0"/></svg>',
    hostCount: 0,
    notRules: ['insecure', 'cut-off', 'misspelt'],
    kind: 'image',
  },
  {
    code: '<video controls><source src="https://a.wellbrook.example/a.mp4"><track src="https://b.wellbrook.example/a.vtt" kind="captions"></video>',
    hosts: ['a.wellbrook.example', 'b.wellbrook.example'],
  },
  {
    code: '<script>var cfg={cdn:"cdn.wellbrook.example",path:"/a.js"}; var s=document.createElement("script"); s.src="//"+cfg.cdn+cfg.path;</script>',
    hosts: ['cdn.wellbrook.example'],
  },
];
