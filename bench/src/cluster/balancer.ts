import { spawn, type ChildProcess } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ports } from './roles.ts';

/**
 * HAProxy before the processes, set up as docs/examples/haproxy.cfg says, without certificates.
 * @param numbers of the processes of each role.
 */
export function startBalancer(folder: string, numbers: readonly number[]): ChildProcess {
  const file = join(folder, 'haproxy.cfg');
  const servers = (role: 'console' | 'frames'): string =>
    numbers.map((number) => `    server ${number} 127.0.0.1:${ports.of(role, number)}`).join('\n');
  writeFileSync(
    file,
    `defaults
    mode http
    timeout connect 2s
    timeout client 1m
    timeout server 1m
    retries 2
    option redispatch
    option forwardfor
    default-server check inter 1s fall 2 rise 1
frontend console
    bind 127.0.0.1:${ports.console}
    default_backend console
frontend frames
    bind 127.0.0.1:${ports.frames}
    default_backend frames
backend console
    option httpchk
    http-check send meth GET uri /api/v1/health/ready hdr Host orbis.localhost:${ports.console}
${servers('console')}
backend frames
    retry-on conn-failure empty-response 503
    http-request disable-l7-retry unless METH_GET
    option httpchk
    http-check send meth GET uri / hdr Host health.frames.localhost:${ports.frames}
    http-check expect rstatus ^[234]
${servers('frames')}
`,
  );
  return spawn('haproxy', ['-db', '-f', file], { stdio: 'ignore' });
}
