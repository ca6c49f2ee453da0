import { apiBase, pathOf, type Sweep } from '@orbis/contract';
import { api } from '../api.ts';

/** Follows a sweep as it goes on; the promise keeps its last state, once it has ended. */
export function watchSweep(id: string, onChange: (sweep: Sweep) => void): Promise<Sweep> {
  return new Promise((resolve, reject) => {
    const events = new EventSource(apiBase + pathOf('sweeps.events', { sweep: id }));
    let failures = 0;
    events.onmessage = ({ data }: MessageEvent<string>) => {
      const sweep = JSON.parse(data) as Sweep;
      failures = 0;
      onChange(sweep);
      if (sweep.endedAt === null) return;
      events.close();
      resolve(sweep);
    };
    // The browser tries again by itself.
    events.onerror = () => {
      if (++failures < 5) return;
      events.close();
      reject(new Error('the sweep could not be followed'));
    };
  });
}

/** Begins a sweep and waits for its end. */
export async function sweepToItsEnd(scope: { site?: string; page?: string }, onChange: (sweep: Sweep) => void = () => {}): Promise<Sweep> {
  const { data } = await api.call('sweeps.create', { body: scope });
  onChange(data);
  return watchSweep(data.id, onChange);
}
