import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import type { Duplex } from 'node:stream';
import { problemDetails } from './HttpProblem';

/** Longer nobody waits for what is still being worked on when the server stops, ms. */
const LONGEST_MS = 3000;

/** Whoever sends slower than this, or more head than this, is not waited for: bytes, ms. */
const LIMITS = { maxHeaderSize: 16_384, headersTimeout: 20_000, requestTimeout: 300_000, connectionsCheckingInterval: 5000 } as const;

export interface HttpServer {
  readonly server: Server;
  /** Takes no more requests and waits until those in hand are answered, also those that nobody waits for any more: until then they use the database. */
  readonly close: () => Promise<void>;
}

type Answer = (request: IncomingMessage, response: ServerResponse) => void;

/** Serves an application, over TLS where it has a key; what is no HTTP at all is answered like everything else, and ends its own connection alone. */
export function httpServer(app: Answer, tls?: { readonly key: string; readonly cert: string }): HttpServer {
  const inHand = new Set<ServerResponse>();
  let idle = (): void => undefined;
  const listener: Answer = (request, response) => {
    inHand.add(response);
    const end = response.end.bind(response);
    // The innermost end: a session is written before it. The response's own events come as soon as its connection is gone.
    response.end = ((...given: Parameters<typeof end>) => {
      inHand.delete(response);
      if (inHand.size === 0) idle();
      return end(...given);
    }) as typeof response.end;
    app(request, response);
  };
  const server: Server = tls ? createTlsServer({ ...tls, ...LIMITS }, listener) : createServer(LIMITS, listener);
  // A connection that is kept lives longer than whoever keeps it waits, so that none is closed just as it is used again.
  server.keepAliveTimeout = 75_000;
  server.on('clientError', (_error: Error, socket: Duplex) => {
    if (!socket.writable) return socket.destroy();
    const body = JSON.stringify(problemDetails({ status: 400, code: 'unreadableRequest' }));
    const head = ['HTTP/1.1 400 Bad Request', 'content-type: application/problem+json', `content-length: ${Buffer.byteLength(body)}`, 'connection: close'];
    socket.end(`${head.join('\r\n')}\r\n\r\n${body}`);
  });
  const close = async (): Promise<void> => {
    const closed = new Promise((done) => server.close(done));
    server.closeIdleConnections();
    const answered = inHand.size === 0 ? Promise.resolve() : new Promise<void>((done) => (idle = done));
    const late = setTimeout(() => {
      server.closeAllConnections();
      idle();
    }, LONGEST_MS);
    await Promise.all([closed, answered]);
    clearTimeout(late);
  };
  return { server, close };
}
