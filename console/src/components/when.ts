const day = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
});

/** A time as people read it, in their own time zone. */
export const formatWhen = (at: string | null): string => (at === null ? 'never' : day.format(new Date(at)));
