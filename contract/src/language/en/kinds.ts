import type { Language } from '../language.ts';

/** What each kind is called in a sentence. */
export const kindNames = {
  video: { one: 'a video', many: 'videos' },
  audio: { one: 'a sound', many: 'sounds' },
  map: { one: 'a map', many: 'maps' },
  form: { one: 'a form', many: 'forms' },
  feed: { one: 'a feed', many: 'feeds' },
  document: { one: 'a document', many: 'documents' },
  booking: { one: 'a booking', many: 'bookings' },
  counter: { one: 'a counter', many: 'counters' },
  popup: { one: 'a pop-up', many: 'pop-ups' },
  reviews: { one: 'reviews', many: 'reviews' },
  shop: { one: 'a shop', many: 'shops' },
  share: { one: 'a share button', many: 'share buttons' },
  advert: { one: 'an advert', many: 'adverts' },
  image: { one: 'a picture', many: 'pictures' },
  frame: { one: 'a frame', many: 'frames' },
  unknown: { one: 'something unknown', many: 'unknown embeds' },
} satisfies Language['kindNames'];
