import { fileTypeFromBuffer } from 'file-type';
import { imageSize } from 'image-size';
import { parseBuffer } from 'music-metadata';

/** What a file's first bytes tell of it. */
export interface FileFacts {
  /** The type that its first bytes are of; null where they tell nothing. */
  type: string | null;
  /** px, of a picture or a film. */
  width: number | null;
  height: number | null;
  /** Seconds, where the container tells. */
  length: number | null;
}

/**
 * Reads a file's beginning: its type by its signature, and what its container tells of size
 * and length. Never throws.
 */
export async function factsOfFile(beginning: Uint8Array, size: number | null): Promise<FileFacts> {
  const signature = await fileTypeFromBuffer(beginning).catch(() => undefined);
  const type = signature?.mime ?? (isSvg(beginning) ? 'image/svg+xml' : null);
  if (type?.startsWith('image/')) return { type, ...nothing, ...sizeOf(beginning) };
  if (!signature || !/^(?:video|audio)\//.test(signature.mime)) return { type, ...nothing };
  return { type, ...nothing, ...(await playedBy(beginning, signature.ext, size)) };
}

const nothing = { width: null, height: null, length: null };

function sizeOf(picture: Uint8Array): Partial<FileFacts> {
  try {
    const { width, height } = imageSize(picture);
    return { width: Math.round(width), height: Math.round(height) };
  } catch {
    return {};
  }
}

async function playedBy(
  beginning: Uint8Array,
  ext: string,
  size: number | null,
): Promise<Partial<FileFacts>> {
  // The reader is found by the ending; its own list names this one of them without a dot.
  const file = { path: ext === 'webm' ? 'webm' : `file.${ext}`, ...(size === null ? {} : { size }) };
  try {
    const { format } = await parseBuffer(beginning, file, { duration: false, skipCovers: true });
    const video = format.trackInfo.find((track) => track.video)?.video;
    return {
      width: video?.pixelWidth ?? null,
      height: video?.pixelHeight ?? null,
      length: lengthOf(format.duration),
    };
  } catch {
    // What ends in the middle may tell nothing of its length.
    return {};
  }
}

/* In seconds, to the millisecond. */
const lengthOf = (duration = 0): number | null =>
  Number.isFinite(duration) && duration > 0 ? Math.round(duration * 1000) / 1000 : null;

const isSvg = (bytes: Uint8Array): boolean =>
  /<svg[\s>]/i.test(Buffer.from(bytes.subarray(0, 2048)).toString('utf8'));
