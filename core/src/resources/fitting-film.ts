/** What is known of a film; null where it is not. */
export interface FilmSize {
  /** px */
  width: number | null;
  height: number | null;
  /** Seconds. */
  length: number | null;
  bytes: number | null;
}

/** What would do for a film at its largest spot. */
export interface FittingFilm {
  /** px, both even, as films are coded in pairs. */
  width: number;
  height: number;
  /** Of picture and sound together, in kbit/s. */
  kilobits: number;
}

/* Screens show up to so many px of a film for each px of a layout that people can tell apart. */
const density = 1.5;
/* So many bits a px and picture, at so many pictures a second, make a clear film; its sound has so many
   kbit/s. */
const [bitsPerPixel, pictures, sound] = [0.1, 30, 128];
/* What is less than so many times what would do is not worth doing anew. */
const [wider, heavier] = [1.3, 2];

/** What would do for a film where the largest spot is so many px wide. */
export function fittingFilm(
  { width, height }: Pick<FilmSize, 'width' | 'height'>,
  room: number,
): FittingFilm {
  const shape = width !== null && height !== null ? height / width : 9 / 16;
  const fitting = even(Math.min(room * density, width ?? Infinity));
  const tall = even(fitting * shape);
  const bits = fitting * tall * pictures * bitsPerPixel;
  return { width: fitting, height: tall, kilobits: Math.round((bits / 1000 + sound) / 50) * 50 };
}

/** Whether a film is about as large as its largest spot needs it; true where too little is known. */
export function fitsRoom({ width, height, length, bytes }: FilmSize, room: number): boolean {
  const fitting = fittingFilm({ width, height }, room);
  if (width !== null && width > fitting.width * wider) return false;
  if (length === null || bytes === null) return true;
  return (bytes * 8) / length / 1000 <= fitting.kilobits * heavier;
}

const even = (length: number): number => Math.max(2, Math.round(length / 2) * 2);
