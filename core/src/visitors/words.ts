import type { Kind } from '../reading/reading.ts';

/** What visitors read of Orbis in what is pasted, in one language. */
export interface PastedWords {
  /** On the button that shows what waits for it, by what it is. */
  show: Readonly<Partial<Record<Kind, string>> & { unknown: string }>;
  /** Below it: what whoever presses it gives away, and to whom. */
  sees: (provider: string) => string;
  /** A link to the content at its provider. */
  open: (provider: string) => string;
  /** Before such a link, where the content may not be there. */
  instead: string;
  /** In the place of a form that was sent. */
  sent: string;
  /** Below a form that could not be sent. */
  notSent: string;
}

/** By language (BCP 47, the language alone). */
export const pastedWords = {
  en: {
    show: {
      video: 'Play the video',
      audio: 'Play the recording',
      map: 'Show the map',
      form: 'Show the form',
      feed: 'Show the posts',
      document: 'Show the document',
      booking: 'Show the calendar',
      reviews: 'Show the reviews',
      shop: 'Show the shop',
      image: 'Show the picture',
      unknown: 'Show it',
    },
    sees: (provider) => `${provider} will see your address.`,
    open: (provider) => `Open it at ${provider}`,
    instead: 'Nothing to be seen here?',
    sent: 'Thank you. It has been sent.',
    notSent: 'It could not be sent. Please try again.',
  },
  da: {
    show: {
      video: 'Afspil videoen',
      audio: 'Afspil optagelsen',
      map: 'Vis kortet',
      form: 'Vis formularen',
      feed: 'Vis opslagene',
      document: 'Vis dokumentet',
      booking: 'Vis kalenderen',
      reviews: 'Vis anmeldelserne',
      shop: 'Vis butikken',
      image: 'Vis billedet',
      unknown: 'Vis indholdet',
    },
    sees: (provider) => `${provider} vil se din IP-adresse.`,
    open: (provider) => `Åbn det hos ${provider}`,
    instead: 'Er der intet at se her?',
    sent: 'Tak. Det er sendt.',
    notSent: 'Det kunne ikke sendes. Prøv igen.',
  },
  de: {
    show: {
      video: 'Video abspielen',
      audio: 'Aufnahme abspielen',
      map: 'Karte zeigen',
      form: 'Formular zeigen',
      feed: 'Beiträge zeigen',
      document: 'Dokument zeigen',
      booking: 'Kalender zeigen',
      reviews: 'Bewertungen zeigen',
      shop: 'Laden zeigen',
      image: 'Bild zeigen',
      unknown: 'Inhalt zeigen',
    },
    sees: (provider) => `${provider} sieht dann Ihre IP-Adresse.`,
    open: (provider) => `Bei ${provider} öffnen`,
    instead: 'Hier ist nichts zu sehen?',
    sent: 'Vielen Dank. Es ist abgeschickt.',
    notSent: 'Es ließ sich nicht abschicken. Bitte versuchen Sie es noch einmal.',
  },
  es: {
    show: {
      video: 'Reproducir el vídeo',
      audio: 'Reproducir la grabación',
      map: 'Mostrar el mapa',
      form: 'Mostrar el formulario',
      feed: 'Mostrar las publicaciones',
      document: 'Mostrar el documento',
      booking: 'Mostrar el calendario',
      reviews: 'Mostrar las opiniones',
      shop: 'Mostrar la tienda',
      image: 'Mostrar la imagen',
      unknown: 'Mostrar el contenido',
    },
    sees: (provider) => `${provider} verá su dirección IP.`,
    open: (provider) => `Abrir en ${provider}`,
    instead: '¿No se ve nada aquí?',
    sent: 'Gracias. Se ha enviado.',
    notSent: 'No se ha podido enviar. Inténtelo de nuevo.',
  },
  fr: {
    show: {
      video: 'Lire la vidéo',
      audio: 'Écouter l’enregistrement',
      map: 'Afficher la carte',
      form: 'Afficher le formulaire',
      feed: 'Afficher les publications',
      document: 'Afficher le document',
      booking: 'Afficher le calendrier',
      reviews: 'Afficher les avis',
      shop: 'Afficher la boutique',
      image: 'Afficher l’image',
      unknown: 'Afficher le contenu',
    },
    sees: (provider) => `${provider} verra votre adresse IP.`,
    open: (provider) => `Ouvrir chez ${provider}`,
    instead: 'Rien ne s’affiche ici ?',
    sent: 'Merci. C’est envoyé.',
    notSent: 'L’envoi a échoué. Veuillez réessayer.',
  },
  it: {
    show: {
      video: 'Riproduci il video',
      audio: 'Riproduci la registrazione',
      map: 'Mostra la mappa',
      form: 'Mostra il modulo',
      feed: 'Mostra i post',
      document: 'Mostra il documento',
      booking: 'Mostra il calendario',
      reviews: 'Mostra le recensioni',
      shop: 'Mostra il negozio',
      image: 'Mostra l’immagine',
      unknown: 'Mostra il contenuto',
    },
    sees: (provider) => `${provider} vedrà il tuo indirizzo IP.`,
    open: (provider) => `Apri su ${provider}`,
    instead: 'Qui non si vede nulla?',
    sent: 'Grazie. È stato inviato.',
    notSent: 'Non è stato possibile inviarlo. Riprova.',
  },
  nl: {
    show: {
      video: 'Video afspelen',
      audio: 'Opname afspelen',
      map: 'Kaart tonen',
      form: 'Formulier tonen',
      feed: 'Berichten tonen',
      document: 'Document tonen',
      booking: 'Agenda tonen',
      reviews: 'Beoordelingen tonen',
      shop: 'Winkel tonen',
      image: 'Afbeelding tonen',
      unknown: 'Inhoud tonen',
    },
    sees: (provider) => `${provider} ziet dan uw IP-adres.`,
    open: (provider) => `Openen bij ${provider}`,
    instead: 'Is hier niets te zien?',
    sent: 'Dank u wel. Het is verzonden.',
    notSent: 'Het kon niet worden verzonden. Probeer het opnieuw.',
  },
  pl: {
    show: {
      video: 'Odtwórz film',
      audio: 'Odtwórz nagranie',
      map: 'Pokaż mapę',
      form: 'Pokaż formularz',
      feed: 'Pokaż wpisy',
      document: 'Pokaż dokument',
      booking: 'Pokaż kalendarz',
      reviews: 'Pokaż opinie',
      shop: 'Pokaż sklep',
      image: 'Pokaż obraz',
      unknown: 'Pokaż treść',
    },
    sees: (provider) => `${provider} zobaczy Twój adres IP.`,
    open: (provider) => `Otwórz w ${provider}`,
    instead: 'Nic tu nie widać?',
    sent: 'Dziękujemy. Wysłano.',
    notSent: 'Nie udało się wysłać. Spróbuj ponownie.',
  },
  pt: {
    show: {
      video: 'Reproduzir o vídeo',
      audio: 'Reproduzir a gravação',
      map: 'Mostrar o mapa',
      form: 'Mostrar o formulário',
      feed: 'Mostrar as publicações',
      document: 'Mostrar o documento',
      booking: 'Mostrar o calendário',
      reviews: 'Mostrar as avaliações',
      shop: 'Mostrar a loja',
      image: 'Mostrar a imagem',
      unknown: 'Mostrar o conteúdo',
    },
    sees: (provider) => `${provider} verá o seu endereço IP.`,
    open: (provider) => `Abrir em ${provider}`,
    instead: 'Não se vê nada aqui?',
    sent: 'Obrigado. Foi enviado.',
    notSent: 'Não foi possível enviar. Tente novamente.',
  },
  sv: {
    show: {
      video: 'Spela videon',
      audio: 'Spela inspelningen',
      map: 'Visa kartan',
      form: 'Visa formuläret',
      feed: 'Visa inläggen',
      document: 'Visa dokumentet',
      booking: 'Visa kalendern',
      reviews: 'Visa omdömena',
      shop: 'Visa butiken',
      image: 'Visa bilden',
      unknown: 'Visa innehållet',
    },
    sees: (provider) => `${provider} ser då din IP-adress.`,
    open: (provider) => `Öppna hos ${provider}`,
    instead: 'Syns inget här?',
    sent: 'Tack. Det är skickat.',
    notSent: 'Det gick inte att skicka. Försök igen.',
  },
} as const satisfies Record<string, PastedWords>;

/** A language that visitors are spoken to in. */
export type PastedLanguage = keyof typeof pastedWords;

/** The languages in which visitors are spoken to, English first. */
export const pastedLanguages = Object.keys(pastedWords) as PastedLanguage[];

/** The words in the language of a page, or in English where its language is not spoken here. */
export const pastedIn = (language: string): PastedWords =>
  pastedWords[(pastedLanguages as string[]).includes(language) ? (language as PastedLanguage) : 'en'];
