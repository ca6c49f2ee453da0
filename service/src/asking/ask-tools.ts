import type { Logger } from 'pino';
import type { Database } from '../database/connect.ts';
import type { Fetching } from '../fetching/client.ts';
import type { Reader } from '../reading/reader.ts';
import type { RenderContext } from '../usecases/render-context.ts';

/** What is asked with for what placed embeds load. */
export interface AskTools {
  db: Database;
  fetching: Pick<Fetching, 'get' | 'certificateEnds'>;
  reader: Pick<Reader, 'fileFacts' | 'oembedAnswer'>;
  renderContext: () => Promise<RenderContext>;
  now: () => Date;
  log: Logger;
  /** In how many hours what was answered is asked for again; 0 where nothing is asked by itself. */
  every: number;
}
