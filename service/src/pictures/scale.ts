import type { StillType } from '@orbis/contract';

/** A picture in one of the types that are offered. */
export interface PictureFile {
  type: StillType;
  data: Buffer;
}

/* More pixels than that no photograph of ours has: what says so is no picture. */
const mostPixels = 60_000_000;
/* An address that holds a small picture; more would weigh on every page (RFC 2397). */
const mostBlurred = 1500;

/** Writes a photograph as AVIF and WebP, with a JPEG for browsers that know neither. */
export async function inTypes(png: Buffer): Promise<PictureFile[]> {
  const { default: sharp } = await import('sharp');
  const open = () => sharp(png, { limitInputPixels: mostPixels }).flatten({ background: '#fff' });
  // More effort takes four times as long and saves a tenth.
  const [avif, webp, jpeg] = await Promise.all([
    open().avif({ quality: 50, effort: 2 }).toBuffer(),
    open().webp({ quality: 75 }).toBuffer(),
    open().jpeg({ quality: 80, mozjpeg: true }).toBuffer(),
  ]);
  return [
    { type: 'image/avif', data: avif },
    { type: 'image/webp', data: webp },
    { type: 'image/jpeg', data: jpeg },
  ];
}

/** The same picture small and blurred, as an address that holds it: at most 1.5 kB. */
export async function blurred(png: Buffer): Promise<string> {
  const { default: sharp } = await import('sharp');
  for (const width of [32, 24, 16, 8]) {
    const small = await sharp(png, { limitInputPixels: mostPixels })
      .flatten({ background: '#fff' })
      .resize({ width })
      .blur(1)
      .webp({ quality: 40, smartSubsample: true })
      .toBuffer();
    const address = `data:image/webp;base64,${small.toString('base64')}`;
    if (address.length <= mostBlurred || width === 8) return address;
  }
  throw new Error('the last width is always taken');
}

/* As lists show them. */
const listed = { width: 480, height: 320 };

/** A small picture for lists, as WebP: at most 480 wide, and of what is taller only the upper part. */
export async function forList(png: Buffer): Promise<{ data: Buffer; width: number; height: number }> {
  const { default: sharp } = await import('sharp');
  const { data, info } = await sharp(png, { limitInputPixels: mostPixels })
    .flatten({ background: '#fff' })
    .resize({ width: listed.width, withoutEnlargement: true })
    .toBuffer({ resolveWithObject: true });
  const height = Math.min(info.height, listed.height);
  return {
    data: await sharp(data)
      .extract({ left: 0, top: 0, width: info.width, height })
      .webp({ quality: 70 })
      .toBuffer(),
    width: info.width,
    height,
  };
}
