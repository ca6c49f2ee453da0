/** The state of a row that counts its changes, for `If-Match`. */
export const versionTag = ({ version }: { version: number | string }): string => `"${version}"`;
