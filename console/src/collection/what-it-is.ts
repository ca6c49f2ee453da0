import type { EmbedSummary } from '@orbis/contract';
import { capital, formatKind } from '@orbis/contract/language';

/** What an embed is, and whose: “A video by Kinorill”. */
export const whatItIs = ({ kind, providerName }: Pick<EmbedSummary, 'kind' | 'providerName'>): string =>
  capital(formatKind(kind, providerName === null ? null : { name: providerName }));
