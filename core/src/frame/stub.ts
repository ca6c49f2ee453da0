import type { Code } from '../code.ts';
import type { Kind, Length } from '../reading/reading.ts';
import { shapeOf } from '../presentation/size/shape-of.ts';
import { escapeAttribute } from '../text/index.ts';
import { heightName, reportedMember } from '../visitors/index.ts';

export interface StubOptions {
  /** The address of its document; null where the document is to stand in the stub itself. */
  address: string | null;
  title: string;
  sandbox: readonly string[];
  /** As `allow` says them (Permissions Policy, section 5.2). */
  permissions: readonly string[];
  /** Whether the content is as high as the frame. */
  fills: boolean;
}

/** Where the document goes in a stub that holds it. */
export const emptyDocument = 'srcdoc=""';

/** The frame of ours that is pasted in the place of a code. */
export function frameStub(
  code: Pick<Code, 'reading' | 'sheet' | 'markup' | 'inside'>,
  { address, title, sandbox, permissions, fills }: StubOptions,
): string {
  const where = address === null ? emptyDocument : `src="${escapeAttribute(address)}"`;
  const allow = permissions.length > 0 ? ` allow="${escapeAttribute(permissions.join('; '))}"` : '';
  const reported = fills ? '' : ` ${heightName}="${reportedMember}"`;
  return `<iframe ${where} title="${escapeAttribute(title)}" sandbox="${sandbox.join(' ')}"${allow}${reported}${fills ? sizeOf(code) : ` style="${contentStyle(code)}"`}></iframe>`;
}

/* As large as the code is by itself. */
function sizeOf(code: Pick<Code, 'reading' | 'sheet' | 'markup' | 'inside'>): string {
  const { width, height } = code.reading.size;
  if (isPlain(height)) return `${side('width', width)}${side('height', height)} style="border:0"`;
  const shape = shapeOf(code as Code, {});
  const ratio = shape ? `${shape.width}/${shape.height}` : '2/1';
  return ` style="display:block;width:${lengthOf(width) ?? '100%'};height:auto;aspect-ratio:${ratio};border:0"`;
}

const isPlain = (length: Length | null): length is Length => length?.unit === 'px';
const side = (name: 'width' | 'height', length: Length | null): string =>
  length === null || !['px', '%'].includes(length.unit)
    ? ''
    : ` ${name}="${length.value}${length.unit === '%' ? '%' : ''}"`;
const lengthOf = (length: Length | null): string | null => length && `${length.value}${length.unit}`;

/* Until its document says how high it is, and where nobody listens. */
const usualHeights: Partial<Record<Kind, number>> = {
  form: 480,
  feed: 600,
  booking: 600,
  reviews: 480,
  shop: 480,
  document: 600,
  audio: 120,
  counter: 120,
  share: 60,
};

const contentStyle = ({ reading: { size, kind }, sheet }: Pick<Code, 'reading' | 'sheet'>): string =>
  `display:block;width:100%;height:${size.height?.unit === 'px' ? size.height.value : (sheet?.height ?? usualHeights[kind] ?? 300)}px;border:0`;
