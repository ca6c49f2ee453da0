import type { SeenBox } from '@orbis/core';

/* A photograph of a page has no more pixels than that. */
const mostPixels = 60_000_000;

/* Of each colour: what differs by less is no picture but a plain area. */
const plainUpTo = 1.5;

/** Whether something shows in a part of a photograph; null where the photograph does not have that part. */
export async function showsAnything(png: Buffer, box: SeenBox): Promise<boolean | null> {
  const { default: sharp } = await import('sharp');
  const { width, height } = await sharp(png, { limitInputPixels: mostPixels }).metadata();
  const [left, top] = [Math.max(0, box.left + edgeOf(box.width)), Math.max(0, box.top + edgeOf(box.height))];
  const right = Math.min(width, box.left + box.width - edgeOf(box.width));
  const bottom = Math.min(height, box.top + box.height - edgeOf(box.height));
  if (right - left < 1 || bottom - top < 1) return null;
  // Taken out first, as the figures are else those of the whole.
  const part = await sharp(png, { limitInputPixels: mostPixels })
    .removeAlpha()
    .extract({ left, top, width: right - left, height: bottom - top })
    .png({ compressionLevel: 1 })
    .toBuffer();
  const { channels } = await sharp(part, { limitInputPixels: mostPixels }).stats();
  return channels.some(({ stdev }) => stdev > plainUpTo);
}

/* What is drawn around an empty frame is not in it. */
const edgeOf = (side: number): number => (side >= 24 ? 4 : 0);

/** A photograph of a page to be kept, as WebP. */
export async function asEvidence(png: Buffer): Promise<Buffer> {
  const { default: sharp } = await import('sharp');
  return sharp(png, { limitInputPixels: mostPixels })
    .flatten({ background: '#fff' })
    .webp({ quality: 72 })
    .toBuffer();
}
