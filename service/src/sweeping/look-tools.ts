import type { Logger } from 'pino';
import type { Browser } from '../browser/browser.ts';
import type { Database } from '../database/connect.ts';
import type { Fetching } from '../fetching/client.ts';
import type { Metrics } from '../metrics/metrics.ts';
import type { Reader } from '../reading/reader.ts';
import type { RenderContext } from '../usecases/render-context.ts';
import type { DeclaredSites } from './declared-sites.ts';

/** What pages of sweeps are looked at with. */
export interface LookTools {
  db: Database;
  fetching: Fetching;
  browser: Pick<Browser, 'work'>;
  reader: Pick<Reader, 'lookAtPage' | 'reconcilePage' | 'fileSeen'>;
  renderContext: () => RenderContext;
  /** Reads the sheets again where somebody has changed them. */
  refresh: () => Promise<void>;
  declaredSites: DeclaredSites;
  /** Where a placement's document is served. */
  placementUrl: (id: string) => string;
  now: () => Date;
  log: Logger;
  metrics: Pick<Metrics, 'pageRead'>;
  /** Of Orbis. */
  version: string;
}

/** The same, with what reads the files of frames. */
export type PageTools = LookTools & { files: Pick<Fetching, 'readPage'> };
