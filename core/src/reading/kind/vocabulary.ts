import type { Kind } from '../reading.ts';

/** Words that providers of a kind use, whatever they are called. */
export const vocabulary: [Kind, string][] = [
  [
    'video',
    'video videos reel clip clips movie film episode stream watch vod livestream webinar trailer player',
  ],
  [
    'audio',
    'audio podcast podcasts episode track tracks playlist album song songs radio sound sounds music listen',
  ],
  ['map', 'map maps geo route routes directions latlng tiles'],
  [
    'form',
    'form forms survey surveys signup subscribe newsletter optin quiz questionnaire poll contact mailing',
  ],
  ['feed', 'feed feeds stream timeline post posts status gallery photos photostream stories wall hashtag'],
  [
    'document',
    'document documents doc docs pdf slides slide slideshow presentation flipbook sheet spreadsheet viewer issue magazine',
  ],
  [
    'booking',
    'booking bookings book appointment appointments schedule scheduling scheduler calendar reserve reservation reservations slots availability meeting',
  ],
  ['counter', 'counter counters hits stats analytics tracker visits visitors pageviews badge countdown'],
  ['popup', 'popup popups modal overlay lightbox exitintent slidein popover'],
  ['reviews', 'review reviews testimonial testimonials rating ratings stars feedback'],
  ['shop', 'shop store product products buy cart checkout item items collection price sku merch'],
  ['share', 'share sharing like follow recommend sharer social pin'],
  ['advert', 'ad ads advert adverts banner banners sponsor sponsored adslot adunit adserver campaign'],
];

/** Which kinds a word speaks for. */
export const kindsOfWord = new Map<string, Kind[]>();
for (const [kind, list] of vocabulary)
  for (const word of list.split(' ')) kindsOfWord.set(word, [...(kindsOfWord.get(word) ?? []), kind]);

/** No word is longer. */
export const longestWord = Math.max(...[...kindsOfWord.keys()].map((word) => word.length));
