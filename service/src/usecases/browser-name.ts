import Bowser from 'bowser';

/**
 * What people call the browser that calls itself so (`User-Agent`): “Firefox on Linux”; “Another program”
 * where nobody knows it.
 */
export function browserName(agent: string): string {
  // The parser refuses an empty text, and what it does not know it names by its first word.
  if (!/mozilla|opera/i.test(agent)) return 'Another program';
  const parser = Bowser.getParser(agent);
  const [browser, system] = [parser.getBrowserName(), parser.getOSName()];
  return browser === '' ? 'Another program' : `${browser}${system === '' ? '' : ` on ${system}`}`;
}
