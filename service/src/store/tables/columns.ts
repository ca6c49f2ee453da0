/** The columns that tables are made of. */
import { bigint, customType, datetime } from 'drizzle-orm/mysql-core';

/** Keys, ids and digests: compared byte for byte. */
export const ascii = customType<{ data: string; config: { length: number }; configRequired: true }>({
  dataType: ({ length }) => `varchar(${length}) character set ascii collate ascii_bin`,
});
/** Paths: case and accents count. */
export const exact = customType<{ data: string; config: { length: number }; configRequired: true }>({
  dataType: ({ length }) => `varchar(${length}) character set utf8mb4 collate utf8mb4_bin`,
});
export const id = () => bigint({ mode: 'number', unsigned: true }).autoincrement().primaryKey();
export const foreignKeyId = () => bigint({ mode: 'number', unsigned: true });
export const timestamp = () => datetime({ fsp: 3, mode: 'date' });
/** A small file: at most 16 MiB. */
export const file = customType<{ data: Buffer }>({ dataType: () => 'mediumblob' });
