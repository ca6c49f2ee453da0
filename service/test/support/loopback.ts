import { Agent, setGlobalDispatcher } from 'undici';

/* Browsers find `*.localhost` on loopback (RFC 6761, section 6.3), and Node does not:
   nothing in the tests is elsewhere. */
setGlobalDispatcher(
  new Agent({
    keepAliveTimeout: 500,
    connect: { lookup: (_hostname, _options, done) => done(null, [{ address: '127.0.0.1', family: 4 }]) },
  }),
);
