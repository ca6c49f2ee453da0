import type { Kind } from '../reading.ts';

/**
 * Words that providers of a kind use, whatever they are called: those that are hardly said of anything else,
 * and those that other things are called as well. Without accents; English first, then German, French,
 * Spanish, Italian, Dutch, Polish and Portuguese.
 */
const vocabulary: readonly [Kind, sure: string, hint: string][] = [
  [
    'video',
    `video videos vid clip clips movie movies film films filme trailer trailers reel reels livestream
    livestreams webinar webinars webcast vod videoplayer shorts webcam livecam pelicula peliculas wideo`,
    'watch player stream live channel episode episodes play playlist cinema tv recording',
  ],
  [
    'audio',
    `audio audios podcast podcasts radio song songs music musik musique musica muzyka muziek sound sounds
    soundtrack audiobook episode episodes tracks horspiel hoerspiel hoerbuch horbuch`,
    'track album albums playlist artist listen player show folge episodio episodios odcinek aflevering',
  ],
  [
    'map',
    `map maps streetview latlng directions bbox karte karten landkarte stadtplan lageplan anfahrt anfahrtsplan
    carte cartes itineraire mapa mapas mappa mappe kaart kaarten plattegrond mapy`,
    'geo route routes trail trails tiles lat lng lon coordinates marker markers standort strecke percurso ruta',
  ],
  [
    'form',
    `form forms survey surveys poll polls signup newsletter newsletters optin subscribe questionnaire webform
    formular formulare umfrage umfragen fragebogen formulaire formulaires sondage sondages formulario
    formularios encuesta encuestas modulo sondaggio questionario cuestionario formulier formulieren enquete
    vragenlijst formularz ankieta ankiety kwestionariusz inquerito inscription inscricao`,
    `quiz contact register registration apply application feedback mailing petition vote voting rsvp kontakt
    anmeldung anmelden abstimmung contatto contacto contato iscrizione inscripcion aanmelden rejestracja zapisy`,
  ],
  [
    'feed',
    'feed feeds timeline timelines rss photostream hashtag newsfeed ticker posts gallery galerie galeria galleria',
    `stream post status stories wall photos news social blog entries neuigkeiten aktuelles nachrichten
    actualites noticias notizie nieuws aktualnosci`,
  ],
  [
    'document',
    `document documents pdf slides slide slideshow slideshows presentation presentations flipbook flipbooks
    ebook magazine docs spreadsheet spreadsheets brochure dokument dokumente folien prasentation
    praesentation diaporama documento documenti documentos presentacion presentazione apresentacao revista
    rivista presentatie prezentacja dokumenty`,
    'doc viewer sheet issue present paper reader report bericht magazin',
  ],
  [
    'booking',
    `booking bookings appointment appointments reservation reservations scheduling scheduler availability
    buchung buchungen buchen reservierung reservieren termin termine reserver rendez rendezvous reserva
    reservas reservar prenotazione prenotazioni prenota reservering reserveren afspraak afspraken rezerwacja
    rezerwacje rezerwuj agendamento`,
    'book schedule slots meeting calendar reserve kalender calendrier calendario agenda tickets ticket table cita',
  ],
  [
    'counter',
    `counter counters countdown hits visits visitors visitor pageviews pageview analytics stats statistics
    statistik statistiken besucher zaehler zahler compteur contatore contador teller licznik webstats`,
    'tracker tracking badge count views',
  ],
  ['popup', 'popup popups modal lightbox exitintent slidein popover', 'overlay dialog notification'],
  [
    'reviews',
    `review reviews rating ratings testimonial testimonials bewertung bewertungen rezension rezensionen
    kundenstimmen avis temoignages opiniones resenas recensione recensioni beoordeling beoordelingen recensies
    opinie avaliacao avaliacoes`,
    'stars star feedback rated meinungen opinions stimmen',
  ],
  [
    'shop',
    `shop checkout cart basket buy sku product products merch storefront warenkorb produkt produkte boutique
    panier produit produits acheter tienda carrito comprar producto productos negozio carrello acquista
    prodotto prodotti winkel winkelwagen sklep koszyk kup loja carrinho`,
    'store item items collection price pay payment donate donation spende spenden don kaufen',
  ],
  [
    'share',
    'share sharing sharer sharebar sharebuttons teilen partager compartir compartilhar condividi delen udostepnij',
    'like follow recommend intent social pin tell',
  ],
  [
    'advert',
    `ad ads advert adverts advertisement advertising adslot adunit adserver sponsor sponsored anzeige anzeigen
    werbung publicite publicidad pubblicita publicidade advertentie reklama`,
    'banner banners campaign affiliate promo',
  ],
];

