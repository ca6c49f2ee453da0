import { collectDefaultMetrics, Counter, Histogram, Registry } from 'prom-client';

/** What is counted in this process, and what can be asked of it. */
export interface Metrics {
  registry: Registry;
  /** How long an operation of the interface took, in seconds, and how it was answered. */
  answered(operation: string, status: number, seconds: number): void;
  /** That a page was read by a sweep, or could not be. */
  pageRead(outcome: 'read' | 'unreachable'): void;
  /** That a message was tried to be sent. */
  messageTried(kind: string, outcome: 'sent' | 'failed'): void;
}

/* In seconds: most answers take milliseconds, a look with a browser takes many. */
const buckets = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10, 30];

/** Metrics of a process of its own, by the names that Prometheus advises (`orbis_…`, base units). */
export function createMetrics(): Metrics {
  const registry = new Registry();
  const registers = [registry];
  collectDefaultMetrics({ register: registry });
  const requests = new Histogram({
    ...{ name: 'orbis_http_request_duration_seconds', registers, buckets },
    help: 'How long operations of the interface took to be answered',
    labelNames: ['operation', 'status'],
  });
  const pages = new Counter({
    ...{ name: 'orbis_pages_read_total', registers },
    help: 'Published pages that sweeps of this process read, or could not read',
    labelNames: ['outcome'],
  });
  const messages = new Counter({
    ...{ name: 'orbis_messages_tried_total', registers },
    help: 'Messages with news that this process tried to send',
    labelNames: ['kind', 'outcome'],
  });
  return {
    registry,
    answered: (operation, status, seconds) => requests.observe({ operation, status }, seconds),
    pageRead: (outcome) => pages.inc({ outcome }),
    messageTried: (kind, outcome) => messages.inc({ kind, outcome }),
  };
}
