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

/** Reads a file's beginning: its type by its signature, and what its container tells of size and length. Never throws. */
export async function factsOfFile(beginning: Uint8Array, size: number | null): Promise<FileFacts> {
  const signature = await fileTypeFromBuffer(beginning).catch(() => undefined);
  const type = signature?.mime ?? (isSvg(beginning) ? 'image/svg+xml' : null);
  const facts: FileFacts = { type, width: null, height: null, length: null };
  if (type?.startsWith('image/')) {
    try {
      const { width, height } = imageSize(beginning);
      return { ...facts, width: Math.round(width), height: Math.round(height) };
    } catch {
      return facts;
    }
  }
  if (!type || !/^(?:video|audio)\//.test(type)) return facts;
  try {
    // The reader is found by the ending; its own list names this one of them without a dot.
    const { format } = await parseBuffer(
      beginning,
      {
        path: signature!.ext === 'webm' ? 'webm' : `file.${signature!.ext}`,
        ...(size === null ? {} : { size }),
      },
      { duration: false, skipCovers: true },
    );
    const video = format.trackInfo.find((track) => track.video)?.video;
    const length =
      format.duration !== undefined && Number.isFinite(format.duration) && format.duration > 0
        ? Math.round(format.duration * 1000) / 1000
        : null;
    return { ...facts, width: video?.pixelWidth ?? null, height: video?.pixelHeight ?? null, length };
  } catch {
    // What ends in the middle may tell nothing of its length.
    return facts;
  }
}

const isSvg = (bytes: Uint8Array): boolean =>
  /<svg[\s>]/i.test(Buffer.from(bytes.subarray(0, 2048)).toString('utf8'));
