import { once } from 'node:events';
import { createServer, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';

/** A service outside the firm, on the loopback: what it answers is each test's. */
export async function outside(answer: RequestListener): Promise<{ readonly address: string; readonly stop: () => void }> {
  const service = createServer(answer).listen(0, '127.0.0.1');
  await once(service, 'listening');
  return {
    address: `http://127.0.0.1:${(service.address() as AddressInfo).port}`,
    stop: () => {
      service.closeAllConnections();
      service.close();
    },
  };
}
