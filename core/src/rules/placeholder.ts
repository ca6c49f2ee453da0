/* Marks that nobody’s own value has, wherever they stand in it. A real id of capitals has no word of
   these. */
const anywhere: readonly RegExp[] = [
  /\{\{[^{}]{0,60}\}\}/,
  /%%[A-Z][A-Z_]{1,30}%%/,
  /\b[A-Z]{2,}(?: [A-Z]{2,}){0,4} HERE\b/,
  /\b(?:paste|insert)\b[^"'<>]{1,40}\bhere\b/,
  /(?:^|[^A-Za-z])(?:YOUR|INSERT|ENTER|REPLACE|PASTE|PLACEHOLDER|CHANGE)(?:[_ -][A-Z]{2,}){1,4}/,
  /(?:^|[^A-Za-z])YOUR(?:ID|NAME|USER|SITE|KEY|CODE|URL|DOMAIN|ACCOUNT|VIDEO|CHANNEL|FORM|SHOP|PAGE|TOKEN|EMAIL)/,
];
/* What is a sample only where nothing else stands beside it. */
const alone: readonly RegExp[] = [
  // In brackets: {video_id}, [your id], <key>; %VIDEO_ID%, __ID__, $ID, ${id}.
  /^(?:\{[A-Za-z][\w .-]{1,40}\}|\[[A-Za-z][\w -]{1,40}\]|<[A-Za-z][\w -]{1,40}>)$/,
  /^(?:%[A-Z][A-Z_]{1,30}%|__[A-Z][A-Z_]{1,30}__|\$[A-Z][A-Z_]{1,30}|\$\{[A-Za-z][\w.]{1,40}\})$/,
  // Nothing but X, and nothing but points.
  /^(?:[Xx]{3,}(?:[-_.][Xx]+)*|(?:[A-Z]{1,3}-)?X{4,}(?:-[XY]+)*|X{1,3}-X{4,}|\.{3,}|…)$/,
  /^(?:MY|EXAMPLE|SAMPLE)[_-][A-Z]{2,20}$/,
  /^@?your[ _-]?(?:own[ _-]?)?(?:id|video|account|user ?name|user|site|domain|subdomain|form|shop|store|page|name|key|token|email|address|url|channel|handle|app|api|project|code|company|organi[sz]ation|team|client|widget)(?:[ _-]?(?:id|name|key|here|url))?(?:\.[a-z]{2,4})?$/i,
];
/* A thing by its name in capitals: VIDEO_ID, USERNAME. */
const named =
  /^@?(?:[A-Z]{2,20}[_-]?){1,3}_(?:ID|KEY|URL|NAME|TOKEN|CODE|SLUG)$|^@?(?:VIDEO|ACCOUNT|USER|FORM|SITE|SHOP|CHANNEL|PAGE|API|EMBED|WIDGET|PLAYLIST|TRACK|CLIENT)(?:ID|KEY|URL|NAME|TOKEN|CODE)$|^@?(?:video|user|form|site|shop|channel|page|account|item|playlist|track)(?:ID|Id|_id)$|^@?(?:ID|USERNAME|NAME|URL|KEY|TOKEN|EMAIL|HANDLE|SLUG|TIME|SECONDS|DOMAIN)$/;

/* What all of them have something of: most values have nothing, and are not looked at further. */
const hint = /[A-Z]{2}|[a-z]Id|_id|[{[<%$…]|[Yy]our|\/:[a-z]|xxx|\.\.\.|here/;

const longestPiece = 200;

/**
 * The part of a value that looks like a sample that was never replaced, or null.
 *
 * @param isAddress - whether it is an address, whose steps and parameters stand for themselves.
 * @param called - the name that the value is given to: one that repeats it in capitals is a sample
 * (`data-site-id="SITE_ID"`), where another may mean what it says (`data-param="CLIENT_ID"`).
 */
export function placeholderIn(value: string, isAddress: boolean, called: string): string | null {
  if (!hint.test(value)) return null;
  for (const mark of anywhere) {
    const found = mark.exec(value);
    if (found) return found[0].replace(/^[^A-Za-z{%]/, '').trim();
  }
  if (!isAddress) return isSample(value.trim(), (name) => repeats(called, name)) ? value.trim() : null;
  const pieces = unescaped(value).split(/[/?&=#]/);
  // The host stands behind the two slashes.
  const [scheme = '', empty = '', host = ''] = pieces;
  const labels = /^(?:https?:)?$/.test(scheme) && empty === '' ? host.split('.') : [];
  for (const piece of [...labels, ...pieces])
    if (/^:[a-z]\w{1,30}$/.test(piece) || isSample(piece, () => true)) return piece;
  return null;
}

function isSample(piece: string, mayBeNamed: (piece: string) => boolean): boolean {
  if (piece === '' || piece.length > longestPiece) return false;
  return alone.some((mark) => mark.test(piece)) || (named.test(piece) && mayBeNamed(piece));
}

/* Whether a name has a word of the value: `data-site-id` and `SITE_ID`. */
function repeats(name: string, value: string): boolean {
  const words = new Set(name.toLowerCase().split(/[^a-z]+|(?<=[a-z])(?=[A-Z])/));
  return value
    .toLowerCase()
    .split(/[^a-z]+/)
    .some((word) => words.has(word));
}

/* Brackets that are written as the URL standard asks for (section 1.3). */
const unescaped = (address: string): string =>
  address.replaceAll(/%(?:3C|3E|5B|5D|7B|7D|20)/gi, (code) =>
    String.fromCharCode(parseInt(code.slice(1), 16)),
  );
