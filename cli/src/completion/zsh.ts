import type { Place, Word } from './words.ts';

/** A completion script for zsh, with what each word does. Where nothing fits, files are completed. */
export const zshScript = (places: readonly Place[]): string => `#compdef orbis
# Completion of orbis for zsh.
_orbis() {
  local cur=\${words[CURRENT]} prev=\${words[CURRENT-1]} at= i
  local -a found
  for ((i = 2; i < CURRENT; i++)); do
    case "$at \${words[i]}" in
      ${places
        .filter(({ path }) => path !== '')
        .map(({ path }) => `" ${path}"`)
        .join('|')}) at="$at \${words[i]}" ;;
    esac
  done
  case "$at:$prev" in
${places.flatMap(valueLines).join('\n')}
    *)
      case "$at" in
${places.map(wordLine).join('\n')}
      esac ;;
  esac
  if (( ! \${#found} )) || [[ -z \${(M)found:#\${cur}*} ]]; then
    _files
  else
    local -a open=(\${(M)found:#*=:*}) whole=(\${found:#*=:*})
    _describe -t words word whole -- open -S ''
  fi
}
compdef _orbis orbis
`;

const leading = (path: string): string => (path === '' ? '""' : `" ${path}"`);

const wordLine = ({ path, words }: Place): string =>
  `        ${leading(path)}) found=(${words.map(described).join(' ')}) ;;`;

/* A colon ends the word; a quote would end all. */
const described = ({ word, meaning }: Word): string =>
  `'${`${word.replaceAll(':', '\\:')}:${meaning}`.replaceAll("'", '’')}'`;

const valueLines = ({ path, values }: Place): string[] =>
  Object.entries(values).map(
    ([name, each]) => `    "${path === '' ? '' : ` ${path}`}:${name}") found=(${each.join(' ')}) ;;`,
  );
