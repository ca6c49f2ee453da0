import type { CodeCase } from './case.ts';

/** Samples that were left in, and what only looks like one. */
export const samples: CodeCase[] = [
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/VIDEO_ID" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/{VIDEO_ID}" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/$VIDEO_ID" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/[your id]" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/<id>" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/%VIDEO_ID%" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/YOUR-ID-HERE" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/xxxxxxxxxxx" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/__ID__" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/#{id}" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/:id" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://yoursite.wellbrook.example/embed/8" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/${id}" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="/embed/8" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="embed/8" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="../embed/8" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/?user=YOURNAME" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/abc?start=TIME" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/INSERT_ID" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://example.com/embed" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/{{video.id}}" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/&lt;video id&gt;" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/…" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/embed/MY_ID" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/YourUserName" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://play.wellbrook.example/your_username" width="560" height="315"></iframe>',
    rules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-site-id="SITE_ID"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    rules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-key="REPLACE_ME"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    rules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-api-key="YOUR_API_KEY"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    rules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-id="XXXXXXXX"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    rules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-account="{ACCOUNT}"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    rules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-chat="AB-XXXXX-Y"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    rules: ['sample-value'],
  },
  {
    code: '<div id="x"></div><script async src="https://cdn.wellbrook.example/x.js"></script><script>wb.init(\'YOUR_KEY\')</script>',
    rules: ['sample-value'],
  },
  {
    code: '<div id="x"></div><script async src="https://cdn.wellbrook.example/x.js"></script><script>wb.init({id:\'YOUR-SITE-ID\'})</script>',
    rules: ['sample-value'],
  },
  {
    code: '<div id="x"></div><script async src="https://cdn.wellbrook.example/x.js"></script><script>wb.init({id:\'<SITE_ID>\'})</script>',
    rules: ['sample-value'],
  },
  {
    code: '<div id="x"></div><script async src="https://cdn.wellbrook.example/x.js"></script><script>wb.init({id:\'{{site}}\'})</script>',
    rules: ['sample-value'],
  },
  {
    code: "<div id=\"x\"></div><script async src=\"https://cdn.wellbrook.example/x.js\"></script><script>wb('set','account','XXXX-YYYY')</script>",
    rules: ['sample-value'],
  },
  {
    code: '<div id="x"></div><script async src="https://cdn.wellbrook.example/x.js"></script><script>var wbId=\'REPLACE_WITH_YOUR_ID\';</script>',
    rules: ['sample-value'],
  },
  {
    code: '<div id="x"></div><script async src="https://cdn.wellbrook.example/x.js"></script><script>wb.load(\'your-app-id\')</script>',
    rules: ['sample-value'],
  },
  {
    code: '<div id="x"></div><script async src="https://cdn.wellbrook.example/x.js"></script><script>wb.key = "PASTE_KEY_HERE"</script>',
    rules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-label="YOUR NEXT TRIP"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    notRules: ['sample-value'],
  },
  {
    code: '<a href="https://wellbrook.example/MY_PAGE_2020">x</a>',
    notRules: ['sample-value'],
  },
  {
    code: '<iframe title="YOUR WEATHER" src="https://wellbrook.example/e/USA-2020"></iframe>',
    notRules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e/here"></iframe>',
    notRules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-id="HERE-8841"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    notRules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-options=\'{"a":[1,2]}\'></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    notRules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-template="{name} says {text}"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    notRules: ['sample-value'],
  },
  {
    code: '<div class="wb" data-format="{0} of {1}"></div><script async src="https://cdn.wellbrook.example/x.js"></script>',
    notRules: ['sample-value'],
  },
  {
    code: '<input type="text" placeholder="Your name" name="your-name">',
    notRules: ['sample-value'],
  },
  {
    code: '<form action="https://f.wellbrook.example/8" method="post"><input name="YOUR_NAME"><input type="hidden" name="u" value="8"><button>Go</button></form>',
    notRules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e?q=[1,2]&amp;r={&quot;a&quot;:1}"></iframe>',
    notRules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e/XXL-shirts"></iframe>',
    notRules: ['sample-value'],
  },
  {
    code: '<script>wb.i18n={title:"Your order",cta:"Insert coin here to play"}</script>',
    notRules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e/FORM8841"></iframe>',
    notRules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="https://wellbrook.example/e?utm_campaign=PAGE_NAME2"></iframe>',
    notRules: ['sample-value'],
  },
  {
    code: '<iframe title="t" src="about:blank" name="x"></iframe><script>document.querySelector("iframe").src="https://wellbrook.example/e/8"</script>',
    notRules: ['sample-value'],
  },
];
