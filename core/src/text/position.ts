/** A place in a text as people count: both from 1, columns in UTF-16 code units. */
export interface Position {
  line: number;
  column: number;
}

/** Answers many questions about one text: its line ends (LF, CRLF or CR) are found once. */
export function positionsIn(text: string): (offset: number) => Position {
  if (!text.includes('\n') && !text.includes('\r')) return (offset) => ({ line: 1, column: offset + 1 });
  const starts = [0];
  const lineEnd = /\r\n|\r|\n/g;
  for (let found = lineEnd.exec(text); found; found = lineEnd.exec(text))
    starts.push(found.index + found[0].length);
  return (offset) => {
    let low = 0;
    let high = starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (starts[middle]! <= offset) low = middle;
      else high = middle - 1;
    }
    return { line: low + 1, column: offset - starts[low]! + 1 };
  };
}
