// A server of Node's that does nothing but send the same bytes with the same headers, and 304 to whoever has
// their tag, in a process of its own.
import { createServer } from 'node:http';

process.once('message', ({ headers, body }) => {
  const bytes = Buffer.from(body, 'base64');
  const server = createServer((request, response) => {
    if (request.headers['if-none-match'] === headers.etag) return void response.writeHead(304, headers).end();
    response.writeHead(200, { ...headers, 'Content-Length': bytes.length }).end(bytes);
  });
  server.listen(0, '127.0.0.1', () => process.send({ port: server.address().port }));
  process.once('message', () => process.exit(0));
});
