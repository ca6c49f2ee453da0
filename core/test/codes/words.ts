import type { CodeCase } from './case.ts';

/** What codes are by their words, kind by kind. */
export const words: CodeCase[] = [
  {
    code: '<iframe src="https://player.mossreel.example/video/8841" allow="autoplay; fullscreen; picture-in-picture" allowfullscreen width="640" height="360" title="Talk"></iframe>',
    kind: 'video',
  },
  {
    code: '<div class="mr-player" data-mr-video="8841" style="aspect-ratio:16/9"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'video',
    ratio: 1.7778,
  },
  {
    code: '<video controls width="640" height="360" poster="https://f.mossreel.example/p.jpg"><source src="https://f.mossreel.example/a.webm" type="video/webm"><source src="https://f.mossreel.example/a.mp4" type="video/mp4"><track kind="captions" src="https://f.mossreel.example/a.vtt" srclang="en"><p>Your browser cannot play this</p></video>',
    kind: 'video',
    ratio: 1.7778,
    notRules: ['no-fallback', 'file-type', 'sample-value'],
  },
  {
    code: '<video autoplay loop src="https://f.mossreel.example/a.mp4"></video>',
    kind: 'video',
    rules: ['sound-autoplay', 'not-inline'],
  },
  {
    code: '<video src="https://f.mossreel.example/a.mp4" width="640" height="360"></video>',
    kind: 'video',
    rules: ['no-way-to-play'],
  },
  {
    code: '<video controls><source src="https://f.mossreel.example/a.avi" type="video/x-msvideo"></video>',
    kind: 'video',
    rules: ['file-type'],
  },
  {
    code: '<iframe src="https://live.mossreel.example/channel/hollin/embed" allow="autoplay; fullscreen" allowfullscreen width="640" height="360" title="Here"></iframe>',
    kind: 'video',
  },
  {
    code: '<iframe src="https://webinar.mossreel.example/room/8841" allow="camera; microphone; fullscreen" width="800" height="600" title="Here"></iframe>',
    kindIn: ['video', 'frame'],
  },
  {
    code: '<mossreel-video video-id="8841" autoplay muted></mossreel-video>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'video',
    roles: ['mount', 'loader'],
  },
  {
    code: '<audio controls src="https://cast.hollin.example/e.mp3"></audio>',
    kind: 'audio',
    rules: ['no-fallback'],
  },
  {
    code: '<iframe src="https://radio.tonebarn.example/live/hollin" allow="autoplay" width="400" height="120" title="Radio Hollin"></iframe>',
    kind: 'audio',
  },
  {
    code: '<iframe src="https://hoerspiel.tonebarn.example/folge/8841" allow="autoplay" width="100%" height="180" title="Folge 8"></iframe>',
    kind: 'audio',
  },
  {
    code: '<tone-player src="https://cast.hollin.example/e.mp3"></tone-player>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'audio',
    hosts: ['cast.hollin.example', 'cdn.wellbrook.example'],
  },
  {
    code: '<div class="fell-map" data-lat="54.15" data-lng="-2.35" data-zoom="13"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'map',
  },
  {
    code: '<iframe src="https://anfahrt.fellmaps.example/plan/8841"  width="600" height="400" title="Anfahrt"></iframe>',
    kindIn: ['map', 'frame'],
  },
  {
    code: '<iframe src="https://fellmaps.example/lageplan/hollin"  width="600" height="400" title="Lageplan"></iframe>',
    kindIn: ['map'],
  },
  {
    code: '<a href="https://www.fellmaps.example/maps/place/Hollin/@54.15,-2.35,13z" target="_blank">See it on the map</a>',
    kind: 'map',
    roles: ['link'],
  },
  {
    code: '<fell-map center="54.15,-2.35" zoom="13"></fell-map>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'map',
  },
  {
    code: '<iframe src="https://trails.fellmaps.example/embed/tour/8841" allow="geolocation" width="700" height="500" title="Tour"></iframe>',
    kind: 'map',
  },
  {
    code: '<object data="https://files.hollin.example/plan.svg" type="image/svg+xml" width="600" height="400">Plan</object>',
    kindIn: ['image', 'map'],
  },
  {
    code: '<script src="https://plainpoll.example/jsform/8841"></script>',
    kind: 'form',
    roles: ['loader'],
    repeat: {
      loader: 'placement',
    },
  },
  {
    code: '<iframe src="https://plainpoll.example/kontakt/8841"  width="400" height="600" title="Kontaktformular"></iframe>',
    kind: 'form',
  },
  {
    code: '<iframe src="https://plainpoll.example/ankieta/8841"  width="400" height="600" title="Here"></iframe>',
    kind: 'form',
  },
  {
    code: '<iframe src="https://plainpoll.example/inscription/8841"  width="400" height="600" title="Formulaire d\'inscription"></iframe>',
    kind: 'form',
  },
  {
    code: '<iframe src="https://plainpoll.example/questionario/8841"  width="400" height="600" title="Questionario"></iframe>',
    kind: 'form',
  },
  {
    code: '<div class="pp-signup" data-list="8841"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'form',
  },
  {
    code: '<form action="https://f.plainpoll.example/8841" method="post"><style>.hp{position:absolute;left:-9999px}</style><input name="mail" type="email"><input class="hp" name="website"><button>Go</button></form>',
    kind: 'form',
    rules: ['hidden-field'],
  },
  {
    code: '<form action="" method="post"><input name="mail" type="email"><button>Go</button></form>',
    kind: 'form',
  },
  {
    code: '<iframe src="https://plainpoll.example/quiz/8841"  width="500" height="700" title="Star quiz"></iframe>',
    kind: 'form',
  },
  {
    code: '<iframe src="https://plainpoll.example/petition/8841"  width="500" height="700" title="Petition"></iframe>',
    kindIn: ['form', 'frame'],
  },
  {
    code: '<iframe src="https://plainpoll.example/apply/8841"  width="500" height="700" title="Application form"></iframe>',
    kind: 'form',
  },
  {
    code: '<div class="ff-gallery" data-user="hollin"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'feed',
  },
  {
    code: '<ul class="news-ticker" data-src="https://hollin.example/news.rss"></ul>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'feed',
    hosts: ['hollin.example'],
  },
  {
    code: '<script src="https://embed.fellfeed.example/feed/8841.js" async></script>',
    kind: 'feed',
    repeat: {
      loader: 'placement',
    },
  },
  {
    code: '<iframe src="https://fellfeed.example/neuigkeiten/8841"  width="400" height="600" title="Neuigkeiten"></iframe>',
    kindIn: ['feed', 'frame'],
  },
  {
    code: '<iframe src="https://files.hollin.example/chart.pdf#view=FitH"  width="600" height="800" title="Here"></iframe>',
    kind: 'document',
  },
  {
    code: '<iframe src="https://leafbarn.example/dokument/8841"  width="600" height="800" title="Jahresbericht"></iframe>',
    kind: 'document',
  },
  {
    code: '<div class="lb-flipbook" data-id="8841"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'document',
  },
  {
    code: '<a href="https://files.hollin.example/plan.pdf" download>Plan (PDF)</a>',
    kind: 'document',
    roles: ['link'],
  },
  {
    code: '<iframe src="https://app.slotbarn.example/schedule/8841" frameborder="0" width="100%" height="800" title="Schedule Appointment"></iframe>',
    kind: 'booking',
  },
  {
    code: '<a href="https://book.slotbarn.example/hollin" class="sb-button">Book now</a><script src="https://book.slotbarn.example/button.js" async></script>',
    kind: 'booking',
  },
  {
    code: '<iframe src="https://slotbarn.example/termine/8841"  width="400" height="600" title="Termin buchen"></iframe>',
    kind: 'booking',
  },
  {
    code: '<iframe src="https://slotbarn.example/rendez-vous/8841"  width="400" height="600" title="Prendre rendez-vous"></iframe>',
    kind: 'booking',
  },
  {
    code: '<iframe src="https://slotbarn.example/tickets/8841" allow="payment" width="400" height="600" title="Tickets"></iframe>',
    kindIn: ['booking', 'shop'],
  },
  {
    code: '<div id="sb-slots" data-booking-calendar="8841"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'booking',
  },
  {
    code: '<iframe src="https://slotbarn.example/rezervace/8841"  width="400" height="600" title="Rezervace"></iframe>',
    kindIn: ['booking', 'frame'],
  },
  {
    code: '<div id="cd-8841"></div><script src="https://cdn.tallybarn.example/countdown.js"></script><script>Countdown.start("#cd-8841",{until:"2027-01-01"});</script>',
    kind: 'counter',
    repeat: {
      setup: 'placement',
    },
  },
  {
    code: '<script>(function(){var s=document.createElement("script");s.async=true;s.src="https://stats.tallybarn.example/t.js?site=8841";document.head.appendChild(s)})();</script><noscript><img src="https://stats.tallybarn.example/p.gif?site=8841" width="1" height="1" alt=""></noscript>',
    kind: 'counter',
    rules: ['tracking'],
  },
  {
    code: '<img src="https://hits.tallybarn.example/hits.svg?url=hollin" alt="hits">',
    kind: 'counter',
  },
  {
    code: '<span class="tally-visitors" data-site="8841"></span>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'counter',
  },
  {
    code: '<iframe src="https://tallybarn.example/countdown/8841"  width="300" height="120" title="Countdown"></iframe>',
    kind: 'counter',
  },
  {
    code: '<iframe src="https://tallybarn.example/besucherzaehler/8841"  width="100" height="30" title="Besucherzähler"></iframe>',
    kindIn: ['counter'],
  },
  {
    code: '<script src="https://pop.overbarn.example/popup/8841.js" async></script>',
    kind: 'popup',
  },
  {
    code: '<script>window.obPopup={id:8841};</script><script async src="https://cdn.overbarn.example/popup.js"></script>',
    kind: 'popup',
  },
  {
    code: '<div class="ob-lightbox" data-ob="8841"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'popup',
  },
  {
    code: '<dialog id="ob-1"><p>News</p></dialog><script>document.getElementById("ob-1").showModal()</script>',
    kind: 'popup',
  },
  {
    code: '<iframe src="https://praisebarn.example/widget/reviews/8841"  width="300" height="400" title="Reviews"></iframe>',
    kind: 'reviews',
  },
  {
    code: '<a href="https://praisebarn.example/review/hollin"><img src="https://praisebarn.example/badge/8841.svg" alt="Rated 4.8" width="150" height="50"></a>',
    kind: 'reviews',
  },
  {
    code: '<div class="star-rating" data-pb-id="8841"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'reviews',
  },
  {
    code: '<iframe src="https://praisebarn.example/kundenmeinungen/8841"  width="300" height="400" title="Kundenmeinungen"></iframe>',
    kindIn: ['reviews'],
  },
  {
    code: '<iframe src="https://cartbarn.example/checkout/8841" allow="payment" width="400" height="600" title="Checkout"></iframe>',
    kind: 'shop',
  },
  {
    code: '<div class="cb-product-list" data-store="8841"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'shop',
  },
  {
    code: '<a href="https://cartbarn.example/cart/add?sku=8841" class="buy">Add to cart</a>',
    kind: 'shop',
  },
  {
    code: '<iframe src="https://spenden.cartbarn.example/spende/8841" allow="payment" width="400" height="600" title="Spenden"></iframe>',
    kindIn: ['shop', 'form'],
  },
  {
    code: '<iframe src="https://cartbarn.example/boutique/8841" allow="payment" width="400" height="600" title="Boutique"></iframe>',
    kind: 'shop',
  },
  {
    code: '<script async src="https://cartbarn.example/donate.js"></script><donate-button campaign="8841"></donate-button>',
    kindIn: ['shop', 'form'],
  },
  {
    code: '<a href="mailto:?subject=Look&body=https%3A%2F%2Fhollin.example">Send by mail</a>',
    kind: 'share',
  },
  {
    code: '<a href="https://wa.fellchat.example/?text=https%3A%2F%2Fhollin.example" target="_blank" rel="noopener"><img src="https://wa.fellchat.example/i.svg" alt="Share" width="24" height="24"></a>',
    kind: 'share',
  },
  {
    code: '<div class="sharebar-inline" data-url="https://hollin.example"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'share',
  },
  {
    code: '<a href="https://tell.fellfeed.example/intent/post?text=Hello&url=https%3A%2F%2Fhollin.example">Post</a>',
    kind: 'share',
  },
  {
    code: '<a href="https://teilen.fellfeed.example/teilen?url=https%3A%2F%2Fhollin.example">Teilen</a>',
    kind: 'share',
  },
  {
    code: '<iframe src="https://serve.adsbarn.example/banner/8841" scrolling="no" marginwidth="0" width="728" height="90" title="Advertisement"></iframe>',
    kind: 'advert',
  },
  {
    code: '<a href="https://click.adsbarn.example/c?id=8841" rel="sponsored"><img src="https://img.adsbarn.example/banner.gif" width="468" height="60" alt="Advert"></a>',
    kind: 'advert',
  },
  {
    code: '<iframe src="https://www.adsbarn.example/affiliate/widget/8841"  width="160" height="600" title="Anzeige"></iframe>',
    kind: 'advert',
  },
  {
    code: '<div id="ad-8841"></div><script>window.adq=window.adq||[];adq.push({slot:"ad-8841",size:[300,250]});</script><script async src="https://cdn.adsbarn.example/tag.js"></script>',
    kind: 'advert',
  },
  {
    code: '<iframe src="https://plainbarn.example/weather/8841"  width="300" height="250" title="Weather"></iframe>',
    kindIn: ['frame', 'unknown'],
  },
  {
    code: '<iframe src="https://www.plainbarn.example/calculator/8841"  width="400" height="600" title="Mortgage"></iframe>',
    kindIn: ['frame', 'unknown'],
  },
  {
    code: '<iframe src="https://plainbarn.example/games/reversi" allow="fullscreen; gamepad" width="800" height="600" title="Reversi"></iframe>',
    kindIn: ['frame', 'unknown'],
  },
  {
    code: '<a href="https://photos.gridbarn.example/hollin"><img src="https://img.gridbarn.example/8841.jpg" alt="Snow" width="640" height="427"></a>',
    kind: 'image',
  },
  {
    code: '<svg viewBox="0 0 10 10" width="100" height="100"><circle cx="5" cy="5" r="4"/></svg>',
    kind: 'image',
  },
  {
    code: '<img src="https://img.gridbarn.example/map-of-hollin.png" alt="Map of Hollin" width="640" height="427">',
    kindIn: ['image', 'map'],
  },
  {
    code: '<script async src="https://cdn.plainbarn.example/8841/all.js"></script>',
    kindIn: ['unknown'],
  },
  {
    code: '<div id="pb-8841" class="pb"></div>\n<script async src="https://cdn.wellbrook.example/x.js"></script>',
    kind: 'unknown',
  },
];
