import type { Kind } from '@orbis/core';

/** A page with what stands on it; what is optional may be offered as well, and nothing else. */
export interface ExpectedPage {
  page: string;
  optional: readonly string[];
  embeds: readonly { has: string; with?: readonly string[]; kind?: Kind; heading?: string }[];
}

/** Pages as they are out there: the site’s own things, what measures and asks, and embeds in every way. */
export const pages: readonly ExpectedPage[] = [
  {
    page: 'blog',
    optional: ['/media/own.mp4'],
    embeds: [
      {
        has: 'player.filmwell.example/video/9',
        kind: 'video',
        heading: 'Film',
      },
      {
        has: 'cast.soundwell.example',
        kind: 'audio',
      },
      {
        has: 'murmurwell.example/a/1',
        with: ['platform.murmurwell.example'],
        kind: 'feed',
      },
      {
        has: 'murmurwell.example/a/2',
        with: ['platform.murmurwell.example'],
        kind: 'feed',
      },
      {
        has: 'id="comments-here"',
        with: ['comwell.example/talk.js'],
        heading: 'Comments',
      },
    ],
  },
  {
    page: 'stall',
    optional: ['badges.starwell.example'],
    embeds: [
      {
        has: '<model-box',
        with: ['model-box.js'],
      },
      {
        has: 'id="way-map"',
        with: ['maps.wayfell.example/map.js'],
        kind: 'map',
        heading: 'Map',
      },
      {
        has: 'video/10',
        kind: 'video',
        heading: 'Film with consent',
      },
      {
        has: 'id="buy-881"',
        with: ['sdk.cartwell.example', 'CartWell.init'],
      },
      {
        has: 'id="buy-882"',
        with: ['sdk.cartwell.example'],
      },
      {
        has: 'praisewell-stars',
        with: ['stars.js'],
        kind: 'reviews',
      },
      {
        has: 'old.plugwell.example',
      },
    ],
  },
  {
    page: 'contact',
    optional: ['murmurwell.example/share', 'chatwell.example', 'pinwell.example/pin'],
    embeds: [
      {
        has: 'forms.postwell.example/f/881',
        kind: 'form',
        heading: 'Contact',
      },
      {
        has: 'slotwell-days',
        with: ['slotwell.example/days.js'],
        heading: 'Calendar',
      },
      {
        has: 'id="sw_form"',
        with: ['js.formwell.example', 'fw.place'],
        kind: 'form',
      },
      {
        has: 'skywell-line',
        with: ['skywell.example/js/widget.js'],
      },
    ],
  },
  {
    page: 'sounds',
    optional: ['/own/tool.html', 'img.picwell.example'],
    embeds: [
      {
        has: 'podwell.example/hear/881.js',
        heading: 'Podcast',
      },
      {
        has: 'data-room="1"',
        with: ['adswell.example/rooms.js'],
        kind: 'advert',
      },
      {
        has: 'data-room="2"',
        with: ['adswell.example/rooms.js'],
        kind: 'advert',
      },
      {
        has: 'plotwell.example/rain',
        with: ['rainIsHigh'],
        heading: 'Chart',
      },
      {
        has: 'leafwell.example/881.pdf',
        kind: 'document',
      },
    ],
  },
  {
    page: 'news',
    optional: [],
    embeds: [
      {
        has: 'adq-slot-881',
        with: ['adqwell'],
        kind: 'advert',
      },
      {
        has: 'id="mapid"',
        with: ['leaf.js', 'Leafmap.map'],
        kind: 'map',
        heading: 'Map',
      },
      {
        has: 'class="pollwell"',
        with: ['static.pollwell.example'],
        kind: 'form',
      },
      {
        has: 'letterwell.example/join',
        kind: 'form',
        heading: 'Newsletter',
      },
      {
        has: 'play.tonewell.example',
        kind: 'audio',
        heading: 'Sound',
      },
    ],
  },
  {
    page: 'stay',
    optional: [],
    embeds: [
      {
        has: '<booking-well',
        with: ['booking-well.mjs'],
        kind: 'booking',
      },
      {
        has: 'menus.dishwell.example/881.pdf',
        kind: 'document',
        heading: 'Menu',
      },
      {
        has: 'roomwell-search',
        with: ['cdn.roomwell.example'],
      },
      {
        has: 'dinewell-button',
        with: ['embed.dinewell.example'],
        kind: 'booking',
      },
      {
        has: 'data-widget="guestwell"',
        with: ['widgets.guestwell.example'],
      },
      {
        has: 'tripwell-rating',
        with: ['tripwell.example/stars'],
        kind: 'reviews',
      },
      {
        has: '<don-well',
        with: ['give.donwell.example'],
      },
    ],
  },
  {
    page: 'gallery',
    optional: ['/media/loop.mp4', '<later-film'],
    embeds: [
      {
        has: 'photowell-feed',
        with: ['feeds.photowell.example'],
        kind: 'feed',
      },
      {
        has: 'embed/5',
        kind: 'video',
      },
      {
        has: 'embed/6',
        kind: 'video',
      },
      {
        has: 'embed/8',
        kind: 'video',
      },
      {
        has: 'cdn.filmwell.example/film.mp4',
        kind: 'video',
      },
    ],
  },
];
