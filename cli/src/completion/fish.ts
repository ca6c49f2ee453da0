import type { Place } from './words.ts';

/** A completion script for fish, with what each word does. Where nothing fits, files are completed. */
export const fishScript = (places: readonly Place[]): string => `# Completion of orbis for fish.
function __orbis_at
  set -l at
  for word in (commandline -opc)[2..-1]
    switch "$at $word"
      case ${places
        .filter(({ path }) => path !== '')
        .map(({ path }) => quoted(` ${path}`))
        .join(' ')}
        set at "$at $word"
    end
  end
  test "$at" = "$argv[1]"
end
${places.flatMap(linesOf).join('\n')}
`;

const linesOf = ({ path, words, values }: Place): string[] => {
  const at = `complete -c orbis -n ${quoted(`__orbis_at ${quoted(path === '' ? '' : ` ${path}`)}`)}`;
  return words.map(({ word, meaning }) =>
    word.startsWith('--')
      ? `${at} -l ${word.slice(2)} -d ${quoted(meaning)}${values[word] ? ` -xa ${quoted(values[word].join(' '))}` : ''}`
      : // Files stand beside options only.
        `${at} ${word.endsWith('=') ? '' : '-f '}-a ${quoted(word)} -d ${quoted(meaning)}`,
  );
};

const quoted = (text: string): string => `'${text.replaceAll('\\', '\\\\').replaceAll("'", "\\'")}'`;
