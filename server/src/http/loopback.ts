import type { Request } from 'express';

/** Whether a request comes from this machine itself and by no proxy. */
export const fromThisMachine = (request: Request): boolean =>
  /^(::1|(::ffff:)?127\.)/.test(request.socket.remoteAddress ?? '') && !request.get('x-forwarded-for') && !request.get('forwarded');
