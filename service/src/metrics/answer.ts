import type { RequestListener } from 'node:http';
import type { Connection } from '../database/connect.ts';
import { addGauges } from './gauges.ts';
import type { Metrics } from './metrics.ts';

/** All metrics as text, with its type (Prometheus text format 0.0.4). */
export type ReadMetrics = () => Promise<{ type: string; text: string }>;

export function metricsReader(
  { registry }: Metrics,
  connection: Pick<Connection, 'db' | 'nodes'>,
): ReadMetrics {
  const look = addGauges(registry, connection);
  return async () => {
    await look();
    return { type: registry.contentType, text: await registry.metrics() };
  };
}

/** What answers at a port of its own, where nobody is asked who they are. */
export const metricsAnswer =
  (read: ReadMetrics): RequestListener =>
  (request, response) => {
    if (request.url?.split('?')[0] !== '/metrics') return void response.writeHead(404).end();
    read().then(
      ({ type, text }) => response.writeHead(200, { 'content-type': type }).end(text),
      () => response.writeHead(500).end(),
    );
  };