/**
 * A kind that a word speaks for: surely, where it is hardly said of anything else; as a hint; or only as the
 * stem of a name that somebody made of it.
 */
export interface Trade {
  kind: Kind;
  as: 'sure' | 'hint' | 'stem';
}

const tradesOfWord = new Map<string, Trade[]>();
for (const [kind, sure, hint] of vocabulary)
  for (const [list, as] of [[sure, 'sure'] as const, [hint, 'hint'] as const])
    for (const word of list.split(/\s+/))
      tradesOfWord.set(word, [...(tradesOfWord.get(word) ?? []), { kind, as }]);

/** Every word that speaks for a kind. */
export const kindWords: readonly string[] = [...tradesOfWord.keys()];

/* What words are put together with, without a blank: “Kontaktformular”, “webform”, “photofeed”. */
const endings =
  `formular formulier umfrage karte kaart buchung reservierung zahler zaehler bewertungen meinungen stimmen
  anzeige survey form map feed podcast radio video player booking calendar kalender gallery galerie popup
  counter reviews slider shop`
    .split(/\s+/)
    .flatMap((word) => (tradesOfWord.has(word) ? [[word, tradesOfWord.get(word)!] as const] : []));
/* What providers make their names of: “clipwick”, “slotkeeper”. */
const stems = Object.entries({
  video: 'video clip reel film cine',
  audio: 'sound tune audio radio song podcast music',
  map: 'map geo carto trail',
  form: 'form survey poll quiz',
  feed: 'feed photo snap',
  document: 'slide flip docu',
  booking: 'slot book calend ticket seat reserv',
  counter: 'count tally stat',
  popup: 'popup overlay',
  reviews: 'review rating praise',
  shop: 'shop cart',
  share: 'share',
  advert: 'adserv advert banner',
} satisfies Partial<Record<Kind, string>>).flatMap(([kind, list]) =>
  list.split(' ').map((stem) => [stem, [{ kind: kind as Kind, as: 'stem' as const }]] as const),
);
/* What only ends like one. */
const others = new Set(
  `platform perform inform transform uniform reform waveform conform freeform sitemap bitmap roadmap mindmap
  heatmap treemap keymap colormap workshop encounter`.split(/\s+/),
);
const shortestCompound = 6;

/** No word is longer. */
const longestWord = 30;

const none: readonly Side[] = [];
/* By their last letters, and by their first. */
const sideLength = 3;
type Side = [piece: string, trades: readonly Trade[]];
const sorted = (
  sides: readonly (readonly [string, readonly Trade[]])[],
  keyOf: (piece: string) => string,
): Map<string, Side[]> => {
  const out = new Map<string, Side[]>();
  for (const [piece, trades] of sides)
    out.set(keyOf(piece), [...(out.get(keyOf(piece)) ?? []), [piece, trades]]);
  return out;
};
const byEnd = sorted(endings, (piece) => piece.slice(-sideLength));
const byBeginning = sorted(stems, (piece) => piece.slice(0, sideLength));

/**
 * What kinds a word in small letters speaks for, by itself, by its end or by its beginning; null for most
 * words.
 */
export function tradesOf(word: string): readonly Trade[] | null {
  const known = tradesOfWord.get(word);
  if (known) return known;
  if (word.length < shortestCompound || word.length > longestWord || others.has(word)) return null;
  for (const [ending, trades] of byEnd.get(word.slice(-sideLength)) ?? none)
    if (word.endsWith(ending) && word.length >= ending.length + 2) return trades;
  for (const [stem, trades] of byBeginning.get(word.slice(0, sideLength)) ?? none)
    if (word.startsWith(stem) && word.length >= stem.length + 3) return trades;
  return null;
}
