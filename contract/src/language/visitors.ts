import type { PastedLanguage } from '@orbis/core';

/**
 * What visitors of an owner’s page read that is of Orbis, not of a provider or of the owner: in the languages
 * that are spoken here.
 */
export interface VisitorWords {
  /** In the place of what was there once. */
  over: string;
  /** While the database does not answer. */
  away: string;
  /** Where somebody asks too often. */
  busy: string;
  /** Where something broke. */
  broken: string;
  /** Where there was never anything, or its time is over. */
  nothing: string;
}

/** By language (BCP 47, the language alone). */
export const visitorWords = {
  en: {
    over: 'This is no longer shown here.',
    away: 'This cannot be shown at the moment.',
    busy: 'Too many requests. Try again in a minute.',
    broken: 'This cannot be shown.',
    nothing: 'There is nothing here, or its time is over.',
  },
  da: {
    over: 'Dette vises ikke længere her.',
    away: 'Dette kan ikke vises i øjeblikket.',
    busy: 'For mange forespørgsler. Prøv igen om et minut.',
    broken: 'Dette kan ikke vises.',
    nothing: 'Her er ikke noget, eller tiden er udløbet.',
  },
  de: {
    over: 'Das wird hier nicht mehr gezeigt.',
    away: 'Das kann gerade nicht gezeigt werden.',
    busy: 'Zu viele Anfragen. Bitte in einer Minute noch einmal versuchen.',
    broken: 'Das kann nicht gezeigt werden.',
    nothing: 'Hier ist nichts, oder die Zeit dafür ist abgelaufen.',
  },
  es: {
    over: 'Esto ya no se muestra aquí.',
    away: 'Esto no se puede mostrar en este momento.',
    busy: 'Demasiadas solicitudes. Vuelva a intentarlo en un minuto.',
    broken: 'Esto no se puede mostrar.',
    nothing: 'Aquí no hay nada, o su tiempo ha terminado.',
  },
  fr: {
    over: 'Ceci n’est plus affiché ici.',
    away: 'Ceci ne peut pas être affiché pour le moment.',
    busy: 'Trop de demandes. Réessayez dans une minute.',
    broken: 'Ceci ne peut pas être affiché.',
    nothing: 'Il n’y a rien ici, ou le délai est écoulé.',
  },
  it: {
    over: 'Questo contenuto non è più mostrato qui.',
    away: 'Questo contenuto non può essere mostrato al momento.',
    busy: 'Troppe richieste. Riprova tra un minuto.',
    broken: 'Questo contenuto non può essere mostrato.',
    nothing: 'Qui non c’è nulla, o il tempo è scaduto.',
  },
  nl: {
    over: 'Dit wordt hier niet meer getoond.',
    away: 'Dit kan op dit moment niet worden getoond.',
    busy: 'Te veel verzoeken. Probeer het over een minuut opnieuw.',
    broken: 'Dit kan niet worden getoond.',
    nothing: 'Hier is niets, of de tijd ervan is voorbij.',
  },
  pl: {
    over: 'To nie jest już tutaj wyświetlane.',
    away: 'Tego nie można teraz wyświetlić.',
    busy: 'Zbyt wiele żądań. Spróbuj ponownie za minutę.',
    broken: 'Tego nie można wyświetlić.',
    nothing: 'Nic tu nie ma albo jego czas minął.',
  },
  pt: {
    over: 'Isto já não é mostrado aqui.',
    away: 'Isto não pode ser mostrado neste momento.',
    busy: 'Demasiados pedidos. Tente novamente dentro de um minuto.',
    broken: 'Isto não pode ser mostrado.',
    nothing: 'Não há nada aqui, ou o seu tempo terminou.',
  },
  sv: {
    over: 'Detta visas inte längre här.',
    away: 'Detta kan inte visas just nu.',
    busy: 'För många förfrågningar. Försök igen om en minut.',
    broken: 'Detta kan inte visas.',
    nothing: 'Här finns inget, eller så är tiden ute.',
  },
} as const satisfies Record<PastedLanguage, VisitorWords>;

export type VisitorLanguage = PastedLanguage;

/** The languages in which visitors are spoken to; the first where none of theirs is among them. */
export const visitorLanguages = Object.keys(visitorWords) as VisitorLanguage[];
