import type { Logger } from 'pino';
import type { Browser } from './browser/browser.ts';
import type { CopyPlan } from './copies/plan.ts';
import type { Connection } from './database/connect.ts';
import type { Answers } from './fetching/answers.ts';
import type { Fetching } from './fetching/client.ts';
import type { RenderContext } from './usecases/render-context.ts';
import type { SheetRegistry } from './usecases/sheet-registry.ts';
import type { Runner } from './queue/runner.ts';
import type { ReadMetrics } from './metrics/answer.ts';
import type { Metrics } from './metrics/metrics.ts';
import type { Mailer } from './news/mailer.ts';
import type { Reader } from './reading/reader.ts';
import type { Settings } from './settings.ts';
import type { Origins } from './origins.ts';
import type { LookFiles } from './pictures/look-files.ts';

/** Everything that the app needs of its surroundings. */
export interface Deps {
  connection: Connection;
  /** What output is made with; asked each time, as sheets and rules change. */
  renderContext: () => RenderContext;
  sheetRegistry: SheetRegistry;
  runner: Pick<Runner, 'nudge'>;
  fetching: Pick<Fetching, 'readPage' | 'get'>;
  /** What looks at foreign code as its visitors will. */
  browser: Browser;
  /** The pictures of looks at pages, and how many looks are kept in all. */
  lookFiles: LookFiles;
  looksKept: number;
  /** How safety copies are made; null where nobody has said where to. */
  copyPlan: CopyPlan | null;
  answers: Answers;
  reader: Reader;
  /** Asked at each request, as ports are known only once they are listened on. */
  origins: () => Origins;
  now: () => Date;
  log: Logger;
  version: string;
  /** By which mail goes out; null where no mail server is set up. */
  mailer: Mailer | null;
  metrics: Metrics;
  readMetrics: ReadMetrics;
  settings: Settings;
  trustProxy: number;
  /** Whom to tell of holes, as an address (RFC 9116); undefined where the owner named nobody. */
  securityContact?: string | undefined;
}
