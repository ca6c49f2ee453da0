/*
 * What a copy’s file is called: by its time in UTC, so that names in their order are copies in theirs.
 * `orbis-20261130T033000Z.tar.gz`, with `.age` where it is encrypted, and `-before-upgrade` where it was made
 * before the tables were changed.
 */
const shape = /^orbis-(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z(-before-upgrade)?\.tar\.gz(\.age)?$/;

/** What a file’s name says of a copy. */
export interface CopyName {
  at: Date;
  /** Whether it was made before the tables were changed. */
  beforeUpgrade: boolean;
  encrypted: boolean;
}

export function copyName({ at, beforeUpgrade, encrypted }: CopyName): string {
  const time = at
    .toISOString()
    .replace(/[-:]/g, '')
    .replace(/\.\d+Z$/, 'Z');
  return `orbis-${time}${beforeUpgrade ? '-before-upgrade' : ''}.tar.gz${encrypted ? '.age' : ''}`;
}

/** Null for a file that is no copy of ours. */
export function readCopyName(name: string): CopyName | null {
  const found = shape.exec(name);
  if (!found) return null;
  const [year, month, day, hour, minute, second] = found.slice(1, 7).map(Number) as [
    ...[number, number, number, number, number, number],
  ];
  const at = new Date(Date.UTC(year, month - 1, day, hour, minute, second));
  const name_ = { at, beforeUpgrade: found[7] !== undefined, encrypted: found[8] !== undefined };
  return copyName(name_) === name ? name_ : null;
}
