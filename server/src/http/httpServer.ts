import { createServer, type RequestListener, type Server } from 'node:http';
import { problemDetails } from './HttpProblem';

/** Serves an application; what is no HTTP at all is answered like everything else, and ends its own connection alone. */
export function httpServer(app: RequestListener): Server {
  const server = createServer(app);
  // A connection that is kept lives longer than whoever keeps it waits, so that none is closed just as it is used again.
  server.keepAliveTimeout = 75_000;
  server.on('clientError', (_error, socket) => {
    if (!socket.writable) return socket.destroy();
    const body = JSON.stringify(problemDetails({ status: 400, code: 'unreadableRequest' }));
    const head = ['HTTP/1.1 400 Bad Request', 'content-type: application/problem+json', `content-length: ${Buffer.byteLength(body)}`, 'connection: close'];
    socket.end(`${head.join('\r\n')}\r\n\r\n${body}`);
  });
  return server;
}
